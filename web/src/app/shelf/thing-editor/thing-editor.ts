import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { thingDraft } from '@odd-corner/contract';
import { parseBlock, ParseLengthError } from '@odd-corner/core';
import { Things } from '../../data/things';
import { WorkshopSettings } from '../../data/workshop-settings';
import { check, type FieldFaults } from '../../ui/field-faults';
import { UndoBar } from '../../ui/undo/undo-bar';

/** Writes down a thing with its sizes. */
@Component({
  selector: 'oc-thing-editor',
  template: `<form
    class="card"
    novalidate
    (submit)="$event.preventDefault(); submit(name.value, size.value)"
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
      <label for="t-size">Length x width x height</label>
      <input
        id="t-size"
        class="input"
        autocomplete="off"
        placeholder="60 x 45 x 22"
        #size
        [attr.aria-invalid]="faults()['block'] ? 'true' : null"
        aria-describedby="t-size-note"
      />
      <p id="t-size-note" class="wrong">{{ faults()['block'] }}</p>
    </div>
    <div class="row">
      <button type="submit" class="button call">Keep it</button>
      <button type="button" class="button" (click)="closed.emit()">Cancel</button>
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
  readonly closed = output();
  private readonly things = inject(Things);
  private readonly settings = inject(WorkshopSettings);
  private readonly undo = inject(UndoBar);
  protected readonly faults = signal<FieldFaults>({});

  protected submit(name: string, size: string): void {
    const sizeFault: Record<string, string> = {};
    let block: unknown = { lengthMm: 1, widthMm: 1, heightMm: 1 };
    try {
      block = parseBlock(size, this.settings.current().unit);
    } catch (error) {
      if (!(error instanceof ParseLengthError)) throw error;
      sizeFault['block'] = error.message;
    }
    const read = check(thingDraft, { name, block });
    const faults = { ...('faults' in read ? read.faults : {}), ...sizeFault };
    this.faults.set(faults);
    if ('faults' in read || Object.keys(faults).length) return;
    this.things
      .add(read.draft)
      .subscribe({ next: () => this.closed.emit(), error: (error: unknown) => this.undo.failed(error) });
  }
}
