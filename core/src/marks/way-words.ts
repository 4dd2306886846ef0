import type { MarkFoundBy } from './piece-marks';
import type { MarkWay } from './mark-way';

/** What ways are called. */
export const WAY_NAMES: Readonly<Record<MarkWay['kind'], string>> = {
  ruler: 'Ruler',
  nearest: 'Nearest mark of the ruler',
  folds: 'By folding',
  halving: 'By halving a guess',
  card: 'A card cut to length',
  contents: 'The thing itself',
  roll: 'Rolled into an S',
  eye: 'By eye',
};

/**
 * What a maker does at the step where a mark is needed, for ways other than the ruler's.
 * @param length how a length is written
 * @returns null where the step's own words say it
 */
export function findingWords({ mark, measured, way }: MarkFoundBy, length: (mm: number) => string): string | null {
  const called = mark.n === null ? `“${mark.name}”` : `${mark.n}`;
  const { mm } = measured;
  switch (way.kind) {
    case 'ruler':
      return null;
    case 'nearest':
      return `Mark ${called}: take the ruler’s mark at ${length(mm + way.misses[0].biasMm)} instead.`;
    case 'folds':
    case 'halving':
      return `Mark ${called} is pinched already. Fold through ${way.folded?.square ? 'the pinch, square to its edge' : 'its two pinches'}.`;
    case 'card':
      return `Mark ${called}: a card or strip cut to ${length(mm)} once. Lay it with one end where you would measure from, and mark at the other.`;
    case 'contents':
      return `Mark ${called}: lay the ${way.by!.name} itself, its side of ${length(way.by!.mm)}, and mark where it ends.`;
    case 'roll':
      return `Mark ${called}: bend the sheet into an S of three layers, shift it until the edges lie flush, and pinch both bends.`;
    case 'eye':
      return `Mark ${called}: by eye.`;
  }
}
