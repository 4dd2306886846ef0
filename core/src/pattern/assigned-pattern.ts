import type { CreasePattern } from './crease-pattern';

/**
 * What is known of a crease: `valley` or `mountain` seen from the white side, `either` when that is open, `flat` when it
 * is only a line on the paper and stays unfolded.
 */
export type Fold = 'valley' | 'mountain' | 'either' | 'flat';

/** A pattern with what is known of each edge's fold; border edges are `flat`. */
export interface AssignedPattern extends CreasePattern {
  readonly folds: readonly Fold[];
}

/** The folds of any pattern: a pattern without them leaves every crease open. */
export function foldsOf(pattern: CreasePattern | AssignedPattern): readonly Fold[] {
  if ('folds' in pattern) return pattern.folds;
  return pattern.edges.map((edge) => (edge.right < 0 ? 'flat' : 'either'));
}
