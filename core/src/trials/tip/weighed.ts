import { type Body, isSoft, liftsOf } from '../../assembly/assembly';
import { bodyKey } from '../../assembly/joint';
import { centreOfTriangles, centreOfWeight } from '../../folding/centre-of-weight';
import { placedOutline } from '../../folding/pose';
import { apply } from '../../folding/transform';
import type { Opened } from '../../forms/form';
import type { MadeMake } from '../../forms/made-make';
import { cross, lengthOf, minus, type Point3 } from '../../measure/vector3';
import { area } from '../../pattern/convex';

/** A folded body as it stands: what it weighs in g, where that acts, and its faces by their corners, in mm. */
export interface Weighed {
  readonly grams: number;
  readonly centre: Point3;
  readonly faces: readonly (readonly Point3[])[];
}

/** Triangles of even paper: each weighs as its area in space. */
const centreOfSoft = (triangles: readonly (readonly Point3[])[]): Point3 =>
  centreOfTriangles(
    triangles.map((corners) => {
      const [a, b, c] = corners;
      return { corners, weight: lengthOf(cross(minus(b, a), minus(c, a))) };
    }),
  );

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
    return [{ grams: gramsOf(key), centre: centreOfSoft(faces), faces }];
  }
  const weighed = ({ ref, shape, motion }: Body): Weighed => {
    const moved = (points: readonly Point3[]): readonly Point3[] => points.map((p) => apply(motion, p));
    const grams = gramsOf(ref.entry);
    if (isSoft(shape)) {
      const faces = soft(shape).map(moved);
      return { grams, centre: centreOfSoft(faces), faces };
    }
    const faces = shape.pattern.faces.map((_, f) => moved(placedOutline(shape, f)));
    return { grams, centre: apply(motion, centreOfWeight(shape)), faces };
  };
  const { closed, open = closed } = assembly.states;
  // A lid that is lifted off, and trays that are lifted out, stand elsewhere.
  const lifts = liftsOf(assembly.states);
  return open.filter(({ ref }) => !(lifts.get(bodyKey(ref))! > 0)).map(weighed);
}
