import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink } from '@angular/router';
import { type CuttingLine, cuttingAsked, isToCut, linesOf, name, parentsOf, stockOf } from '@odd-corner/contract';
import { entryNames, formById, gapInWords, parseCuttingList, SHELF } from '@odd-corner/core';
import {
  catchError,
  debounceTime,
  filter,
  finalize,
  map,
  type Observable,
  of,
  startWith,
  switchMap,
  takeUntil,
} from 'rxjs';
import { failureText } from '../../data/api';
import { CuttingPlans } from '../../data/cutting-plans';
import { Jobs } from '../../data/jobs';
import { newId } from '../../data/new-id';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { CautionNote } from '../../ui/caution/caution';
import { CutSheet } from '../../ui/cut-sheet/cut-sheet';
import { Field } from '../../ui/field/field';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { Figures } from '../../ui/figures/figures';
import { controlOf } from '../../ui/forms/schema-form';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Cutting, type CuttingState } from '../../workers/cutting.service';
import { ShelfNav } from '../shelf-nav/shelf-nav';
import { type Draft, draftKept, dropDraft, keepDraft } from './cutting-draft';
import { CuttingRules } from './cutting-rules/cutting-rules';
import { shownCut } from './shown-cuts';

/** How long typing rests before it is planned, in ms. */
const REST_MS = 400;
interface Planning {
  /** What it is for: an answer to what was asked before is of no use. */
  readonly request: string | null;
  readonly state: CuttingState | null;
  readonly failed: string | null;
}

