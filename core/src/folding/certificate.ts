import { type CreasePattern, isBorder } from '../pattern/crease-pattern';
import { intersect, area } from '../pattern/convex';
import { sideOfFace } from './layer-order';
import { OVERLAP_SHARE, outlineInFrameOf, sortIntoPlanes } from './overlaps';
import { type Pose } from './pose';
import type { RecordedMove } from './recording';
import type { Transform } from './transform';

/**
 * Why the layers of a recorded pose are as they are, as signs: which corners of which faces lie on which side of which
 * planes. As long as no sign changes, the same faces share a spot, the same creases run over the same faces or along each
 * other, nothing goes through anything, and so the same order is a valid one. It covers all faces of the pose.
 *
 * Planes are those of faces, and upright ones through their edges (for flat paper: lines on the table). Corners that
 * lie at one spot, and edges that lie in one plane, are asked once.
 */
interface Certificate {
  /** One corner for each spot: face and vertex. */
  readonly spots: Int32Array;
  /** Corners that must lie at a spot: face, vertex, spot. */
  readonly joined: Int32Array;
  /** One plane each: face, and from which to which vertex its edge runs, or -1, -1 for the face's own plane. */
  readonly planes: Int32Array;
  /** What is asked: spot, plane, and which signs are right (1 above, 2 on it, 4 below). */
  readonly asked: Int32Array;
  /** Three faces of which two and two lie in a ring over each other: they must share no spot. */
  readonly rings: readonly (readonly [number, number, number])[];
  /** Not everything could be told by signs: a pose like this is always folded anew. */
  readonly open: boolean;
}

const ABOVE = 1;
const ON = 2;
const BELOW = 4;

/** Nearer than this share of the sheet is on a plane: as coarse as the rules for creases that coincide. */
const NEAR = 1e-6;

const certificates = new WeakMap<RecordedMove, Certificate>();

/** The certificate of a move that was folded, not followed; worked out once. */
export function certificateOf(root: RecordedMove): Certificate {
  let known = certificates.get(root);
  if (!known) certificates.set(root, (known = certify(root.pose)));
  return known;
}

