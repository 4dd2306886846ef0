import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type MatChipListboxChange, MatChipsModule } from '@angular/material/chips';
import { ThingEditor } from '../../shelf/thing-editor/thing-editor';
import { narrowScreen } from '../../ui/narrow-screen';
import { Asking } from '../asked/asking';
import { type ThingToPick, ThingsToPick } from '../asked/things-to-pick';

const CHIPS_AT_FIRST = { wide: 7, narrow: 3 } as const;

/** Things to be picked instead of typed, and a way to keep what is typed among them. */
@Component({
  selector: 'oc-thing-chips',
  imports: [MatButtonModule, MatChipsModule, ThingEditor],
  template: `@if (picks()) {
      <mat-chip-listbox
        aria-label="Things to pick"
        hideSingleSelectionIndicator
        [value]="things.picked()"
        (change)="pick($event)"
      >
        @for (thing of shown(); track thing.id) {
          <mat-chip-option [value]="thing" [class.own]="thing.own">{{ thing.name }}</mat-chip-option>
        }
      </mat-chip-listbox>
    }
    <div class="more">
      @if (picks() && shown().length < things.all().length) {
        <button type="button" matButton (click)="unfolded.set(true)">All {{ things.all().length }} things</button>
      }
      @if (asking.purpose()) {
        <button type="button" matButton [attr.aria-expanded]="keeping()" (click)="keeping.set(!keeping())">
          Keep this among my things
        </button>
      }
    </div>
    @if (keeping() && asking.purpose(); as purpose) {
      <oc-thing-editor [purpose]="purpose" (closed)="keeping.set(false)" />
    }`,
  styleUrl: './thing-chips.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThingChips {
  /** Whether things are offered to be picked. */
  readonly picks = input(true);
  protected readonly things = inject(ThingsToPick);
  protected readonly asking = inject(Asking);
  private readonly narrow = narrowScreen();
  protected readonly unfolded = signal(false);
  /** Whether what is asked is being written down among the maker's own things. */
  protected readonly keeping = signal(false);
  protected readonly shown = computed(() =>
    this.unfolded() ? this.things.all() : this.things.all().slice(0, CHIPS_AT_FIRST[this.narrow() ? 'narrow' : 'wide']),
  );

  protected pick({ value }: MatChipListboxChange): void {
    const thing = value as ThingToPick | undefined;
    if (thing) this.things.pick(thing);
  }
}
