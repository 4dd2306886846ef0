import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import {
  cuttingAsked,
  type CutPlanKept,
  type Job,
  linesOf,
  makesOwnPlan,
  type Paper,
  planMake,
  stockOf,
  USUAL_CUTTING,
} from '@odd-corner/contract';
import { caliperOf, entryNames, formById, gapInWords, planCuts } from '@odd-corner/core';
import { catchError, finalize, map, type Observable, of, startWith, switchMap } from 'rxjs';
import { failureText } from '../../data/api';
import { Jobs } from '../../data/jobs';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { CautionNote } from '../../ui/caution/caution';
import { CutSheet, type ShownCut } from '../../ui/cut-sheet/cut-sheet';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { Figures } from '../../ui/figures/figures';
import { Icon } from '../../ui/icon/icon';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Cutting, type CuttingState } from '../../workers/cutting.service';
import { JobInHand } from '../job-in-hand';

interface Planning {
  readonly state: CuttingState | null;
  readonly failed: string | null;
}

/** How the chosen papers and what was left of them give the sheets: what lies where, cut by cut on the ruler’s marks, and what is left. */
@Component({
  selector: 'oc-cut-station',
  imports: [CautionNote, CutSheet, Icon, MatButtonModule, MatProgressBarModule, RouterLink],
  templateUrl: './cut-station.html',
  styleUrl: './cut-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CutStation {
  protected readonly inHand = inject(JobInHand);
  private readonly papers = inject(Papers);
  private readonly jobs = inject(Jobs);
  private readonly cutting = inject(Cutting);
  private readonly settings = inject(WorkshopSettings);
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);
  protected readonly busy = signal(false);

  protected readonly cut = computed(() => this.inHand.make().cut);
  protected readonly inPlan = computed(() => this.inHand.make().inPlan);
  protected readonly ruler = computed(() => this.inHand.make().asked.options.ruler);
  private readonly names = computed(() => {
    const { make } = this.inHand.make();
    return entryNames(formById(make.formId), make.params);
  });
  private readonly lines = computed(() =>
    linesOf(this.inHand.make(), this.papers.rows(), (key) => this.names().get(key) ?? key),
  );
  private readonly asked = computed(() => {
    const stock = stockOf(this.papers.rows(), USUAL_CUTTING, this.settings.current().currency);
    const own = new Set(this.lines().flatMap(({ papers }) => papers ?? []));
    // What is accepted stays as it is; what is in a plan with others is cut there.
    return this.cut() || this.inPlan() || !this.lines().length
      ? null
      : cuttingAsked(
          this.lines(),
          USUAL_CUTTING,
          stock.filter(({ id }) => own.has(id)),
          'short',
        );
  });
  private readonly planning = toSignal(
    toObservable(computed(() => JSON.stringify(this.asked()))).pipe(
      switchMap((): Observable<Planning> => {
        const asked = this.asked();
        if (!asked) return of({ state: null, failed: null });
        return this.cutting.plan(asked).pipe(
          map((state): Planning => ({ state, failed: null })),
          startWith({ state: null, failed: null }),
          catchError((error: unknown) => of({ state: null, failed: failureText(error) })),
        );
      }),
    ),
    { initialValue: { state: null, failed: null } },
  );
  protected readonly failed = computed(() => this.planning().failed);
  protected readonly working = computed(() => {
    const { state, failed } = this.planning();
    return this.asked() !== null && !failed && state?.working !== null;
  });
  private readonly plan = computed(() => this.planning().state?.plan ?? null);
  protected readonly whole = computed(() => this.plan()?.proof.whole ?? false);
  protected readonly gap = computed(() => {
    const plan = this.plan();
    return plan && !this.working() ? this.figures.mark(gapInWords(plan.proof)) : null;
  });
  private readonly planned = computed(() => {
    const plan = this.plan();
    return plan && makesOwnPlan(plan, this.lines());
  });
  /** The plan that was accepted, else the one that is proposed. */
  private readonly shownPlan = computed((): CutPlanKept | null => this.cut()?.plan ?? this.planned());
  protected readonly sheets = computed(() => {
    const keys = [...new Set(this.inHand.make().make.entries.map(({ key }) => key))];
    return (this.shownPlan()?.parents ?? []).map((kept): ShownCut => {
      const paper = this.inHand.paperOf(kept.paperId);
      const { sheets, pieces, cuts = [], offcuts = [] } = paper ? withCuts(kept, paper) : kept;
      return {
        ...{ paper: paper?.name ?? 'a paper that was removed', colours: coloursOf(paper) },
        size: paper ?? extentOf(pieces),
        caliperMm: paper ? caliperOf(paper) : this.inHand.make().make.entries[0].thicknessMm,
        names: keys.map((key) => this.names().get(key) ?? key),
        parent: {
          ...{ sheets, cuts, offcuts },
          pieces: pieces.map(({ entryKey, ...piece }) => ({ ...piece, wanted: keys.indexOf(entryKey) })),
        },
      };
    });
  });
  /** What the papers that were chosen do not give. */
  protected readonly missing = computed(() => {
    const plan = this.plan();
    return this.lines().flatMap(({ name, count, papers }, k) => {
      const lacking = plan?.missing[k] ?? 0;
      const paper = this.inHand.paperOf(papers?.[0] ?? null);
      return lacking ? [`${paper?.name ?? 'The paper'} gives ${count - lacking} of ${count} sheets for ${name}.`] : [];
    });
  });
  protected readonly elsewhere = computed(() => {
    const { make, count } = this.inHand.make();
    const there = this.papers.rows().map((paper) => ({ ...paper, free: 0 }));
    return planMake(make, count, there).elsewhere.map(({ entryKey, count: n }) => {
      const entry = make.entries.find(({ key }) => key === entryKey);
      const sides = entry
        ? [entry.sheet.widthMm, entry.sheet.heightMm].map((mm) => this.figures.length(mm, this.ruler()))
        : [];
      return `${n} × ${this.names().get(entryKey) ?? entryKey}: ${sides.join(' × ')}`;
    });
  });
  protected readonly takes = computed(() => {
    const taken = new Map<string, number>();
    for (const { paperId, sheets } of this.shownPlan()?.parents ?? [])
      taken.set(paperId, (taken.get(paperId) ?? 0) + sheets);
    return [...taken].map(([id, sheets]) => `${sheets} of ${this.nameOf(this.inHand.paperOf(id))}`);
  });

  private nameOf(paper: Paper | null): string {
    return paper?.name ?? 'a paper that was removed';
  }

  protected accept(): void {
    const plan = this.planned();
    if (plan)
      this.send(this.jobs.acceptCut(this.inHand.make().id, this.inHand.job(), plan), 'The sheets are reserved.');
  }

  protected move(how: 'dropCut' | 'doneCut' | 'undoneCut', words: string): void {
    this.send(this.jobs.moveCut(how, this.inHand.make().id, this.inHand.job()), words);
  }

  private send(asked: Observable<Job>, words: string): void {
    this.busy.set(true);
    asked.pipe(finalize(() => this.busy.set(false))).subscribe({
      next: (job) => {
        this.inHand.took(job);
        // Counts on the shelf have changed with it.
        this.papers.refresh();
        this.undo.done(words);
      },
      error: (error: unknown) => {
        this.undo.failed(error);
        this.inHand.reload();
        this.papers.refresh();
      },
    });
  }
}

