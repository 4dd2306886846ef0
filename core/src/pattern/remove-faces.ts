import type { Point } from '../measure/point';
import { assemble, type CreasePattern, isBorder, RAW_EDGE } from './crease-pattern';
import type { Split } from './split-faces';

/** Puts faces together again; an edge that now has paper on one side only is a raw edge. */
function reassemble(
  pattern: CreasePattern,
  vertices: readonly Point[],
  loops: readonly (readonly number[])[],
  faceFrom: readonly number[],
): Split {
  const bare = assemble(vertices, loops, () => RAW_EDGE, pattern.size);
  // Loops keep their starts, so an edge is found again at the same place of its face.
  const edgeFrom = bare.edges.map(
    ({ left }, e) => pattern.faces[faceFrom[left]].edges[bare.faces[left].edges.indexOf(e)],
  );
  const edges = bare.edges.map((edge, e) =>
    isBorder(edge) ? edge : { ...edge, name: pattern.edges[edgeFrom[e]].name },
  );
  return { pattern: { ...bare, edges }, faceFrom, edgeFrom };
}

/** The pattern without some of its faces: paper cut off along creases. Vertices keep their numbers. */
export function removeFaces(pattern: CreasePattern, removed: readonly boolean[]): Split {
  const faceFrom = pattern.faces.flatMap((_, f) => (removed[f] ? [] : [f]));
  const loops = faceFrom.map((f) => pattern.faces[f].vertices);
  return reassemble(pattern, pattern.vertices, loops, faceFrom);
}

/**
 * The pattern slit along edges: each becomes two raw edges in the same place.
 * @param slit edges of a slit that begins at a raw edge
 * @throws RangeError when the slit begins nowhere at a raw edge
 */
export function slitEdges(pattern: CreasePattern, slit: ReadonlySet<number>): Split {
  const vertices = [...pattern.vertices];
  const loops = pattern.faces.map((face) => [...face.vertices]);
  const around: number[][] = vertices.map(() => []);
  pattern.faces.forEach((face, f) => face.vertices.forEach((v) => around[v].push(f)));
  const ends = new Set([...slit].flatMap((e) => [pattern.edges[e].from, pattern.edges[e].to]));
  let parted = 0;
  for (const v of ends) {
    // Faces round the vertex that still hang together without the slit.
    const left = new Set(around[v]);
    let first = true;
    while (left.size) {
      const fan = [[...left][0]];
      for (const f of fan) {
        left.delete(f);
        for (const e of pattern.faces[f].edges) {
          const edge = pattern.edges[e];
          if (slit.has(e) || edge.right < 0 || (edge.from !== v && edge.to !== v)) continue;
          const other = edge.left === f ? edge.right : edge.left;
          if (left.has(other) && !fan.includes(other)) fan.push(other);
        }
      }
      if (!first) {
        const copy = vertices.push(vertices[v]) - 1;
        for (const f of fan) loops[f] = loops[f].map((u) => (u === v ? copy : u));
        parted++;
      }
      first = false;
    }
  }
  if (!parted) throw new RangeError('A slit must begin at a raw edge.');
  return reassemble(
    pattern,
    vertices,
    loops,
    pattern.faces.map((_, f) => f),
  );
}
