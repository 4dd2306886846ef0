import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatSliderModule } from '@angular/material/slider';
import { Figures } from '../figures/figures';
import { LengthFigure } from '../figures/length-figure';

/** A number to be dragged, with its name and figure above it and what is to be said of it beneath. */
@Component({
  selector: 'oc-slider',
  imports: [LengthFigure, MatSliderModule],
  template: `<label [for]="name()">{{ label() }}</label>
    @if (mm(); as length) {
      <oc-length [mm]="length" />
    } @else if (figure() !== null) {
      <span class="figure"
        >{{ figure() }}<small>{{ unit() }}</small></span
      >
    }
    <mat-slider [min]="min()" [max]="most()" [step]="1" [displayWith]="spoken">
      <input
        matSliderThumb
        [id]="name()"
        [value]="within()"
        (input)="moved.emit(+box.value)"
        [attr.aria-describedby]="name() + '-note'"
        #box
      />
    </mat-slider>
    <p class="hint" [id]="name() + '-note'"><ng-content /></p>`,
  styles: `
    mat-slider {
      width: calc(100% - 16px);
      margin-inline: 8px;
    }
    p:empty {
      display: none;
    }
  `,
  host: { class: 'field' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Slider {
  /** Its id in the page. */
  readonly name = input.required<string>();
  readonly label = input.required<string>();
  readonly min = input.required<number>();
  readonly max = input.required<number>();
  /** Where it stands. */
  readonly at = input.required<number>();
  /** The length that is shown for it, if it is one. */
  readonly mm = input<number | null>(null);
  /** What is shown for it otherwise. */
  readonly figure = input<number | null>(null);
  readonly unit = input('');
  readonly moved = output<number>();
  private readonly figures = inject(Figures);
  /** Where nothing suits, the ends meet. */
  protected readonly most = computed(() => Math.max(this.min(), this.max()));
  protected readonly within = computed(() => Math.min(this.most(), Math.max(this.min(), this.at())));
  protected readonly spoken = (value: number): string =>
    this.mm() === null ? `${value}` : this.figures.length(this.mm() ?? value);
}
