import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatRadioModule } from '@angular/material/radio';
import { type RulerId, WAY_NAMES } from '@odd-corner/core';
import { FoldStrip } from '../../../marks/fold-strip/fold-strip';
import type { PaperColours } from '../../../ui/drawing-view/paper-colours';
import { Figures } from '../../../ui/figures/figures';
import type { MarkChoice, WayShown } from '../../../workers/mark-tasks';

/** Less of a crease than this, in mm, is not worth a word. */
const SEEN_MM = 1;
/** Nearer than this, in mm, nobody sees a miss. */
const TOLD_MM = 0.05;

/** The ways to find a mark, side by side: one is taken, all can be looked at. */
@Component({
  selector: 'oc-mark-choice',
  imports: [FoldStrip, MatExpansionModule, MatRadioModule],
  templateUrl: './mark-choice.html',
  styleUrl: './mark-choice.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarkChoiceCard {
  readonly choice = input.required<MarkChoice>();
  /** What the mark is called. */
  readonly called = input.required<string>();
  readonly mm = input.required<number>();
  readonly ruler = input.required<RulerId>();
  readonly colours = input.required<PaperColours>();
  readonly chose = output<string>();
  private readonly figures = inject(Figures);

  protected readonly ways = computed(() =>
    this.choice().ways.map((way) => ({ way, name: WAY_NAMES[way.kind], facts: this.facts(way) })),
  );
  protected readonly taken = computed(() => {
    const way = this.choice().ways.find(({ id }) => id === this.choice().wayId);
    return way ? [WAY_NAMES[way.kind], ...this.facts(way).slice(0, 2)].join(' · ') : '';
  });

  /** What tells ways apart, the error first. */
  private facts(way: WayShown): readonly string[] {
    const { kind, exact, expectedMm, worstMm, biasMm, folds, seen, halving, by } = way;
    const small = (mm: number): string => this.figures.fixed(mm, mm < 1 ? 2 : 1);
    const sight = Math.max(seen.white, seen.coloured);
    return [
      kind === 'ruler'
        ? 'as exact as your folds'
        : `misses by about ${small(expectedMm)} mm, ${small(worstMm)} at worst`,
      ...(folds.length ? [`${folds.length} ${folds.length === 1 ? 'fold' : 'folds'} more`] : []),
      ...(kind === 'folds' ? [exact ? 'exact in itself' : `${small(Math.abs(biasMm))} mm beside it in itself`] : []),
      ...(kind === 'nearest' ? [`at ${this.figures.length(this.mm() + biasMm, this.ruler())}`] : []),
      ...(kind === 'card' ? [`cut to ${this.figures.length(this.mm(), this.ruler())}`] : []),
      ...(by ? [`${by.name}: ${this.figures.length(by.mm)}`] : []),
      ...(halving ? [this.rounds(halving)] : []),
      ...(folds.length
        ? [sight > SEEN_MM ? `leaves ${this.figures.fixed(sight)} mm of crease in sight` : 'leaves nothing in sight']
        : []),
      ...(Math.abs(biasMm) > TOLD_MM && kind === 'contents'
        ? [`${small(Math.abs(biasMm))} mm ${biasMm > 0 ? 'more' : 'less'}`]
        : []),
    ];
  }

  private rounds({ rounds, left }: NonNullable<WayShown['halving']>): string {
    const after = left.slice(0, rounds).map((mm) => this.figures.fixed(mm, 2));
    return `of a guess is left after each round: ${after.join(', ')} mm`;
  }
}
