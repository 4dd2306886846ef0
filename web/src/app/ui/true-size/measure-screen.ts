import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Slider } from '../slider/slider';
import { TrueSize } from './true-size';

/** A bank card (ISO/IEC 7810, ID-1), in mm. */
const CARD_MM = 85.6;
const CARD_HIGH_MM = 53.98;
/** A card is drawn within these, in CSS pixels. */
const [NARROWEST_PX, WIDEST_PX] = [200, 620];

/** Measures this screen with a card that is held to it. */
@Component({
  selector: 'oc-measure-screen',
  imports: [Slider],
  template: `<oc-slider
      name="card"
      label="Hold a bank card to the screen and make the frame as wide"
      [min]="px[0]"
      [max]="px[1]"
      [at]="width()"
      (moved)="keep($event)"
      >Kept on this device, for this zoom.</oc-slider
    >
    <div class="frame"><span [style.width.px]="width()" [style.height.px]="height()"></span></div>`,
  styleUrl: './measure-screen.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeasureScreen {
  private readonly trueSize = inject(TrueSize);
  protected readonly px = [NARROWEST_PX, WIDEST_PX] as const;
  protected readonly width = computed(() => CARD_MM * this.trueSize.pxPerMm());
  protected readonly height = computed(() => CARD_HIGH_MM * this.trueSize.pxPerMm());

  protected keep(px: number): void {
    this.trueSize.keep(px / CARD_MM);
  }
}
