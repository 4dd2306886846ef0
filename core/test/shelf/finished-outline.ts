import { placedOutline, type Pose } from '../../src/index';

/** How far a pose that lies flat reaches on the table, and the area of its faces, in mm and mm². */
export function finishedOutline(pose: Pose): {
  readonly width: number;
  readonly height: number;
  readonly area: number;
} {
  const faces = pose.pattern.faces.map((_, f) => placedOutline(pose, f));
  const points = faces.flat();
  const reach = (of: (p: (typeof points)[number]) => number): number =>
    Math.max(...points.map(of)) - Math.min(...points.map(of));
  const area = faces.reduce((sum, corners) => {
    const twice = corners.reduce((all, p, k) => {
      const q = corners[(k + 1) % corners.length];
      return all + p.x * q.y - q.x * p.y;
    }, 0);
    return sum + Math.abs(twice) / 2;
  }, 0);
  return { width: reach(({ x }) => x), height: reach(({ y }) => y), area };
}
