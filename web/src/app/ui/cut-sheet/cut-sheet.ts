import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  type CutReading,
  cutPicture,
  cutReadings,
  type CutTool,
  type PlannedParent,
  type RulerId,
  scrapOf,
  stacked,
} from '@odd-corner/core';
import { DrawingView } from '../drawing-view/drawing-view';
import type { SideColours } from '../drawing-view/paper-colours';
import { Figures } from '../figures/figures';

/** A sheet that is cut, as many alike as there are, and what its pieces are called. */
export interface ShownCut {
  readonly paper: string;
  readonly size: { readonly widthMm: number; readonly heightMm: number };
  readonly caliperMm: number;
  readonly colours: SideColours;
  readonly parent: Pick<PlannedParent, 'sheets' | 'pieces' | 'cuts' | 'offcuts'>;
  /** By what `wanted` says. */
  readonly names: readonly string[];
}

const WHOLE_MM = 1e-6;
/** Smaller shares of a sheet are not told. */
const LEAST_SHARE = 0.005;

/** One sheet of a cutting plan to scale: its cuts by number in the order of hands, on the ruler’s marks, and what becomes of the rest. */
@Component({
  selector: 'oc-cut-sheet',
  imports: [DrawingView],
  templateUrl: './cut-sheet.html',
  styleUrl: './cut-sheet.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CutSheet {
  readonly shown = input.required<ShownCut>();
  readonly ruler = input.required<RulerId>();
  readonly lossMm = input(0);
  readonly tool = input<CutTool>('knife');
  private readonly figures = inject(Figures);

  protected readonly title = computed(() => {
    const { parent, paper } = this.shown();
    return `${parent.sheets > 1 ? `${parent.sheets} sheets` : 'One sheet'} of ${paper}`;
  });
  protected readonly size = computed(() => {
    const { widthMm, heightMm } = this.shown().size;
    return this.figures.sizes([widthMm, heightMm]);
  });
  protected readonly picture = computed(() => {
    const { parent, size, names } = this.shown();
    // On the picture without the job that it is for, which would not fit.
    return cutPicture(parent, size, (k) => names[k]?.split(': ').pop() ?? '');
  });
  protected readonly pieces = computed(() => {
    const { parent, names } = this.shown();
    return names.flatMap((name, k) => {
      const n = parent.pieces.filter(({ wanted }) => wanted === k).length;
      return n ? [`${n} × ${name}`] : [];
    });
  });
  protected readonly cuts = computed(() =>
    cutReadings(this.shown().parent, this.ruler(), this.lossMm()).map((one) => this.wordsOf(one)),
  );
  protected readonly stack = computed(() => {
    const { parent, caliperMm } = this.shown();
    if (parent.sheets < 2 || !parent.cuts.length) return null;
    const { atOnce, goes } = stacked(parent.sheets, caliperMm, this.tool());
    if (atOnce < 2) return `Too thick to stack: cut the ${parent.sheets} sheets one by one.`;
    const times = goes === 1 ? 'all at once' : `in ${goes} stacks`;
    return `All alike: up to ${atOnce} in a stack, so ${times}. Hold the stack at its edges with clips.`;
  });
  protected readonly kept = computed(() =>
    this.shown().parent.offcuts.map(({ widthMm, heightMm }) => this.figures.sizes([widthMm, heightMm])),
  );
  protected readonly scrap = computed(() => {
    const { parent, size } = this.shown();
    const lost = scrapOf(parent, size, this.lossMm()).reduce((sum, one) => sum + one.widthMm * one.heightMm, 0);
    const share = lost / (size.widthMm * size.heightMm);
    return share < LEAST_SHARE ? null : `Scrap: ${this.figures.fixed(100 * share, 0)} % of the sheet.`;
  });
  /** Whether the first cut only squares the sheet: a corner that is folded over shows where. */
  protected readonly squared = computed(() => {
    const { parent, size } = this.shown();
    const [first] = parent.cuts;
    if (!first) return false;
    const short = Math.min(size.widthMm, size.heightMm);
    return Math.abs(first.atMm - short) < WHOLE_MM && Math.max(size.widthMm, size.heightMm) - short > WHOLE_MM;
  });

  private wordsOf({ cut, atMm, fromFarMm, between }: CutReading): string {
    const { size } = this.shown();
    const { piece, runs } = cut;
    const whole = piece.widthMm === size.widthMm && piece.heightMm === size.heightMm;
    const of = whole ? '' : ` of the piece ${this.figures.sizes([piece.widthMm, piece.heightMm])}`;
    const [at, beyond] = [atMm, fromFarMm].map((mm) => this.figures.length(mm, this.ruler()));
    const note = between ? ' It falls between two marks: measure as near as you can.' : '';
    return runs === 'upright'
      ? `Upright, ${at} from the left edge${of}, ${beyond} from the right.${note}`
      : `Level, ${at} from the near edge${of}, ${beyond} from the far one.${note}`;
  }
}
