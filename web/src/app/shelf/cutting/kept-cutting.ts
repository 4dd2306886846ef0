import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Router, RouterLink } from '@angular/router';
import {
  changesSince,
  cuttingAsked,
  type CuttingPlanKept,
  doneOf,
  parentsOf,
  reservedBy,
  stockOf,
} from '@odd-corner/contract';
import { gapInWords } from '@odd-corner/core';
import { finalize, map, type Observable, of, startWith, switchMap } from 'rxjs';
import { ApiFailure, failureText } from '../../data/api';
import { CuttingPlans } from '../../data/cutting-plans';
import { newId } from '../../data/new-id';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { CautionNote } from '../../ui/caution/caution';
import { CutSheet } from '../../ui/cut-sheet/cut-sheet';
import { Figures } from '../../ui/figures/figures';
import { NotHere } from '../../ui/not-here/not-here';
import { StateNote } from '../../ui/state-note/state-note';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Cutting, type CuttingState } from '../../workers/cutting.service';
import { ShelfNav } from '../shelf-nav/shelf-nav';
import { shownCut } from './shown-cuts';

/** A plan that was kept: cut sheet by sheet, printed, and planned anew when the shelf has changed. */
@Component({
  selector: 'oc-kept-cutting',
  imports: [
    CautionNote,
    CutSheet,
    MatButtonModule,
    MatCheckboxModule,
    MatProgressBarModule,
    NotHere,
    RouterLink,
    ShelfNav,
    StateNote,
  ],
  templateUrl: './kept-cutting.html',
  styleUrl: './kept-cutting.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeptCutting {
  readonly id = input.required<string>();
  private readonly plans = inject(CuttingPlans);
  private readonly papers = inject(Papers);
  private readonly cutting = inject(Cutting);
  private readonly settings = inject(WorkshopSettings);
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);

  private readonly held = signal<CuttingPlanKept | null>(null);
  protected readonly failed = signal<string | null>(null);
  protected readonly missing = signal(false);
  protected readonly busy = signal(false);
  protected readonly plan = computed(() => {
    const plan = this.held();
    return plan?.id === this.id() ? plan : null;
  });
  protected readonly ruler = computed(() => this.settings.current().ruler);
  protected readonly page = computed(() => this.settings.current().page);
  protected readonly parents = computed(() => {
    const plan = this.plan();
    return (plan?.parents ?? []).map((parent) => ({
      ...{ id: parent.id, done: parent.done },
      shown: shownCut(parent, plan?.lines ?? [], this.papers.rows()),
    }));
  });
  protected readonly words = computed(() => {
    const plan = this.plan();
    return plan && this.figures.mark(gapInWords(plan.proof));
  });
  protected readonly progress = computed(() => {
    const parents = this.plan()?.parents ?? [];
    const cut = parents.filter(({ done }) => done).length;
    return cut === parents.length ? 'All of it is cut.' : `${cut} of ${parents.length} cut.`;
  });
  /** What makes it impossible as it is; the plan is then made anew. */
  protected readonly changes = computed(() => {
    const plan = this.plan();
    return plan && this.papers.state().kind === 'ready' ? changesSince(plan, this.papers.rows()) : [];
  });
  private readonly asked = computed(() => {
    const plan = this.plan();
    if (!plan || !this.changes().length) return null;
    const stock = stockOf(this.papers.rows(), plan.options, this.settings.current().currency, reservedBy(plan));
    return JSON.stringify(cuttingAsked(plan.lines, plan.options, stock, 'short', doneOf(plan)));
  });
  protected readonly anew = toSignal(
    toObservable(this.asked).pipe(
      switchMap((asked): Observable<CuttingState | null> => {
        if (!asked) return of(null);
        const request = JSON.parse(asked) as ReturnType<typeof cuttingAsked>;
        return this.cutting.plan(request).pipe(
          map((state): CuttingState | null => state),
          startWith<CuttingState | null>(null),
        );
      }),
    ),
    { initialValue: null },
  );
  protected readonly anewParents = computed(() => {
    const state = this.anew();
    return state ? parentsOf(state.plan, this.papers.rows(), newId) : [];
  });
  protected readonly anewShown = computed(() =>
    this.anewParents().map((parent) => shownCut(parent, this.plan()?.lines ?? [], this.papers.rows())),
  );
  protected readonly anewWords = computed(() => {
    const state = this.anew();
    return state && this.figures.mark(gapInWords(state.plan.proof));
  });

  constructor() {
    effect(() => {
      this.id();
      untracked(() => this.read());
    });
  }

  protected read(): void {
    this.failed.set(null);
    this.papers.refresh();
    this.plans.get(this.id()).subscribe({
      next: (plan) => this.held.set(plan),
      error: (error: unknown) => {
        if (error instanceof ApiFailure && (error.status === 404 || error.status === 400)) this.missing.set(true);
        else this.failed.set(failureText(error));
      },
    });
  }

  protected tick(parentId: string, done: boolean): void {
    const plan = this.plan();
    if (!plan || this.busy()) return;
    const words = done
      ? 'Cut: the sheets are off the shelf, what is left is on it.'
      : 'The sheets are back on the shelf.';
    this.send(this.plans.tick(plan, parentId, done), words, (now) => this.plans.tick(now, parentId, !done));
  }

  protected takeAnew(): void {
    const [plan, state] = [this.plan(), this.anew()];
    if (!plan || !state) return;
    const { missing, proof } = state.plan;
    this.send(
      this.plans.planAnew(plan, { parents: [...this.anewParents()], missing: [...missing], proof }),
      'The new plan is kept, its sheets are reserved.',
    );
  }

  protected remove(): void {
    const plan = this.plan();
    if (!plan) return;
    this.plans.remove(plan.id).subscribe({
      next: () => {
        void this.router.navigateByUrl('/shelf/cutting');
        this.undo.done(`“${plan.title}” is removed, its sheets are free.`, () => this.plans.restore(plan.id));
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  protected print(): void {
    window.print();
  }

  private send(
    asked: Observable<CuttingPlanKept>,
    words: string,
    back?: (now: CuttingPlanKept) => Observable<CuttingPlanKept>,
  ): void {
    this.busy.set(true);
    const took = (plan: CuttingPlanKept): void => {
      this.held.set(plan);
      this.papers.refresh();
    };
    asked.pipe(finalize(() => this.busy.set(false))).subscribe({
      next: (plan) => {
        took(plan);
        this.undo.done(words, back && (() => back(plan).pipe(map((now) => took(now)))), 'As it was.');
      },
      error: (error: unknown) => {
        this.undo.failed(error);
        this.read();
      },
    });
  }
}
