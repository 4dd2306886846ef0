import { type Line, type Point, sideOf } from '../measure/point';
import { assemble, type CreasePattern, toleranceOf } from './crease-pattern';

/** A finer pattern and where each of its parts came from. */
export interface Split {
  readonly pattern: CreasePattern;
  /** For each new face, the old face that it is a part of. */
  readonly faceFrom: readonly number[];
  /** For each new edge, the old edge that it is a part of, or -1 for a new crease. */
  readonly edgeFrom: readonly number[];
}

/** Two refinements one after the other, as one. */
export function splitAfter(first: Split, second: Split): Split {
  return {
    pattern: second.pattern,
    faceFrom: second.faceFrom.map((f) => first.faceFrom[f]),
    edgeFrom: second.edgeFrom.map((e) => (e < 0 ? -1 : first.edgeFrom[e])),
  };
}

interface Station {
  readonly t: number;
  readonly vertex: number;
}

/**
 * Creases convex faces along one line each. A line that misses a face, or only touches it, leaves it whole. A line
 * within tolerance of a vertex goes through that vertex, so no sliver arises.
 * @param cuts face index → line in sheet coordinates
 * @param name what the new crease is called
 */
export function splitFaces(pattern: CreasePattern, cuts: ReadonlyMap<number, Line>, name: string): Split {
  const tolerance = toleranceOf(pattern);
  const vertices: Point[] = [...pattern.vertices];
  const stations = new Map<number, Station[]>();

  /** The vertex on an edge at a point, made once however many faces ask for it. */
  const vertexOn = (edge: number, p: Point): number => {
    const { from, to } = pattern.edges[edge];
    const a = pattern.vertices[from];
    const b = pattern.vertices[to];
    const along = stations.get(edge) ?? [];
    stations.set(edge, along);
    const same = along.find(
      ({ vertex }) => Math.hypot(vertices[vertex].x - p.x, vertices[vertex].y - p.y) <= tolerance,
    );
    if (same) return same.vertex;
    const length2 = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
    const t = ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length2;
    const vertex = vertices.push(p) - 1;
    along.push({ t, vertex });
    along.sort((one, other) => one.t - other.t);
    return vertex;
  };

  const chords = new Map<number, readonly [number, number]>();
  for (const [face, line] of cuts) {
    const loop = pattern.faces[face].vertices;
    const side = loop.map((v) => {
      const d = sideOf(line, pattern.vertices[v]);
      return Math.abs(d) <= tolerance ? 0 : d;
    });
    if (!side.some((d) => d > 0) || !side.some((d) => d < 0)) continue;
    const ends: number[] = [];
    loop.forEach((v, i) => {
      const next = (i + 1) % loop.length;
      if (side[i] === 0) ends.push(v);
      else if (side[i] * side[next] < 0) {
        const t = side[i] / (side[i] - side[next]);
        const a = pattern.vertices[v];
        const b = pattern.vertices[loop[next]];
        ends.push(vertexOn(pattern.faces[face].edges[i], { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) }));
      }
    });
    if (ends.length !== 2)
      throw new RangeError(`A crease meets the border of face ${face} in ${ends.length} points; faces must be convex.`);
    chords.set(face, [ends[0], ends[1]]);
  }

  const names = new Map<number, string>();
  const origin = new Map<number, number>();
  const stride = vertices.length;
  const key = (a: number, b: number): number => Math.min(a, b) * stride + Math.max(a, b);
  pattern.edges.forEach((edge, e) => {
    const chain = [edge.from, ...(stations.get(e) ?? []).map((s) => s.vertex), edge.to];
    for (let i = 1; i < chain.length; i++) {
      names.set(key(chain[i - 1], chain[i]), edge.name);
      origin.set(key(chain[i - 1], chain[i]), e);
    }
  });

  const loops: number[][] = [];
  const faceFrom: number[] = [];
  pattern.faces.forEach((face, f) => {
    const loop: number[] = [];
    face.vertices.forEach((v, i) => {
      loop.push(v);
      const edge = face.edges[i];
      const along = stations.get(edge);
      if (!along) return;
      const inOrder = pattern.edges[edge].from === v ? along : [...along].reverse();
      loop.push(...inOrder.map((s) => s.vertex));
    });
    const chord = chords.get(f);
    if (!chord) {
      loops.push(loop);
      faceFrom.push(f);
      return;
    }
    const i = loop.indexOf(chord[0]);
    const j = loop.indexOf(chord[1]);
    const [low, high] = i < j ? [i, j] : [j, i];
    loops.push(loop.slice(low, high + 1), [...loop.slice(high), ...loop.slice(0, low + 1)]);
    faceFrom.push(f, f);
  });
  const finer = assemble(vertices, loops, (a, b) => names.get(key(a, b)) ?? name, pattern.size);
  return { pattern: finer, faceFrom, edgeFrom: finer.edges.map((edge) => origin.get(key(edge.from, edge.to)) ?? -1) };
}
