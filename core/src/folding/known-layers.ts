import type { Point } from '../measure/point';
import type { CreasePattern } from '../pattern/crease-pattern';
import { faceAt } from './pose';
import type { SettleOptions } from './settle';

/** Sheet points of which the second lies over or under the first afterwards, as the viewer sees them. */
export interface KnownLayers {
  readonly point: Point;
  readonly other: Point;
  readonly lies: 'over' | 'under';
}

/** The same by faces. */
export function knownFaces(pattern: CreasePattern, known: readonly KnownLayers[]): NonNullable<SettleOptions['known']> {
  return known.map(({ point, other, lies }) => ({ face: faceAt(pattern, point), other: faceAt(pattern, other), lies }));
}
