import { ChangeDetectionStrategy, Component, inject, type Injector } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialog, MatDialogModule } from '@angular/material/dialog';
import type { LogEntry } from '@odd-corner/contract';
import { Photographs } from '../../ui/photographs/photographs';

/** Photographs of an entry of the logbook. */
@Component({
  selector: 'oc-entry-photographs',
  imports: [MatButtonModule, MatDialogModule, Photographs],
  template: `<h2 mat-dialog-title>“{{ entry.title }}”</h2>
    <mat-dialog-content><oc-photographs of="entry" [id]="entry.id" /></mat-dialog-content>
    <mat-dialog-actions align="end">
      <button type="button" matButton mat-dialog-close>Close</button>
    </mat-dialog-actions>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryPhotographs {
  protected readonly entry = inject<LogEntry>(MAT_DIALOG_DATA);
}

/** Shows the photographs of an entry over the page. */
export function openPhotographs(injector: Injector, entry: LogEntry): void {
  injector.get(MatDialog).open(EntryPhotographs, { data: entry, width: 'min(56rem, 96vw)' });
}
