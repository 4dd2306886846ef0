import { onWay, type Point3 } from '../measure/vector3';
import { area } from '../pattern/convex';
import { placedOutline, type Pose } from './pose';

/** Where the weight of the paper acts, its layers taken to be thin: the mean of all triangles of all faces by their areas. */
export function centreOfWeight(pose: Pose): Point3 {
  const sum = { x: 0, y: 0, z: 0 };
  let whole = 0;
  pose.pattern.faces.forEach(({ vertices }, f) => {
    const onSheet = vertices.map((v) => pose.pattern.vertices[v]);
    const at = placedOutline(pose, f);
    for (let k = 2; k < at.length; k++) {
      const share = area([onSheet[0], onSheet[k - 1], onSheet[k]]);
      const middle = onWay(at[0], onWay(at[k - 1], at[k], 1 / 2), 2 / 3);
      whole += share;
      for (const axis of ['x', 'y', 'z'] as const) sum[axis] += share * middle[axis];
    }
  });
  return { x: sum.x / whole, y: sum.y / whole, z: sum.z / whole };
}
