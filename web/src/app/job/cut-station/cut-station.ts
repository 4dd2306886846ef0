import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { freeOf, isWhole, type Job, keptPlan, type Paper, planMake, sheetsFrom } from '@odd-corner/contract';
import { cutPicture, entryNames, formById, type PlannedParent, type StraightCut } from '@odd-corner/core';
import { finalize, type Observable } from 'rxjs';
import { Jobs } from '../../data/jobs';
import { Papers } from '../../data/papers';
import { CautionNote } from '../../ui/caution/caution';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { Figures } from '../../ui/figures/figures';
import { Icon } from '../../ui/icon/icon';
import { UndoBar } from '../../ui/undo/undo-bar';
import { JobInHand } from '../job-in-hand';

const WHOLE_MM = 1e-6;

/** How the chosen papers give the sheets: what lies where, cut by cut on the ruler’s marks, and what is left. */
@Component({
  selector: 'oc-cut-station',
  imports: [CautionNote, DrawingView, Icon, MatButtonModule, RouterLink],
  templateUrl: './cut-station.html',
  styleUrl: './cut-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CutStation {
  protected readonly inHand = inject(JobInHand);
  private readonly papers = inject(Papers);
  private readonly jobs = inject(Jobs);
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);
  protected readonly busy = signal(false);

  protected readonly cut = computed(() => this.inHand.make().cut);
  private readonly plan = computed(() => {
    const { make, count, cut } = this.inHand.make();
    const kept = (id: string): number =>
      (cut?.plan.parents ?? []).reduce((sum, { paperId, sheets }) => sum + (paperId === id ? sheets : 0), 0);
    // What it keeps for itself is there for it; what is cut already lies on the table.
    const stock = this.papers.rows().map((paper) => ({ ...paper, free: freeOf(paper) + kept(paper.id) }));
    return planMake(make, count, stock);
  });
  protected readonly whole = computed(() => isWhole(this.plan()));
  protected readonly kept = computed(() => keptPlan(this.plan()));
  private readonly names = computed(() => {
    const { make } = this.inHand.make();
    return entryNames(formById(make.formId), make.params);
  });
  /** Paper by paper: each sheet that is cut alike once. */
  protected readonly sheets = computed(() =>
    this.plan().papers.flatMap((share) => {
      const paper = this.inHand.paperOf(share.paperId)!;
      const name = (k: number): string => this.nameOf(share.wanted[k].entryKey);
      return share.planned.parents.map((parent, k) => ({
        id: `${paper.id} ${k}`,
        title: `${parent.sheets > 1 ? `${parent.sheets} sheets` : 'One sheet'} of ${paper.name}`,
        size: this.figures.sizes([paper.widthMm, paper.heightMm]),
        pieces: share.wanted.flatMap((_, w) => {
          const n = parent.pieces.filter(({ wanted }) => wanted === w).length;
          return n ? [`${n} × ${name(w)}`] : [];
        }),
        picture: cutPicture(parent, paper, name),
        colours: coloursOf(paper),
        cuts: parent.cuts.map((one) => this.wordsOf(one, paper)),
        squared: this.squares(parent, paper),
        left: parent.offcuts.map(({ widthMm, heightMm }) => this.figures.sizes([widthMm, heightMm])),
      }));
    }),
  );
  /** What no paper that was chosen gives. */
  protected readonly missing = computed(() =>
    this.plan().papers.flatMap(({ paperId, wanted, planned }) => {
      const paper = this.inHand.paperOf(paperId)!;
      return wanted.flatMap(({ entryKey, count }, k) =>
        planned.missing[k]
          ? [`${paper.name} gives ${count - planned.missing[k]} of ${count} sheets for ${this.nameOf(entryKey)}.`]
          : [],
      );
    }),
  );
  protected readonly elsewhere = computed(() => {
    const { make } = this.inHand.make();
    const { ruler } = this.inHand.make().asked.options;
    return this.plan().elsewhere.map(({ entryKey, count }) => {
      const { sheet } = make.entries.find(({ key }) => key === entryKey)!;
      const sides = [sheet.widthMm, sheet.heightMm].map((mm) => this.figures.length(mm, ruler)).join(' × ');
      return `${count} × ${this.nameOf(entryKey)}: ${sides}`;
    });
  });
  protected readonly takes = computed(() =>
    this.plan().papers.map(({ paperId }) => {
      const paper = this.inHand.paperOf(paperId)!;
      return `${sheetsFrom(this.plan(), paperId)} of ${paper.name}`;
    }),
  );

  private nameOf(entryKey: string): string {
    return this.names().get(entryKey) ?? entryKey;
  }

  private wordsOf({ piece, runs, atMm }: StraightCut, paper: Paper): string {
    const { ruler } = this.inHand.make().asked.options;
    const whole = piece.widthMm === paper.widthMm && piece.heightMm === paper.heightMm;
    const of = whole ? '' : ` of the piece ${this.figures.sizes([piece.widthMm, piece.heightMm])}`;
    const at = this.figures.length(atMm, ruler);
    return runs === 'upright'
      ? `Upright, ${at} from the left edge${of}: mark the near and the far edge.`
      : `Level, ${at} from the near edge${of}: mark the left and the right edge.`;
  }

  /** Whether the first cut only squares the sheet: a corner that is folded over shows where. */
  private squares({ cuts: [first] }: PlannedParent, { widthMm, heightMm }: Paper): boolean {
    if (!first) return false;
    const short = Math.min(widthMm, heightMm);
    return Math.abs(first.atMm - short) < WHOLE_MM && Math.max(widthMm, heightMm) - short > WHOLE_MM;
  }

  protected accept(): void {
    const plan = this.kept();
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
