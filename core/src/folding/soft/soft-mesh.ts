import type { Point3 } from '../../measure/vector3';

/**
 * Paper cut into triangles. `rest` says how far apart corners are when the paper lies flat (or in its stress-free shape),
 * `start` where they are now, in mm. Triangles run counter-clockwise seen from the white side; a fold angle is positive
 * when that side closes up (valley).
 */
export interface SoftMesh {
  readonly rest: readonly Point3[];
  readonly start: readonly Point3[];
  readonly triangles: readonly (readonly [number, number, number])[];
}

/** An edge that two triangles share: their corners off the edge are `left` (of a → b, seen from the white side) and `right`. */
export interface Hinge {
  readonly a: number;
  readonly b: number;
  readonly left: number;
  readonly right: number;
}

/** A mesh's edges, each once, and its hinges. */
export interface MeshEdges {
  readonly bars: readonly (readonly [number, number])[];
  readonly hinges: readonly Hinge[];
}

/** @throws RangeError when more than two triangles, or two of opposite sense, share an edge */
export function meshEdges({ triangles, rest }: SoftMesh): MeshEdges {
  const n = rest.length;
  const third = new Map<number, number>();
  const bars: [number, number][] = [];
  for (const [a, b, c] of triangles)
    for (const [p, q, r] of [
      [a, b, c],
      [b, c, a],
      [c, a, b],
    ]) {
      if (third.has(p * n + q))
        throw new RangeError(`The edge from corner ${p} to ${q} belongs to two triangles on the same side.`);
      third.set(p * n + q, r);
      if (!third.has(q * n + p)) bars.push([p, q]);
    }
  const hinges = bars.flatMap(([a, b]): Hinge[] => {
    const [left, right] = [third.get(a * n + b), third.get(b * n + a)];
    return left === undefined || right === undefined ? [] : [{ a, b, left, right }];
  });
  return { bars, hinges };
}
