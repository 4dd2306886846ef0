import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** One of a few choices, side by side. */
export interface Segment {
  readonly id: string;
  readonly label: string;
}

/** A few choices side by side, one of them taken; what is to be said of it stands beneath. */
@Component({
  selector: 'oc-segments',
  template: `<fieldset>
    <legend>{{ legend() }}</legend>
    <div class="segments" [style.--count]="choices().length" [class.many]="choices().length > 3">
      @for (one of choices(); track one.id) {
        <label [class.on]="chosen() === one.id">
          <input
            type="radio"
            [name]="name()"
            [value]="one.id"
            [checked]="chosen() === one.id"
            (change)="choose.emit(one.id)"
          />
          <span>{{ one.label }}</span>
        </label>
      }
    </div>
    <ng-content />
  </fieldset>`,
  styleUrl: './segments.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Segments {
  readonly legend = input.required<string>();
  /** The group's name in the page. */
  readonly name = input.required<string>();
  readonly choices = input.required<readonly Segment[]>();
  readonly chosen = input.required<string>();
  readonly choose = output<string>();
}
