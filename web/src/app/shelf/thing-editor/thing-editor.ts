import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { thingDraft } from '@odd-corner/contract';
import { ParseLengthError, parsePurpose } from '@odd-corner/core';
import { Things } from '../../data/things';
import { WorkshopSettings } from '../../data/workshop-settings';
import { check, type FieldFaults } from '../../ui/field-faults';
import { UndoBar } from '../../ui/undo/undo-bar';

/** Writes down a thing, or a set of them, to be picked again. */
@Component({
  selector: 'oc-thing-editor',
  imports: [MatButtonModule],
  template: `<form
    class="card"
    novalidate
    (submit)="$event.preventDefault(); submit(name.value, holds.value)"
    (keydown.escape)="closed.emit()"
  >
    <div class="field">
      <label for="t-name">Name</label>
      <input
        id="t-name"
        class="input"
        autocomplete="off"
        #name
        [attr.aria-invalid]="faults()['name'] ? 'true' : null"
        aria-describedby="t-name-note"
      />
      <p id="t-name-note" class="wrong">{{ faults()['name'] }}</p>
    </div>
    <div class="field">
      <label for="t-holds">What it is, and how large</label>
      <input
        id="t-holds"
        class="input"
        autocomplete="off"
        placeholder="60 x 45 x 22, or 4 tickets 105 x 74"
        [value]="text()"
        #holds
        [attr.aria-invalid]="faults()['purpose'] ? 'true' : null"
        aria-describedby="t-holds-note"
      />
      <p id="t-holds-note" class="wrong">{{ faults()['purpose'] }}</p>
    </div>
    <div class="row">
      <button type="submit" matButton="filled">Keep it</button>
      <button type="button" matButton="outlined" (click)="closed.emit()">Cancel</button>
    </div>
  </form>`,
  styles: `
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 220px), 1fr));
      gap: 0.8rem 1rem;
      align-items: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThingEditor {
  /** What stands there at first. */
  readonly text = input('');
  readonly closed = output();
  private readonly things = inject(Things);
  private readonly settings = inject(WorkshopSettings);
  private readonly undo = inject(UndoBar);
  protected readonly faults = signal<FieldFaults>({});

  protected submit(name: string, holds: string): void {
    let purpose: unknown;
    let unread: FieldFaults = {};
    try {
      purpose = parsePurpose(holds, this.settings.current().unit);
    } catch (error) {
      if (!(error instanceof ParseLengthError)) throw error;
      unread = { purpose: error.message };
    }
    const read = check(thingDraft, { name, purpose });
    const faults = { ...('faults' in read ? read.faults : {}), ...unread };
    this.faults.set(faults);
    if ('faults' in read || Object.keys(faults).length) return;
    this.things
      .add(read.draft)
      .subscribe({ next: () => this.closed.emit(), error: (error: unknown) => this.undo.failed(error) });
  }
}
