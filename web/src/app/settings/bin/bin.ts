import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTableModule } from '@angular/material/table';
import type { Binned } from '@odd-corner/contract';
import type { Observable } from 'rxjs';
import { Api, failureText } from '../../data/api';
import { CuttingPlans } from '../../data/cutting-plans';
import { Hands } from '../../data/hands';
import { Jobs } from '../../data/jobs';
import { Logbook } from '../../data/logbook';
import { Papers } from '../../data/papers';
import { Things } from '../../data/things';
import { Trials } from '../../data/trials';
import { Ask } from '../../ui/ask/ask-dialog';
import { StateNote } from '../../ui/state-note/state-note';
import { UndoBar } from '../../ui/undo/undo-bar';

/** What was removed: to be put back, or thrown away for good. */
@Component({
  selector: 'oc-bin',
  imports: [DatePipe, MatButtonModule, MatTableModule, StateNote],
  templateUrl: './bin.html',
  styleUrl: '../section-table.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Bin {
  private readonly api = inject(Api);
  private readonly ask = inject(Ask);
  private readonly undo = inject(UndoBar);
  private readonly lists: Readonly<Record<Binned['kind'], { restore(id: string): Observable<unknown> }>> = {
    paper: inject(Papers),
    thing: inject(Things),
    job: inject(Jobs),
    'log entry': inject(Logbook),
    hand: inject(Hands),
    'cutting plan': inject(CuttingPlans),
    trial: inject(Trials),
  };
  protected readonly columns = ['what', 'removed', 'acts'];
  protected readonly all = signal<readonly Binned[] | null>(null);
  protected readonly failed = signal<string | null>(null);

  constructor() {
    this.read();
  }

  protected read(): void {
    this.failed.set(null);
    this.api.call('bin').subscribe({
      next: (all) => this.all.set(all),
      error: (error: unknown) => this.failed.set(failureText(error)),
    });
  }

  protected putBack({ kind, id, title }: Binned): void {
    this.work(this.lists[kind].restore(id), `“${title}” is back.`);
  }

  protected purge({ kind, id, title }: Binned): void {
    this.ask
      .first({
        title: `Throw “${title}” away?`,
        words: `This ${kind} will be gone for good. Earlier backups still have it.`,
        yes: 'Throw it away',
      })
      .subscribe(() => this.work(this.api.call('purge', { id }), `“${title}” is gone.`));
  }

  private work(request: Observable<unknown>, done: string): void {
    request.subscribe({
      next: () => {
        this.undo.done(done);
        this.read();
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
