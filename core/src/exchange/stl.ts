import { type Body, isSoft } from '../assembly/assembly';
import { apply, compose, type Transform } from '../folding/transform';
import { cross, minus, type Point3, unitOf } from '../measure/vector3';
import { faceOutline } from '../pattern/crease-pattern';

/** Three corners, counter-clockwise from outside. */
export type Triangle = readonly [Point3, Point3, Point3];

const raised = (p: { readonly x: number; readonly y: number }, z: number): Point3 => ({ x: p.x, y: p.y, z });

/** One face as a plate: its outline half the thickness to either side, and its rim. */
function plate(
  outline: readonly { readonly x: number; readonly y: number }[],
  at: Transform,
  half: number,
): Triangle[] {
  const top = outline.map((p) => apply(at, raised(p, half)));
  const bottom = outline.map((p) => apply(at, raised(p, -half)));
  const caps = outline.slice(2).flatMap((_, k): Triangle[] => [
    [top[0], top[k + 1], top[k + 2]],
    [bottom[0], bottom[k + 2], bottom[k + 1]],
  ]);
  const rim = outline.flatMap((_, k): Triangle[] => {
    const next = (k + 1) % outline.length;
    return [
      [bottom[k], bottom[next], top[next]],
      [bottom[k], top[next], top[k]],
    ];
  });
  return [...caps, ...rim];
}

/**
 * Bodies as they lie, each flat part of their paper a closed plate of its thickness about its plane; layers that lie on each
 * other share room. Of a soft piece the walls as they stand, without thickness.
 * @param thicknessOf of the paper of a body, in mm
 */
export function trianglesOf(bodies: readonly Body[], thicknessOf: (body: Body) => number): readonly Triangle[] {
  return bodies.flatMap((body) => {
    const { shape, motion } = body;
    if (isSoft(shape))
      return shape.triangles.map(
        (corners) => corners.map((k) => apply(motion, shape.vertices[k])) as unknown as Triangle,
      );
    const half = thicknessOf(body) / 2;
    return shape.pattern.faces.flatMap((_, f) =>
      plate(faceOutline(shape.pattern, f), compose(motion, shape.placed[f]), half),
    );
  });
}

/** Triangles as an STL file of text, in millimetres. */
export function stlOf(name: string, triangles: readonly Triangle[]): string {
  const solid = name.replaceAll(/[^\w-]+/g, '-');
  const figures = ({ x, y, z }: Point3): string => [x, y, z].map((v) => Number(v.toFixed(5))).join(' ');
  const facets = triangles.flatMap(([a, b, c]) => {
    const normal = cross(minus(b, a), minus(c, a));
    if (Math.hypot(normal.x, normal.y, normal.z) === 0) return [];
    const corners = [a, b, c].map((p) => `      vertex ${figures(p)}`).join('\n');
    return [`  facet normal ${figures(unitOf(normal))}\n    outer loop\n${corners}\n    endloop\n  endfacet`];
  });
  return [`solid ${solid}`, ...facets, `endsolid ${solid}`, ''].join('\n');
}
