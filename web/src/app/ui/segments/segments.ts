import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';

/** One of a few choices, side by side. */
export interface Segment {
  readonly id: string;
  readonly label: string;
}

/** A few choices side by side, one of them taken; what is to be said of it stands beneath. */
@Component({
  selector: 'oc-segments',
  imports: [MatButtonToggleModule],
  template: `<span class="label" [id]="name() + '-label'">{{ legend() }}</span>
    <mat-button-toggle-group
      hideSingleSelectionIndicator
      [name]="name()"
      [attr.aria-labelledby]="name() + '-label'"
      [value]="chosen()"
      [class.many]="choices().length > 3"
      (change)="choose.emit($event.value)"
    >
      @for (one of choices(); track one.id) {
        <mat-button-toggle [value]="one.id">{{ one.label }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
    <ng-content />`,
  styleUrl: './segments.scss',
  host: { class: 'field' },
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