function certify(pose: Pose): Certificate {
  const { pattern, placed, order } = pose;
  const n = pattern.faces.length;
  const near = NEAR * pattern.size;
  const places: number[] = [];
  const spots: number[] = [];
  const joined: number[] = [];
  const spotsOf = pattern.faces.map(({ vertices }, f) =>
    vertices.map((v) => {
      const [x, y, z] = placedAt(pattern, placed[f], v);
      for (let s = 0; s < spots.length / 2; s++)
        if (
          Math.abs(places[3 * s] - x) <= near &&
          Math.abs(places[3 * s + 1] - y) <= near &&
          Math.abs(places[3 * s + 2] - z) <= near
        ) {
          joined.push(f, v, s);
          return s;
        }
      places.push(x, y, z);
      return spots.push(f, v) / 2 - 1;
    }),
  );
  const { plane: groupOf } = sortIntoPlanes(pattern, placed);
  const groups: number[][] = [];
  groupOf.forEach((g, f) => (groups[g] ??= []).push(f));

  const coefficients: number[] = [];
  const planes: number[] = [];
  const asked = new Map<number, number>();
  const heights: (Float64Array | undefined)[] = [];
  /** Heights of all spots over a plane. */
  const heightsOver = (plane: number): Float64Array =>
    (heights[plane] ??= Float64Array.from({ length: spots.length / 2 }, (_, s) => {
      const [a, b, c, d] = coefficients.slice(4 * plane, 4 * plane + 4);
      return a * places[3 * s] + b * places[3 * s + 1] + c * places[3 * s + 2] - d;
    }));
  const signOf = (spot: number, plane: number): number => {
    const h = heightsOver(plane)[spot];
    return h > near ? ABOVE : h < -near ? BELOW : ON;
  };
  const ask = (spot: number, plane: number, right: number): void => {
    const key = spot * 65536 + plane;
    asked.set(key, (asked.get(key) ?? 7) & right);
  };
  const planeOf = (face: number, from: number, to: number): number => {
    const own = planeThrough(pattern, placed[face], from, to);
    for (let p = 0; p < planes.length / 3; p++) {
      const c = coefficients.slice(4 * p, 4 * p + 4);
      if (Math.abs(c[0] * own[0] + c[1] * own[1] + c[2] * own[2] - 1) > 1e-12) continue;
      if (Math.abs(c[3] - own[3]) > near) continue;
      return p;
    }
    coefficients.push(...own);
    return planes.push(face, from, to) / 3 - 1;
  };
  /** For each face the planes through its edges, the face on the side above them. */
  const fences: (readonly number[] | undefined)[] = [];
  const fencesOf = (f: number): readonly number[] =>
    (fences[f] ??= pattern.faces[f].vertices.map((v, k) => {
      const { vertices } = pattern.faces[f];
      const fence = planeOf(f, v, vertices[(k + 1) % vertices.length]);
      for (const s of [spotsOf[f][k], spotsOf[f][(k + 1) % vertices.length]]) ask(s, fence, ON);
      return fence;
    }));
  const mutual = (i: number, j: number): void => {
    for (const [a, b] of [
      [i, j],
      [j, i],
    ])
      for (const fence of fencesOf(a)) for (const s of spotsOf[b]) ask(s, fence, signOf(s, fence));
  };
  let open = false;

  for (const faces of groups) {
    if (groups.length > 1) {
      const own = planeOf(faces[0], -1, -1);
      for (const f of faces) for (const s of spotsOf[f]) ask(s, own, ON);
    }
    for (let a = 0; a < faces.length; a++)
      for (let b = a + 1; b < faces.length; b++) {
        const [i, j] = [faces[a], faces[b]];
        if (sideOfFace(order, i, j) !== 0) {
          mutual(i, j);
          continue;
        }
        if (!apartBy(fencesOf(i), spotsOf[j], j) && !apartBy(fencesOf(j), spotsOf[i], i)) open = true;
      }
  }
  /** One fence that has all corners of the other face beyond it, the one with most room. */
  function apartBy(candidates: readonly number[], corners: readonly number[], other: number): boolean {
    let best = -1;
    let most = -Infinity;
    for (const fence of candidates) {
      const h = heightsOver(fence);
      let highest = -Infinity;
      let sum = 0;
      for (const s of corners) {
        highest = Math.max(highest, h[s]);
        sum -= h[s];
      }
      if (highest <= near && sum > most) [best, most] = [fence, sum];
    }
    if (best < 0) return false;
    for (const s of spotsOf[other]) ask(s, best, ON | BELOW);
    return true;
  }

  // Faces in other planes: on one side of each plane, or at least of that of the other face.
  const straddles = (f: number, plane: number): boolean => {
    const signs = spotsOf[f].map((s) => signOf(s, plane));
    return signs.includes(ABOVE) && signs.includes(BELOW);
  };
  if (groups.length > 1) {
    const own = groups.map((faces) => planeOf(faces[0], -1, -1));
    for (let f = 0; f < n; f++)
      groups.forEach((faces, g) => {
        if (g === groupOf[f]) return;
        const signs = spotsOf[f].map((s) => signOf(s, own[g]));
        const [above, below] = [signs.includes(ABOVE), signs.includes(BELOW)];
        const h = heightsOver(own[g]);
        const farthest = spotsOf[f].reduce((best, s) => (Math.abs(h[s]) > Math.abs(h[best]) ? s : best));
        ask(farthest, own[g], signOf(farthest, own[g]));
        if (!(above && below)) {
          for (const s of spotsOf[f]) ask(s, own[g], above ? ABOVE | ON : BELOW | ON);
          return;
        }
        for (const i of faces) {
          if (!straddles(i, own[groupOf[f]])) continue;
          // Both reach through each other's plane: a fence of one keeps the other away.
          if (!apartBy(fencesOf(i), spotsOf[f], f) && !apartBy(fencesOf(f), spotsOf[i], i)) open = true;
        }
      });
    // Paper bent along a crease that lies in another face's plane must not come down on both sides of that face.
    pattern.edges.forEach((edge) => {
      if (isBorder(edge)) return;
      groups.forEach((faces, g) => {
        if (groupOf[edge.left] === g || groupOf[edge.right] === g) return;
        const cornerOf = (v: number): number => spotsOf[edge.left][pattern.faces[edge.left].vertices.indexOf(v)];
        const ends = [cornerOf(edge.from), cornerOf(edge.to)];
        if (ends.some((s) => signOf(s, own[g]) !== ON)) return;
        const sides = [edge.left, edge.right].map((f) =>
          spotsOf[f].map((s) => signOf(s, own[g])).find((s) => s !== ON),
        );
        if (sides[0] === sides[1]) return;
        for (const i of faces) {
          const fence = fencesOf(i).find((p) => ends.every((s) => signOf(s, p) !== ABOVE));
          if (fence === undefined) open = true;
          else for (const s of ends) ask(s, fence, ON | BELOW);
        }
      });
    });
  }

  const rings: (readonly [number, number, number])[] = [];
  const facing = (f: number): number => Math.sign(frameSign(placed, groups[groupOf[f]][0], f));
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      const ij = sideOfFace(order, i, j) * facing(i);
      if (!ij) continue;
      for (let k = j + 1; k < n; k++) {
        const [jk, ki] = [sideOfFace(order, j, k) * facing(j), sideOfFace(order, k, i) * facing(k)];
        if (ij === jk && jk === ki) rings.push([i, j, k]);
      }
    }
  const rows = [...asked].flatMap(([key, right]) => [Math.floor(key / 65536), key % 65536, right]);
  return {
    spots: Int32Array.from(spots),
    joined: Int32Array.from(joined),
    planes: Int32Array.from(planes),
    asked: Int32Array.from(rows),
    rings,
    open,
  };
}

