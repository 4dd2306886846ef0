import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { type Accepting, type Incoming, routes } from '@odd-corner/contract';
import { finalize, type Subscription } from 'rxjs';
import { Api, ApiFailure, failureText } from '../../data/api';
import { Changes } from '../../data/changes';
import { WorkshopSettings } from '../../data/workshop-settings';
import { Ask } from '../../ui/ask/ask-dialog';
import { pickFile } from '../../ui/pick-file';
import { PlainTable } from '../../ui/plain-table/plain-table';
import { UndoBar } from '../../ui/undo/undo-bar';

/** The whole workshop as a file: taken out, and taken in after it was looked at. */
@Component({
  selector: 'oc-taken-along',
  imports: [MatButtonModule, MatProgressBarModule, PlainTable],
  templateUrl: './taken-along.html',
  styleUrl: './taken-along.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakenAlong {
  private readonly api = inject(Api);
  private readonly ask = inject(Ask);
  private readonly undo = inject(UndoBar);
  private readonly changes = inject(Changes);
  private readonly settings = inject(WorkshopSettings);
  protected readonly file = routes.takeOut.path;
  protected readonly columns = [
    { key: 'kind', name: 'What' },
    { key: 'inFile', name: 'In the file' },
    { key: 'here', name: 'Here' },
    { key: 'fresh', name: 'New' },
    { key: 'differing', name: 'Not the same' },
  ];
  protected readonly waiting = signal<Incoming | null>(null);
  protected readonly busy = signal(false);
  /** Why a file was refused, and where it is wrong. */
  protected readonly wrong = signal<{ readonly why: string; readonly where: string } | null>(null);
  protected readonly rows = computed(() =>
    (this.waiting()?.kinds ?? []).map(({ kind, ...counts }) => ({
      kind,
      ...Object.fromEntries(Object.entries(counts).map(([key, count]) => [key, `${count}`])),
    })),
  );
  protected readonly fresh = computed(() => this.waiting()?.kinds.some(({ fresh }) => fresh > 0) ?? false);
  private sending: Subscription | null = null;

  protected async pick(): Promise<void> {
    this.send(await pickFile('.json,application/json'));
  }

  /** Sends a file to be looked at; nothing is changed by that. */
  protected send(file: Blob): void {
    this.wrong.set(null);
    this.waiting.set(null);
    this.busy.set(true);
    this.sending = this.api
      .call('bringIn', { file })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (incoming) => this.waiting.set(incoming),
        error: (error: unknown) => {
          const [issue] = error instanceof ApiFailure ? error.issues : [];
          this.wrong.set({ why: failureText(error), where: (issue?.path ?? []).join(' › ') });
        },
      });
  }

  protected stop(): void {
    this.sending?.unsubscribe();
  }

  protected merge({ id }: Incoming): void {
    this.accept({ id, how: 'merge' });
  }

  protected replace({ id }: Incoming): void {
    this.ask
      .first({
        title: 'Put the file in place of this workshop?',
        words:
          'Jobs, shelf, logbook and settings become those of the file. What is here now is backed up first, so you can return to it.',
        yes: 'Put it in place',
      })
      .subscribe(() => this.accept({ id, how: 'replace' }));
  }

  protected drop(): void {
    this.waiting.set(null);
    this.api.call('dropIncoming').subscribe({ error: (error: unknown) => this.undo.failed(error) });
  }

  private accept(body: Accepting): void {
    this.busy.set(true);
    this.api
      .call('acceptIncoming', { body })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: ({ words }) => {
          this.waiting.set(null);
          this.changes.everything();
          this.settings.read();
          this.undo.done(words);
        },
        error: (error: unknown) => this.undo.failed(error),
      });
  }
}
