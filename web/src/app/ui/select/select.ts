import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';

/** One of several choices by its id, with its words. */
export interface Choice<T = string> {
  readonly id: T;
  readonly name: string;
}

/** One of several choices from a list that opens, in a field with its name; what is to be said of it stands beneath. */
@Component({
  selector: 'oc-select',
  imports: [MatFormFieldModule, MatSelectModule],
  template: `<mat-form-field appearance="outline" subscriptSizing="dynamic">
    <mat-label>{{ label() }}</mat-label>
    <mat-select canSelectNullableOptions [value]="chosen()" (selectionChange)="chose.emit($event.value)">
      @for (one of choices(); track one.id) {
        <mat-option [value]="one.id">{{ one.name }}</mat-option>
      }
    </mat-select>
    @if (hint(); as said) {
      <mat-hint>{{ said }}</mat-hint>
    }
  </mat-form-field>`,
  styles: `
    mat-form-field {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Select<T> {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice<T>[]>();
  readonly chosen = input.required<T>();
  readonly hint = input('');
  readonly chose = output<T>();
}