/** Whether a face's white side points as that of another one does. */
function frameSign(placed: readonly Transform[], leader: number, f: number): number {
  const [a, b] = [placed[leader], placed[f]];
  return a[2] * b[2] + a[5] * b[5] + a[8] * b[8];
}

function placedAt({ vertices }: CreasePattern, m: Transform, v: number): readonly [number, number, number] {
  const { x, y } = vertices[v];
  return [m[0] * x + m[1] * y + m[9], m[3] * x + m[4] * y + m[10], m[6] * x + m[7] * y + m[11]];
}

/** Normal and offset of a face's plane, or of the upright one through its edge, towards the face. */
function planeThrough(
  { vertices }: CreasePattern,
  m: Transform,
  from: number,
  to: number,
): readonly [number, number, number, number] {
  let [x, y, z] = [m[2], m[5], m[8]];
  const at = from < 0 ? { x: 0, y: 0 } : vertices[from];
  if (from >= 0) {
    const end = vertices[to];
    const length = Math.sqrt((end.x - at.x) ** 2 + (end.y - at.y) ** 2);
    // On the sheet the face lies to the left of its edge.
    const [nx, ny] = [-(end.y - at.y) / length, (end.x - at.x) / length];
    x = m[0] * nx + m[1] * ny;
    y = m[3] * nx + m[4] * ny;
    z = m[6] * nx + m[7] * ny;
  }
  const px = m[0] * at.x + m[1] * at.y + m[9];
  const py = m[3] * at.x + m[4] * at.y + m[10];
  const pz = m[6] * at.x + m[7] * at.y + m[11];
  return [x, y, z, x * px + y * py + z * pz];
}

let places = new Float64Array(1024);
let normals = new Float64Array(1024);

/** Whether all signs of a certificate are right for a pattern placed elsewhere. */
export function holds(certificate: Certificate, pattern: CreasePattern, placed: readonly Transform[]): boolean {
  const { spots, joined, planes, asked, rings, open } = certificate;
  if (open) return false;
  const near = NEAR * pattern.size;
  const { vertices } = pattern;
  if (places.length < 2 * spots.length) places = new Float64Array(3 * spots.length);
  if (normals.length < 2 * planes.length) normals = new Float64Array(3 * planes.length);
  for (let s = 0, at = 0; s < spots.length; s += 2, at += 3) {
    const m = placed[spots[s]];
    const { x, y } = vertices[spots[s + 1]];
    places[at] = m[0] * x + m[1] * y + m[9];
    places[at + 1] = m[3] * x + m[4] * y + m[10];
    places[at + 2] = m[6] * x + m[7] * y + m[11];
  }
  for (let k = 0; k < joined.length; k += 3) {
    const m = placed[joined[k]];
    const { x, y } = vertices[joined[k + 1]];
    const at = 3 * joined[k + 2];
    if (
      Math.abs(m[0] * x + m[1] * y + m[9] - places[at]) > near ||
      Math.abs(m[3] * x + m[4] * y + m[10] - places[at + 1]) > near ||
      Math.abs(m[6] * x + m[7] * y + m[11] - places[at + 2]) > near
    )
      return false;
  }
  for (let p = 0, at = 0; p < planes.length; p += 3, at += 4)
    normals.set(planeThrough(pattern, placed[planes[p]], planes[p + 1], planes[p + 2]), at);
  for (let k = 0; k < asked.length; k += 3) {
    const s = 3 * asked[k];
    const p = 4 * asked[k + 1];
    const height =
      normals[p] * places[s] + normals[p + 1] * places[s + 1] + normals[p + 2] * places[s + 2] - normals[p + 3];
    const sign = height > near ? ABOVE : height < -near ? BELOW : ON;
    if (!(sign & asked[k + 2])) return false;
  }
  const smallest = OVERLAP_SHARE * pattern.size * pattern.size;
  return rings.every(([i, j, k]) => {
    const seen = [i, j, k].map((f) => outlineInFrameOf(pattern, placed, i, f));
    return area(intersect(intersect(seen[0], seen[1]), seen[2])) <= smallest;
  });
}
