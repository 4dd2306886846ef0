import { ChangeDetectionStrategy, Component, inject, Injector, viewChild } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialog, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { type LogEntry, logEntryChange, type Predicted } from '@odd-corner/contract';
import { Logbook } from '../../data/logbook';
import { type PaperUsed, RecordFields, type Written } from '../../record/record-fields/record-fields';
import { day, dayOf } from '../../ui/field/day-codec';
import { Field } from '../../ui/field/field';
import { Sending } from '../../ui/forms/sending';
import { UndoBar } from '../../ui/undo/undo-bar';

/** An entry of the logbook set right: sizes, counts, time, who folded, and when. */
@Component({
  selector: 'oc-correct-entry',
  imports: [Field, MatButtonModule, MatDialogModule, RecordFields],
  providers: [Sending],
  template: `<h2 mat-dialog-title>Correct “{{ entry.title }}”</h2>
    <mat-dialog-content>
      <oc-field label="Folded on" [control]="on" [codec]="day" />
      <oc-record-fields [make]="entry.make" [predicted]="predicted" [used]="used" [first]="entry" (sent)="keep($event)">
        <div class="acts">
          <button type="button" matButton mat-dialog-close>Cancel</button>
          <button type="submit" matButton="filled" [disabled]="sending.now()">Keep it so</button>
        </div>
      </oc-record-fields>
    </mat-dialog-content>`,
  styles: `
    .acts {
      display: flex;
      justify-content: end;
      gap: 0.6rem;
    }
    oc-field {
      max-width: 14rem;
      margin: 0.4rem 0 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CorrectEntry {
  protected readonly entry = inject<LogEntry>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<CorrectEntry, LogEntry>>(MatDialogRef);
  private readonly logbook = inject(Logbook);
  private readonly undo = inject(UndoBar);
  protected readonly sending = inject(Sending);
  private readonly fields = viewChild.required(RecordFields);
  protected readonly day = day;
  protected readonly on = new FormControl<string | null>(dayOf(this.entry.foldedAt));
  /** What was measured once may be measured again, also where it was never predicted. */
  protected readonly predicted: Predicted = {
    ...Object.fromEntries(Object.entries(this.entry.measured).map(([key, mm]) => [key, { mm, sdMm: null }])),
    ...this.entry.predicted,
  };
  protected readonly used: readonly PaperUsed[] = this.entry.sheetsUsed.flatMap(({ paperId, paperName, sheets }) =>
    paperId === null ? [] : [{ id: paperId, name: paperName ?? 'a paper', hint: '', sheets }],
  );

  protected keep(written: Written): void {
    const { id, version, foldedAt, sheetsUsed } = this.entry;
    this.on.markAsTouched();
    if (this.on.invalid || this.on.value === null || this.sending.now()) return;
    // The hour stays where the day does.
    const at = this.on.value === dayOf(foldedAt) ? foldedAt : new Date(`${this.on.value}T12:00:00`).toISOString();
    const elsewhere = sheetsUsed.flatMap(({ paperId, sheets }) => (paperId === null ? [{ paperId, sheets }] : []));
    const change = logEntryChange.parse({
      ...{ ...written, version, foldedAt: at },
      sheetsUsed: [...written.sheetsUsed, ...elsewhere],
    });
    const before = this.entry;
    this.sending
      .send(this.logbook.change(id, change), { form: this.fields().form, placeOf: this.fields().placeOf(written) })
      .subscribe((row) => {
        this.undo.done('The entry is corrected.', () =>
          this.logbook.change(id, logEntryChange.parse({ ...before, version: row.version })),
        );
        this.dialog.close(row);
      });
  }
}

export function openCorrection(injector: Injector, entry: LogEntry): void {
  injector.get(MatDialog).open<CorrectEntry, LogEntry>(CorrectEntry, { data: entry, width: '46rem', maxWidth: '94vw' });
}