/** Plans how sheets that are typed, or that planned jobs need, come out of what lies on the shelf. */
@Component({
  selector: 'oc-new-cutting',
  imports: [
    CautionNote,
    CutSheet,
    CuttingRules,
    Field,
    FigurePipe,
    MatButtonModule,
    MatCheckboxModule,
    MatExpansionModule,
    MatFormFieldModule,
    MatInputModule,
    MatProgressBarModule,
    MatSelectModule,
    RouterLink,
    ShelfNav,
  ],
  templateUrl: './new-cutting.html',
  styleUrl: './new-cutting.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewCutting {
  /** A job, or several, whose sheets are wanted: from the address. */
  readonly job = input<string | readonly string[]>();
  private readonly papers = inject(Papers);
  private readonly jobs = inject(Jobs);
  private readonly plans = inject(CuttingPlans);
  private readonly cutting = inject(Cutting);
  private readonly settings = inject(WorkshopSettings);
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);

  private readonly draft = draftKept();
  protected readonly text = signal(this.draft.text);
  protected readonly options = signal(this.draft.options);
  /** The papers that typed sheets may come from; none for any. */
  protected readonly from = signal<readonly string[]>(this.draft.papers);
  protected readonly title: FormControl<string | null> = controlOf<string>(name, this.draft.title);
  private readonly titled = toSignal(this.title.valueChanges.pipe(startWith(this.draft.title)));
  protected readonly picked = linkedSignal(() => new Set([this.job() ?? []].flat()));
  protected readonly sending = signal(false);
  /** The request that is to be thought about for longer. */
  private readonly longer = signal<string | null>(null);
  private readonly stopped = signal<string | null>(null);

  protected readonly ruler = computed(() => this.settings.current().ruler);
  protected readonly choices = computed(() => this.papers.rows().filter(({ count }) => count > 0));
  /** Planned jobs whose sheets come from the shelf and are not cut. */
  protected readonly toCut = computed(() =>
    this.jobs.rows().flatMap((job) => {
      const lines = job.makes
        .filter((make) => isToCut(job, make) && SHELF.has(make.make.formId))
        .flatMap((make) => {
          const names = entryNames(formById(make.make.formId), make.make.params);
          return linesOf(make, this.papers.rows(), (key) => `${job.title}: ${names.get(key) ?? key}`);
        });
      const pieces = lines.reduce((sum, one) => sum + one.count, 0);
      return pieces ? [{ id: job.id, title: job.title, lines, pieces }] : [];
    }),
  );
  protected readonly read = computed(() => parseCuttingList(this.text(), this.settings.current().unit));
  protected readonly lines = computed((): readonly CuttingLine[] => {
    const papers = this.from().length ? [...this.from()] : null;
    const typed = this.read().sheets.map(({ name: called, ...sheet }): CuttingLine => ({
      ...sheet,
      name: (called || this.figures.sizes([sheet.widthMm, sheet.heightMm])).slice(0, 80),
      ...{ papers, makeId: null, entryKey: null },
    }));
    const picked = this.picked();
    return [...this.toCut().flatMap(({ id, lines }) => (picked.has(id) ? lines : [])), ...typed];
  });
  private readonly request = computed(() => {
    const lines = this.lines();
    if (!lines.length || this.papers.state().kind !== 'ready') return null;
    const options = this.options();
    // What picked jobs keep by themselves is given up for the plan.
    const kept = new Map<string, number>();
    for (const job of this.jobs.rows())
      if (this.picked().has(job.id))
        for (const { cut } of job.makes)
          for (const { paperId, sheets } of cut && !cut.done ? cut.plan.parents : [])
            kept.set(paperId, (kept.get(paperId) ?? 0) + sheets);
    const stock = stockOf(this.papers.rows(), options, this.settings.current().currency, kept);
    return JSON.stringify(cuttingAsked(lines, options, stock, 'short'));
  });
  private readonly work = computed(() => {
    const request = this.request();
    return { request, long: request !== null && this.longer() === request };
  });
  private readonly stops = toObservable(this.stopped);
  private readonly planning = toSignal(
    toObservable(this.work).pipe(
      debounceTime(REST_MS),
      switchMap(({ request, long }): Observable<Planning> => {
        if (!request) return of({ request, state: null, failed: null });
        const asked = JSON.parse(request) as ReturnType<typeof cuttingAsked>;
        const found = this.cutting.plan({ ...asked, patience: long ? 'long' : 'short' }).pipe(
          map((state): Planning => ({ request, state, failed: null })),
          catchError((error: unknown) => of<Planning>({ request, state: null, failed: failureText(error) })),
        );
        // Who stops it keeps what is there.
        return found.pipe(takeUntil(this.stops.pipe(filter((stopped) => stopped === request))));
      }),
    ),
    { initialValue: { request: null, state: null, failed: null } },
  );
  /** What is known of what is asked now. */
  private readonly known = computed(() => {
    const planning = this.planning();
    return planning.request === this.request() ? planning : null;
  });
  protected readonly failed = computed(() => this.known()?.failed ?? null);
  protected readonly plan = computed(() => this.known()?.state?.plan ?? null);
  protected readonly working = computed(() => {
    const request = this.request();
    return request !== null && !this.failed() && this.stopped() !== request && this.known()?.state?.working !== null;
  });
  protected readonly gap = computed(() => {
    const plan = this.plan();
    return plan && this.figures.mark(gapInWords(plan.proof));
  });
  protected readonly mayBeBetter = computed(() => {
    const plan = this.plan();
    if (!plan?.proof.whole || this.working()) return false;
    const { value, least } = plan.proof;
    return least !== null && least < value * (1 - 1e-7) && this.longer() !== this.request();
  });
  protected readonly parents = computed(() => {
    const plan = this.plan();
    return plan ? parentsOf(plan, this.papers.rows(), newId) : [];
  });
  protected readonly shown = computed(() =>
    this.parents().map((parent) => shownCut(parent, this.lines(), this.papers.rows())),
  );
  protected readonly missing = computed(() => {
    const plan = this.plan();
    return this.lines().flatMap((line, k) => {
      const lacking = plan?.missing[k] ?? 0;
      return lacking ? [`${lacking} of ${line.count} × ${line.name}`] : [];
    });
  });
  protected readonly sheets = computed(() => this.parents().reduce((sum, one) => sum + one.sheets, 0));
  /** What a plan is called that nobody has named. */
  protected readonly usualTitle = computed(() => {
    const [first, ...more] = this.lines();
    if (!first) return '';
    const called = first.name.split(':')[0];
    return `${called}${more.length ? ` and ${more.length} more` : ''}`.slice(0, 80);
  });

  constructor() {
    this.papers.refresh();
    this.jobs.refresh();
    effect(() => {
      const draft: Draft = {
        ...{ text: this.text(), papers: this.from(), options: this.options() },
        title: this.titled() ?? '',
      };
      untracked(() => keepDraft(draft));
    });
  }

  protected pick(id: string, on: boolean): void {
    const next = new Set(this.picked());
    if (on) next.add(id);
    else next.delete(id);
    this.picked.set(next);
  }

  protected stop(): void {
    this.stopped.set(this.request());
  }

  protected searchLonger(): void {
    this.stopped.set(null);
    this.longer.set(this.request());
  }

  protected keep(): void {
    const plan = this.plan();
    if (!plan || this.sending()) return;
    const title = name.safeParse(this.title.value).data ?? this.usualTitle();
    this.sending.set(true);
    this.plans
      .add({
        ...{ id: newId(), title, lines: [...this.lines()], options: this.options() },
        ...{ parents: [...this.parents()], missing: [...plan.missing], proof: plan.proof },
      })
      .pipe(finalize(() => this.sending.set(false)))
      .subscribe({
        next: ({ id }) => {
          dropDraft();
          void this.router.navigate(['/shelf/cutting', id]);
          this.undo.done(
            'The plan is kept, its sheets are reserved.',
            () => this.plans.remove(id),
            'They are free again.',
          );
        },
        error: (error: unknown) => {
          this.undo.failed(error);
          // Somebody may have been quicker.
          this.papers.refresh();
          this.jobs.refresh();
        },
      });
  }
}
