import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { formatLength } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';
import { LengthFigure } from '../length-text/length-figure';

/** A number to be dragged, with its name and figure above it and what is to be said of it beneath. */
@Component({
  selector: 'oc-slider',
  imports: [LengthFigure],
  template: `<label [for]="name()">{{ label() }}</label>
    @if (mm(); as length) {
      <oc-length [mm]="length" />
    } @else if (figure() !== null) {
      <span class="figure"
        >{{ figure() }}<small>{{ unit() }}</small></span
      >
    }
    <input
      type="range"
      step="1"
      [id]="name()"
      [min]="min()"
      [max]="max()"
      [value]="at()"
      (input)="moved.emit(+range.value)"
      [attr.aria-valuetext]="spoken()"
      [attr.aria-describedby]="name() + '-note'"
      #range
    />
    <p class="hint" [id]="name() + '-note'"><ng-content /></p>`,
  styles: `
    input {
      width: 100%;
      min-height: 44px;
      accent-color: var(--primary);
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
  private readonly settings = inject(WorkshopSettings);
  protected readonly spoken = computed(() => {
    const length = this.mm();
    return length === null ? null : formatLength(length, this.settings.current().unit);
  });
}
