import { type Body, isSoft, liftsOf } from '../../assembly/assembly';
import { bodyKey } from '../../assembly/joint';
import { centreOfWeight } from '../../folding/centre-of-weight';
import { placedOutline } from '../../folding/pose';
import { apply } from '../../folding/transform';
import type { Opened } from '../../forms/form';
import type { MadeMake } from '../../forms/made-make';
import { onWay, type Point3 } from '../../measure/vector3';
import { area } from '../../pattern/convex';

/** A folded body as it stands: what it weighs in g, where that acts, and its faces by their corners, in mm. */
export interface Weighed {
  readonly grams: number;
  readonly centre: Point3;
  readonly faces: readonly (readonly Point3[])[];
}

/** Triangles of even paper: the mean of their middles by their areas. */
function centreOfTriangles(triangles: readonly (readonly Point3[])[]): Point3 {
  const sum = { x: 0, y: 0, z: 0 };
  let whole = 0;
  for (const [a, b, c] of triangles) {
    const [u, v] = [b, c].map((p) => ({ x: p.x - a.x, y: p.y - a.y, z: p.z - a.z }));
    const share = Math.hypot(u.y * v.z - u.z * v.y, u.z * v.x - u.x * v.z, u.x * v.y - u.y * v.x);
    const middle = onWay(a, onWay(b, c, 1 / 2), 2 / 3);
    whole += share;
    for (const axis of ['x', 'y', 'z'] as const) sum[axis] += share * middle[axis];
  }
  return { x: sum.x / whole, y: sum.y / whole, z: sum.z / whole };
}

/**
 * The bodies of a make as they stand in use, each with its weight: all layers where paper is flat; evenly over its walls where it
 * was pressed open.
 * @param gsmOf the paper of an entry, in g/m²
 * @param opened how its only piece stands when it is in use, where that is another state than the folded one
 */
export function weighedBodies(
  { entries, assembly }: MadeMake,
  gsmOf: (entryKey: string) => number,
  opened: Opened | null,
): readonly Weighed[] {
  const gramsOf = (key: string): number => area(entries.get(key)!.sheet.outline) * gsmOf(key) * 1e-6;
  const soft = ({ vertices, triangles }: Pick<Opened, 'vertices' | 'triangles'>): readonly (readonly Point3[])[] =>
    triangles.map((corners) => corners.map((v) => vertices[v]));
  if (opened) {
    const [key] = entries.keys();
    const faces = soft(opened);
    return [{ grams: gramsOf(key), centre: centreOfTriangles(faces), faces }];
  }
  const weighed = ({ ref, shape, motion }: Body): Weighed => {
    const moved = (points: readonly Point3[]): readonly Point3[] => points.map((p) => apply(motion, p));
    const grams = gramsOf(ref.entry);
    if (isSoft(shape)) {
      const faces = soft(shape).map(moved);
      return { grams, centre: centreOfTriangles(faces), faces };
    }
    const faces = shape.pattern.faces.map((_, f) => moved(placedOutline(shape, f)));
    return { grams, centre: apply(motion, centreOfWeight(shape)), faces };
  };
  const { closed, open = closed } = assembly.states;
  // A lid that is lifted off, and trays that are lifted out, stand elsewhere.
  const lifts = liftsOf(assembly.states);
  return open.filter(({ ref }) => !(lifts.get(bodyKey(ref))! > 0)).map(weighed);
}
