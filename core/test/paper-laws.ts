import {
  area,
  brokenRule,
  CLOSURE,
  distance3,
  faceOutline,
  findOverlaps,
  layerProblem,
  piercingFaces,
  placedOutline,
  type Pose,
  sideOfFace,
} from '../src/index';

/** Whether a pose says for each two faces that share a spot which lies over which. */
export function orderKnown(pose: Pose): boolean {
  return findOverlaps(pose.pattern, pose.placed).every(
    ({ i, j }) => sideOfFace(pose.order, i, j) !== 0 && sideOfFace(pose.order, j, i) !== 0,
  );
}

/** All laws that any lie of paper obeys: nothing stretched, torn, crossing or undecided. */
export function expectPaper(pose: Pose, sheetArea: number): void {
  const { pattern, placed } = pose;
  expect(pose.residual).toBeLessThan(CLOSURE);
  expect(pattern.faces.reduce((sum, _, f) => sum + area(faceOutline(pattern, f)), 0) / sheetArea).toBeCloseTo(1, 9);
  pattern.faces.forEach((_, f) => {
    const flat = faceOutline(pattern, f);
    const lying = placedOutline(pose, f);
    flat.forEach((p, i) => {
      const k = (i + 1) % flat.length;
      const length = Math.hypot(flat[k].x - p.x, flat[k].y - p.y);
      expect(Math.abs(distance3(lying[i], lying[k]) - length) / pattern.size).toBeLessThan(1e-9);
    });
  });
  expect(piercingFaces(pattern, placed)).toBeNull();
  expect(brokenRule(layerProblem(pattern, placed), pose.order)).toBeNull();
  expect(orderKnown(pose)).toBe(true);
}