type Parent = CutPlanKept['parents'][number];

/** Plans that were kept before cuts were: their pieces laid out anew on the same sheet. */
function withCuts(parent: Parent, { widthMm, heightMm }: Paper): Parent {
  if (parent.cuts) return parent;
  const wanted = parent.pieces.map((piece) => ({
    outline: { widthMm: piece.widthMm, heightMm: piece.heightMm },
    ...{ mayTurn: true, grain: null, side: null, trim: 0, count: 1, from: null },
  }));
  const sheet = {
    id: '',
    version: 1,
    size: { widthMm, heightMm },
    runs: null,
    margins: 0,
    count: 1,
    offcut: false,
    cost: null,
  };
  const { parents, missing } = planCuts(wanted, [sheet]);
  if (!parents.length || missing.some((n) => n > 0)) return parent;
  const [{ pieces, cuts, offcuts }] = parents;
  return {
    ...{ ...parent, cuts: [...cuts], offcuts: [...offcuts] },
    pieces: pieces.map(({ wanted: k, ...piece }) => ({ ...piece, entryKey: parent.pieces[k].entryKey })),
  };
}

/** How far pieces reach, where the sheet that they came from is not known any more. */
function extentOf(pieces: Parent['pieces']): {
  readonly widthMm: number;
  readonly heightMm: number;
} {
  return {
    widthMm: Math.max(...pieces.map(({ xMm, widthMm }) => xMm + widthMm)),
    heightMm: Math.max(...pieces.map(({ yMm, heightMm }) => yMm + heightMm)),
  };
}
