import type { Point } from '../measure/point';
import type { CreasePattern } from '../pattern/crease-pattern';
import { faceAt } from './pose';
import type { SettleOptions } from './settle';
import type { Transform } from './transform';

/** Over or under, as the viewer sees it; or, for paper that stands, on the white or the coloured side of the other. */
export type Lying = 'over' | 'under' | 'on its white side' | 'on its coloured side';

/** Sheet points of which the second lies so to the first afterwards. */
export interface KnownLayers {
  readonly point: Point;
  readonly other: Point;
  readonly lies: Lying;
}

/** The same as a side of the paper: +1 its white side, -1 its coloured one; 0 for standing paper that has no over and under. */
export function sideThatLies(lies: Lying, placed: Transform): number {
  switch (lies) {
    case 'over':
      return upOf(placed);
    case 'under':
      return -upOf(placed);
    case 'on its white side':
      return 1;
    case 'on its coloured side':
      return -1;
  }
}

/** +1 when the white side faces the viewer, -1 when the coloured one does, 0 for paper that stands upright. */
const upOf = (placed: Transform): number => (Math.abs(placed[8]) < 1e-9 ? 0 : Math.sign(placed[8]));

/** The same by faces. */
export function knownFaces(pattern: CreasePattern, known: readonly KnownLayers[]): NonNullable<SettleOptions['known']> {
  return known.map(({ point, other, lies }) => ({ face: faceAt(pattern, point), other: faceAt(pattern, other), lies }));
}
