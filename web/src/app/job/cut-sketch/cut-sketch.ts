import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Paper } from '@odd-corner/contract';
import { type CutPlan, lengthFigure, type RulerId, unitOnRuler } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

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
  private readonly settings = inject(WorkshopSettings);

  protected readonly sheets = computed(() => {
    const { plan, unit, names } = {
      plan: this.plan(),
      unit: unitOnRuler(this.ruler(), this.settings.current().unit),
      names: this.names(),
    };
    const figure = (mm: number): string => lengthFigure(mm, unit);
    return Array.from({ length: plan.sheetsUsed }, (_, sheet) => ({
      squares: plan.squares.flatMap((p, k) =>
        p.sheet === sheet ? [{ ...p, name: names[k], size: `${figure(p.widthMm)} ${unit}` }] : [],
      ),
      offcuts: plan.offcuts
        .filter((p) => p.sheet === sheet)
        .map((p) => ({ ...p, size: `${figure(p.widthMm)} × ${figure(p.heightMm)}` })),
    }));
  });
  protected readonly fontSize = computed(() => Math.max(this.paper().widthMm, this.paper().heightMm) / 17);
}
