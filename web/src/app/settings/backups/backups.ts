import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTableModule } from '@angular/material/table';
import { type Backup, BACKUP_HOURS } from '@odd-corner/contract';
import { finalize, type Observable, switchMap } from 'rxjs';
import { Api, failureText } from '../../data/api';
import { Changes } from '../../data/changes';
import { WorkshopSettings } from '../../data/workshop-settings';
import { Ask } from '../../ui/ask/ask-dialog';
import { StateNote } from '../../ui/state-note/state-note';
import { UndoBar } from '../../ui/undo/undo-bar';

const MB = 1_000_000;

/** Copies of the workshop: made now, looked at, put back. */
@Component({
  selector: 'oc-backups',
  imports: [DatePipe, MatButtonModule, MatProgressBarModule, MatTableModule, StateNote],
  templateUrl: './backups.html',
  styleUrl: '../section-table.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Backups {
  private readonly api = inject(Api);
  private readonly ask = inject(Ask);
  private readonly undo = inject(UndoBar);
  private readonly changes = inject(Changes);
  private readonly settings = inject(WorkshopSettings);
  protected readonly hours = BACKUP_HOURS;
  protected readonly columns = ['at', 'size', 'acts'];
  protected readonly all = signal<readonly Backup[] | null>(null);
  protected readonly failed = signal<string | null>(null);
  protected readonly busy = signal(false);

  constructor() {
    this.read();
  }

  protected read(): void {
    this.failed.set(null);
    this.api.call('backups').subscribe({
      next: (all) => this.all.set(all),
      error: (error: unknown) => this.failed.set(failureText(error)),
    });
  }

  protected make(): void {
    this.work(this.api.call('addBackup'), () => 'A backup was made.');
  }

  protected putBack({ name, at }: Backup): void {
    const day = new Date(at).toLocaleString('en', { dateStyle: 'medium', timeStyle: 'short' });
    this.ask
      .first({
        title: `Put back the workshop of ${day}?`,
        words:
          'Jobs, shelf, logbook and settings go back to what they were then. What is here now is backed up first, so you can return to it.',
        yes: 'Put it back',
      })
      .subscribe(() =>
        this.work(this.api.call('restoreBackup', { body: { name } }), ({ words }) => {
          this.changes.everything();
          this.settings.read();
          return words;
        }),
      );
  }

  protected sizeOf({ bytes }: Backup): string {
    return `${(bytes / MB).toFixed(1)} MB`;
  }

  private work<T>(request: Observable<T>, done: (answer: T) => string): void {
    this.busy.set(true);
    request
      .pipe(
        switchMap((answer) => {
          this.undo.done(done(answer));
          return this.api.call('backups');
        }),
        finalize(() => this.busy.set(false)),
      )
      .subscribe({
        next: (all) => this.all.set(all),
        error: (error: unknown) => this.undo.failed(error),
      });
  }
}
