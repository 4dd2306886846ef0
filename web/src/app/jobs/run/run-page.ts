import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import { toFold } from '@odd-corner/contract';
import { eveningsUntil, notDoneBy, scheduleRun } from '@odd-corner/core';
import { forkJoin, map, type Observable, of, startWith } from 'rxjs';
import * as z from 'zod';
import { keptHere } from '../../data/device';
import { Jobs } from '../../data/jobs';
import { LearnedHands } from '../../data/learned-hands';
import { Codecs } from '../../ui/field/codecs';
import { clock, day, dayOf } from '../../ui/field/day-codec';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { controlOf } from '../../ui/forms/schema-form';
import { saveFile } from '../../ui/save-file';
import { StateNote } from '../../ui/state-note/state-note';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { calendarOf } from './run-calendar';
import { type EveningWork, type JobPiece, type MakeToFold, piecesOf } from './run-pieces';

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;
const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
/** Until when a run goes that nobody said a day of. */
const USUAL_DAYS = 21;

const until = z.string('Write the day until which it is to be done.');
const from = z.number('Write when you begin, for example 19:30.');
const minutes = z
  .number('Write minutes as a number, for example 90.')
  .min(10, 'An evening has 10 minutes at least.')
  .max(720, 'An evening has 12 hours at most.');
const glue = z.number('Write minutes, for example 20.').min(0, 'Not below zero.').max(2880, 'At most two days.');

/** How this device last planned: which days, from when, how long. */
const kept = z.object({
  days: z.array(z.int().min(0).max(6)),
  from: z.number(),
  minutes: z.number(),
  glue: z.number(),
  left: z.array(z.string()).max(500),
});
const USUAL = { days: [1, 2, 3, 4, 5], from: 19 * 60 + 30, minutes: 90, glue: 20, left: [] };

