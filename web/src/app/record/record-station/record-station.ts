import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { Router } from '@angular/router';
import {
  type JobMake,
  type NewLogEntry,
  newLogEntry,
  planMake,
  type Predicted,
  sheetsFrom,
  toFold,
} from '@odd-corner/contract';
import { catchError, from, map, type Observable, of, throwError } from 'rxjs';
import { Logbook } from '../../data/logbook';
import { newId } from '../../data/new-id';
import { Papers } from '../../data/papers';
import { JobInHand } from '../../job/job-in-hand';
import { isGone, Outbox } from '../../offline/outbox';
import { Figures } from '../../ui/figures/figures';
import { Sending } from '../../ui/forms/sending';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { Troubles } from '../../ui/troubles/troubles';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Folding } from '../../workers/folding.service';
import { type PaperUsed, RecordFields, type Written, type WrittenFirst } from '../record-fields/record-fields';

const SHORTEST_SECONDS = 30;

/** What came out of a job: recorded, it is in the logbook. */
@Component({
  selector: 'oc-record-station',
  imports: [MatButtonModule, PaperModel, RecordFields],
  providers: [Sending],
  templateUrl: './record-station.html',
  styleUrl: './record-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordStation {
  protected readonly inHand = inject(JobInHand);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly logbook = inject(Logbook);
  private readonly papers = inject(Papers);
  private readonly outbox = inject(Outbox);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);
  private readonly figures = inject(Figures);
  protected readonly sending = inject(Sending);
  private readonly fields = viewChild.required(RecordFields);
  /** Of what is being written down: one visit writes one thing. */
  private readonly id = newId();

  protected readonly make = this.inHand.make;
  /** The papers of the shelf that went into it, each once. */
  protected readonly used = computed((): readonly PaperUsed[] => {
    const { make, count, cut, inPlan } = this.make();
    if (cut) {
      // As it is cut: from offcuts too.
      const taken = new Map<string, number>();
      for (const { paperId, sheets } of cut.plan.parents) taken.set(paperId, (taken.get(paperId) ?? 0) + sheets);
      return this.papers.rows().flatMap(({ id, name, count: left }): PaperUsed[] => {
        const sheets = taken.get(id);
        return sheets ? [{ id, name, sheets, hint: `${this.figures.count(left)} on the shelf` }] : [];
      });
    }
    const ids = new Set(make.entries.flatMap(({ papers }) => papers));
    const own = this.papers.rows().filter(({ id }) => ids.has(id));
    // What it takes does not depend on what is left.
    const plan = planMake(
      make,
      count,
      own.map((paper) => ({ ...paper, free: MANY })),
    );
    return own.map(({ id, name, count: left }) => ({
      ...{ id, name, sheets: sheetsFrom(plan, id) },
      hint: inPlan ? `cut with “${inPlan.title}”` : `${this.figures.count(left)} on the shelf`,
    }));
  });
  protected readonly first = computed((): WrittenFirst => ({
    copies: this.make().count,
    minutes: minutesOf(this.make()),
    folderHandId: this.inHand.job().folderHandId,
  }));
  /** What was predicted for it; computed now where it was not stored. */
  protected readonly predicted = toSignal(
    toObservable(this.make).pipe(
      this.troubles.asking(({ told, make }) =>
        told
          ? of<Predicted>(told.sizes)
          : this.folding
              .foretold(toFold(make), this.inHand.handMm())
              .pipe(map((answer): Predicted => (answer.ok ? answer.value : {}))),
      ),
    ),
    { initialValue: null },
  );
  protected readonly scene = toSignal(
    toObservable(this.make).pipe(
      this.troubles.asking(({ make }) =>
        this.folding
          .pieceStates({ make: toFold(make), purpose: this.inHand.purpose(), options: this.inHand.options() })
          .pipe(map(([finished]) => finished.scene)),
      ),
    ),
    { initialValue: null },
  );

  /** What the server could not be asked for waits on this device. */
  private keptHere(draft: NewLogEntry, error: unknown): Observable<null> {
    if (!isGone(error)) return throwError(() => error);
    const words = `logbook: ${this.inHand.job().title}`;
    return from(this.outbox.keep('addLogEntry', { body: draft }, words)).pipe(map(() => null));
  }

  protected record(written: Written): void {
    if (this.sending.now()) return;
    const { id: jobId } = this.inHand.job();
    const draft = newLogEntry.parse({ ...written, id: this.id, jobId, makeId: this.make().id });
    const { form } = this.fields();
    const placeOf = this.fields().placeOf(written);
    const recorded = this.logbook.record(draft).pipe(catchError((error: unknown) => this.keptHere(draft, error)));
    this.sending.send(recorded, { form, placeOf }).subscribe((entry) => {
      if (entry === null) {
        this.undo.done('Kept on this device: it goes into the logbook when the server is there again.');
        void this.router.navigate(['/jobs']);
        return;
      }
      const taken = entry.sheetsUsed
        .filter((one) => one.paperName && one.sheets)
        .map((one) => ` ${one.sheets} of ${one.paperName} taken off the shelf.`)
        .join('');
      this.undo.done(
        `In the logbook.${taken}`,
        () => this.logbook.remove(entry.id),
        'Taken out again; the sheets are back on the shelf.',
      );
      void this.router.navigate(['/logbook']);
    });
  }
}

/** More sheets than anything takes. */
const MANY = 1_000_000;

/** The time at the table, once it is worth telling. */
function minutesOf({ progress }: JobMake): number | null {
  const seconds = progress.reduce((sum, one) => sum + one.seconds, 0);
  return seconds >= SHORTEST_SECONDS ? Math.round(seconds / 60) : null;
}
