import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatRadioModule } from '@angular/material/radio';

/** One of several choices, with its words. */
export interface Option {
  readonly value: string;
  readonly label: string;
}

/** Choices one beneath the other, one of them taken; what is to be said of them stands below. */
@Component({
  selector: 'oc-options',
  imports: [MatRadioModule],
  template: `<span class="label" [id]="name() + '-label'">{{ legend() }}</span>
    <mat-radio-group
      [name]="name()"
      [attr.aria-labelledby]="name() + '-label'"
      [value]="chosen()"
      (change)="choose.emit($event.value)"
    >
      @for (one of options(); track one.value) {
        <mat-radio-button [value]="one.value">{{ one.label }}</mat-radio-button>
      }
    </mat-radio-group>
    <ng-content />`,
  styles: `
    .label {
      font-weight: 600;
    }
    mat-radio-group {
      display: grid;
      justify-items: start;
      margin-left: -0.7rem;
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
