import type { Creased } from './search/creased';
import { FIRST_FOLD, type FoldBy, type LineRef, type PlaceRef } from './search/mark-fold';

/** What the edges of a sheet are called as it lies. */
export const EDGES = ['near', 'right', 'far', 'left'] as const;

/** How the lines and places of a sequence are called. */
export interface Naming {
  readonly line: (ref: LineRef) => string;
  readonly place: (ref: PlaceRef) => string;
}

/** Corners by their edges, edges by where they lie, folds by their numbers. */
export function namingOf(creased: readonly Creased[], firstNumber = 1): Naming {
  const number = (ref: LineRef): number => ref - FIRST_FOLD + firstNumber;
  const fold = (ref: LineRef): string => `${creased[ref - FIRST_FOLD]?.whole ? 'crease' : 'pinch'} ${number(ref)}`;
  const line = (ref: LineRef): string => (ref < FIRST_FOLD ? `the ${EDGES[ref]} edge` : fold(ref));
  return {
    line,
    place: ([j, k]) => {
      const [a, b] = [j, k].sort((p, q) => p - q);
      if (b < FIRST_FOLD) {
        const upright = a % 2 ? a : b;
        const level = a % 2 ? b : a;
        return `the ${EDGES[level]} ${EDGES[upright]} corner`;
      }
      return a < FIRST_FOLD ? `${fold(b)} on the ${EDGES[a]} edge` : `where ${number(a)} and ${number(b)} cross`;
    },
  };
}

/** What a maker does to line a fold up. */
export function foldWords(by: FoldBy, { line, place }: Naming): string {
  switch (by.kind) {
    case 'point-onto-point':
      return `Lay ${place(by.point)} onto ${place(by.onto)}.`;
    case 'line-onto-line':
      return `Lay ${line(by.line)} onto ${line(by.onto)}.`;
    case 'through-points':
      return `Fold through ${place(by.a)} and ${place(by.b)}.`;
    case 'perpendicular':
      return `Lay ${line(by.to)} onto itself, so that the fold runs through ${place(by.through)}.`;
    case 'point-onto-line-square':
      return `Bring ${place(by.point)} onto ${line(by.onto)} while ${line(by.squareTo)} lies on itself.`;
    case 'point-onto-line':
      return `Bring ${place(by.point)} onto ${line(by.onto)}, the fold running through ${place(by.through)}.`;
    case 'points-onto-lines':
      return `Bring ${place(by.point)} onto ${line(by.onto)} and, in the same fold, ${place(by.other)} onto ${line(by.otherOnto)}.`;
    case 'by-eye':
      return `Guess ${Math.round(1000 * by.share) / 10} % of the ${EDGES[by.edge]} edge from its ${EDGES[(by.edge + 3) % 4]} end.`;
  }
}