/** Many pieces until a day: how long it takes this hand, evening by evening, what is late, and what to drop. */
@Component({
  selector: 'oc-run-page',
  imports: [
    DatePipe,
    Field,
    MatButtonModule,
    MatButtonToggleModule,
    MatCheckboxModule,
    ReactiveFormsModule,
    RouterLink,
    StateNote,
  ],
  templateUrl: './run-page.html',
  styleUrl: './run-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunPage {
  private readonly jobs = inject(Jobs);
  private readonly learned = inject(LearnedHands);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly codecs = inject(Codecs);
  protected readonly figures = inject(Figures);
  private readonly plan = keptHere('run', (value) => {
    const { success, data } = kept.safeParse(value);
    return success ? data : USUAL;
  });
  protected readonly dayNames = DAYS.map((name, id) => ({ id, name }));
  protected readonly day = day;
  protected readonly clock = clock;
  protected readonly form = new FormGroup({
    until: controlOf<string>(until, dayOf(Date.now() + USUAL_DAYS * DAY_MS)),
    from: controlOf<number>(from, this.plan().from),
    minutes: controlOf<number>(minutes, this.plan().minutes),
    glue: controlOf<number>(glue, this.plan().glue),
  });
  private readonly values = toSignal(this.form.valueChanges.pipe(startWith(null)));
  protected readonly number = computed(() => this.codecs.number('Write minutes as a number, for example 90.'));
  protected readonly days = computed(() => this.plan().days);
  protected readonly state = this.jobs.state;
  protected readonly failed = computed(() => {
    const state = this.state();
    return state.kind === 'failed' ? state.why : null;
  });
  protected readonly rows = this.jobs.rows;
  protected readonly taken = computed(() => this.rows().filter(({ id }) => !this.plan().left.includes(id)));
  /** In which order each make is folded; null while that is worked out. */
  private readonly makes = toSignal(
    toObservable(this.taken).pipe(
      this.troubles.asking((jobs): Observable<readonly Omit<MakeToFold, 'pace'>[] | null> => {
        const asked = jobs.flatMap((job) =>
          job.makes.map((make) =>
            this.folding
              .order(toFold(make.make))
              .pipe(map((order) => (order.ok ? [{ job, make, order: order.value }] : []))),
          ),
        );
        return asked.length
          ? forkJoin(asked).pipe(
              map((all) => all.flat()),
              startWith(null),
            )
          : of([]);
      }),
    ),
    { initialValue: null },
  );
  /** What is to be folded, evening by evening; null while that cannot be said. */
  protected readonly run = computed(() => {
    this.values();
    const makes = this.makes();
    const { until: last, from: begin, minutes: long, glue: dries } = this.form.getRawValue();
    if (!makes || !this.form.valid || !last || begin === null || long === null || dries === null) return null;
    const due = new Date(`${last}T23:59:00`).getTime();
    const now = Date.now();
    const pieces = makes.flatMap(({ job, make, order }) => {
      const { folderHandId } = this.taken().find(({ id }) => id === job.id) ?? { folderHandId: null };
      return piecesOf({ job, make, order, pace: this.learned.paceOf(folderHandId) }, dries);
    });
    const evenings = { days: this.days(), from: begin, minutes: long };
    // It is looked further ahead than the day, so that it can be said when late work would be done.
    const sittings = eveningsUntil(evenings, now, Math.max(due, now) + 365 * DAY_MS);
    const schedule = scheduleRun(pieces, sittings);
    const late = notDoneBy(pieces, schedule, due / MINUTE_MS) as readonly JobPiece[];
    const jobOf = new Map(pieces.map(({ id, job }) => [id, job]));
    const shown = sittings.flatMap((sitting, k) => {
      const slots = schedule.slots.filter((slot) => slot.sitting === k);
      if (!slots.length) return [];
      const work = new Map<string, { job: EveningWork['job']; pieces: Set<string>; minutes: number }>();
      for (const { id, from: a, to: b } of slots) {
        const job = jobOf.get(id)!;
        const row = work.get(job.id) ?? { job, pieces: new Set<string>(), minutes: 0 };
        row.pieces.add(id);
        row.minutes += b - a;
        work.set(job.id, row);
      }
      return [
        {
          from: sitting.from * MINUTE_MS,
          to: slots[slots.length - 1].to * MINUTE_MS,
          late: sitting.from > due / MINUTE_MS,
          work: [...work.values()].map((row): EveningWork => ({ ...row, pieces: row.pieces.size })),
        },
      ];
    });
    const drops = new Map<string, number>();
    for (const { job } of late) drops.set(job.title, (drops.get(job.title) ?? 0) + 1);
    return {
      pieces: pieces.length,
      minutes: pieces.reduce((sum, { parts }) => sum + parts.reduce((all, one) => all + one.minutes, 0), 0),
      end: schedule.end === null ? null : schedule.end * MINUTE_MS,
      bound: schedule.bound === null ? null : schedule.bound * MINUTE_MS,
      evenings: shown,
      late: late.length,
      drops: [...drops].map(([title, count]) => `${count} of “${title}”`),
    };
  });
  /** Whose times it is reckoned by. */
  protected readonly paced = computed(() => {
    const pace = this.learned.paceOf(null);
    if (!pace) return 'Times are those of the forms: nothing is known of your hand yet.';
    const from = pace.pieces === 1 ? 'one time' : `${pace.pieces} times`;
    return `Your hand takes ${this.figures.fixed(pace.times, 2)} times as long as told, from ${from} in the logbook.`;
  });

  constructor() {
    this.jobs.refresh();
    effect(() => {
      this.values();
      const { from: begin, minutes: long, glue: dries } = this.form.getRawValue();
      if (this.form.valid && begin !== null && long !== null && dries !== null)
        this.plan.update((plan) => ({ ...plan, from: begin, minutes: long, glue: dries }));
    });
  }

  protected choose(days: readonly number[]): void {
    this.plan.update((plan) => ({ ...plan, days: [...days].sort() }));
  }

  protected take(id: string, on: boolean): void {
    this.plan.update((plan) => ({ ...plan, left: on ? plan.left.filter((one) => one !== id) : [...plan.left, id] }));
  }

  protected hours(whole: number): string {
    const rounded = Math.round(whole);
    return rounded < 60 ? `${rounded} min` : `${Math.floor(rounded / 60)} h ${rounded % 60} min`;
  }

  protected words(work: readonly EveningWork[]): string {
    return work
      .map(
        ({ job, pieces, minutes: long }) =>
          `${job.title}: ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}, ${this.hours(long)}`,
      )
      .join('\n');
  }

  protected async save(): Promise<void> {
    const run = this.run();
    if (!run) return;
    const sittings = run.evenings.map(({ from: a, to: b, work }) => ({ from: a, to: b, words: this.words(work) }));
    saveFile('folding.ics', await calendarOf(sittings), 'text/calendar');
  }

  protected again(): void {
    this.jobs.refresh();
  }
}
