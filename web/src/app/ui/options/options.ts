import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** One of several choices, with its words. */
export interface Option {
  readonly value: string;
  readonly label: string;
}

/** Choices one beneath the other, one of them taken; what is to be said of them stands below. */
@Component({
  selector: 'oc-options',
  template: `<fieldset>
    <legend>{{ legend() }}</legend>
    @for (one of options(); track one.value) {
      <label>
        <input
          type="radio"
          [name]="name()"
          [value]="one.value"
          [checked]="chosen() === one.value"
          (change)="choose.emit(one.value)"
        />
        {{ one.label }}
      </label>
    }
    <ng-content />
  </fieldset>`,
  styles: `
    fieldset {
      border: 0;
      padding: 0;
      margin: 0;
    }
    legend {
      font-weight: 600;
      padding: 0;
    }
    label {
      display: flex;
      align-items: center;
      gap: 0.6rem;
      min-height: 44px;
      font-weight: 600;
    }
    input {
      width: 1.25rem;
      height: 1.25rem;
      accent-color: var(--primary);
    }
  `,
  host: { class: 'field' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Options {
  readonly legend = input.required<string>();
  /** The group's name in the page. */
  readonly name = input.required<string>();
  readonly options = input.required<readonly Option[]>();
  readonly chosen = input.required<string>();
  readonly choose = output<string>();
}
