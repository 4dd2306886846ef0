import { onWay, type Point3 } from '../measure/vector3';
import { area } from '../pattern/convex';
import { placedOutline, type Pose } from './pose';

/** The mean of the middles of triangles, each by its own weight. */
export function centreOfTriangles(
  triangles: Iterable<{ readonly corners: readonly Point3[]; readonly weight: number }>,
): Point3 {
  const sum = { x: 0, y: 0, z: 0 };
  let whole = 0;
  for (const {
    corners: [a, b, c],
    weight,
  } of triangles) {
    const middle = onWay(a, onWay(b, c, 1 / 2), 2 / 3);
    whole += weight;
    for (const axis of ['x', 'y', 'z'] as const) sum[axis] += weight * middle[axis];
  }
  return { x: sum.x / whole, y: sum.y / whole, z: sum.z / whole };
}

/** Where the weight of the paper acts, its layers taken to be thin: the mean of all triangles of all faces by their areas. */
export function centreOfWeight(pose: Pose): Point3 {
  return centreOfTriangles(
    pose.pattern.faces.flatMap(({ vertices }, f) => {
      const onSheet = vertices.map((v) => pose.pattern.vertices[v]);
      const at = placedOutline(pose, f);
      return at.slice(2).map((p, k) => ({
        corners: [at[0], at[k + 1], p],
        weight: area([onSheet[0], onSheet[k + 1], onSheet[k + 2]]),
      }));
    }),
  );
}
