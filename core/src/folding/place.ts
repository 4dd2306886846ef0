import type { CreasePattern } from '../pattern/crease-pattern';
import type { Root } from './roots';
import { aboutSheetLine, compose, type Transform } from './transform';

/** The faces of a pattern in space, and how well the walk round every loop closes. */
export interface Placement {
  /** For each face, the motion from the sheet to where it lies. */
  readonly faces: readonly Transform[];
  /** Largest mismatch at any crease: rotation entries, and mm relative to the sheet's size. */
  readonly residual: number;
  /** The crease where it is largest, or -1 when there is no crease. */
  readonly worstEdge: number;
}

/** Rigid poses must close to this, as a share of the sheet. */
export const CLOSURE = 1e-9;

/**
 * Places every face by walking the face graph from a pinned one.
 * @param anglesDeg fold angle of each edge, + valley seen from the white side, 0 open, ±180 flat; borders ignored
 * @param others a face of each further sheet, and where it lies
 */
export function place(
  pattern: CreasePattern,
  anglesDeg: readonly number[],
  pinned: number,
  frame: Transform,
  others: readonly Root[] = [],
): Placement {
  const faces = new Array<Transform | undefined>(pattern.faces.length);
  const queue = [pinned];
  faces[pinned] = frame;
  for (const root of others) {
    queue.push(root.face);
    faces[root.face] = root.frame;
  }
  const across = (edge: number, face: number, at: Transform): Transform => {
    const { from, to, left } = pattern.edges[edge];
    const [a, b] = left === face ? [from, to] : [to, from];
    // The neighbour lies right of a→b; lifting it towards the white side turns it left-handed about a→b.
    return compose(at, aboutSheetLine(pattern.vertices[a], pattern.vertices[b], -anglesDeg[edge]));
  };
  const loops: number[] = [];
  for (let next = 0; next < queue.length; next++) {
    const face = queue[next];
    for (const edge of pattern.faces[face].edges) {
      const { left, right } = pattern.edges[edge];
      const other = left === face ? right : left;
      if (other < 0) continue;
      if (faces[other]) {
        if (other > face) loops.push(edge);
        continue;
      }
      faces[other] = across(edge, face, faces[face]!);
      queue.push(other);
    }
  }
  const placed = faces as Transform[];
  let residual = 0;
  let worstEdge = -1;
  for (const edge of loops) {
    const { left, right, from, to } = pattern.edges[edge];
    const expected = across(edge, left, placed[left]);
    const found = placed[right];
    let gap = 0;
    for (let i = 0; i < 9; i++) gap = Math.max(gap, Math.abs(expected[i] - found[i]));
    for (const v of [from, to]) {
      const p = pattern.vertices[v];
      for (let r = 0; r < 3; r++) {
        const d =
          (expected[3 * r] - found[3 * r]) * p.x +
          (expected[3 * r + 1] - found[3 * r + 1]) * p.y +
          expected[9 + r] -
          found[9 + r];
        gap = Math.max(gap, Math.abs(d) / pattern.size);
      }
    }
    if (gap > residual) {
      residual = gap;
      worstEdge = edge;
    }
  }
  return { faces: placed, residual, worstEdge };
}
