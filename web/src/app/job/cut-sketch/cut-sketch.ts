import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Paper } from '@odd-corner/contract';
import type { CutPlan, RulerId } from '@odd-corner/core';
import { Figures } from '../../ui/figures/figures';

/** How the squares lie on the stock, to scale, and what is left over. */
@Component({
  selector: 'oc-cut-sketch',
  templateUrl: './cut-sketch.html',
  styleUrl: './cut-sketch.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CutSketch {
  readonly paper = input.required<Paper>();
  readonly plan = input.required<CutPlan>();
  /** What each square is for, in the plan's order. */
  readonly names = input.required<readonly string[]>();
  /** With which the squares are measured. */
  readonly ruler = input.required<RulerId>();
  private readonly figures = inject(Figures);

  protected readonly sheets = computed(() => {
    const [plan, names, ruler] = [this.plan(), this.names(), this.ruler()];
    const figure = (mm: number): string => this.figures.bare(mm, ruler);
    return Array.from({ length: plan.sheetsUsed }, (_, sheet) => ({
      squares: plan.squares.flatMap((p, k) =>
        p.sheet === sheet ? [{ ...p, name: names[k], size: this.figures.length(p.widthMm, ruler) }] : [],
      ),
      offcuts: plan.offcuts
        .filter((p) => p.sheet === sheet)
        .map((p) => ({ ...p, size: `${figure(p.widthMm)} × ${figure(p.heightMm)}` })),
    }));
  });
  protected readonly fontSize = computed(() => Math.max(this.paper().widthMm, this.paper().heightMm) / 17);
}
