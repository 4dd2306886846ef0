import {
  area,
  brokenRule,
  CLOSURE,
  distance3,
  faceOutline,
  findOverlaps,
  isBorder,
  layerProblem,
  piercingFaces,
  placedOutline,
  type Pose,
  sideOfFace,
} from '../src/index';

/** Whether a pose says for each two faces that share a spot which lies over which, and for no others. */
export function orderKnown(pose: Pose): boolean {
  const shared = new Set(findOverlaps(pose.pattern, pose.placed).flatMap(({ i, j }) => [`${i},${j}`, `${j},${i}`]));
  const faces = pose.pattern.faces.keys();
  return [...faces].every((i) =>
    [...pose.pattern.faces.keys()].every((j) => (sideOfFace(pose.order, i, j) !== 0) === shared.has(`${i},${j}`)),
  );
}

/** How much paper a pose has, in mm². */
export const paperOf = ({ pattern }: Pose): number =>
  pattern.faces.reduce((sum, _, f) => sum + area(faceOutline(pattern, f)), 0);

/** All laws that any lie of paper obeys: nothing stretched, torn, crossing or undecided. */
export function expectPaper(pose: Pose, sheetArea: number): void {
  const { pattern, placed } = pose;
  expect(pose.residual).toBeLessThan(CLOSURE);
  expect(paperOf(pose) / sheetArea).toBeCloseTo(1, 9);
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

/** Layers that hang together by creases which end as they began cannot have changed places. */
export function expectKeptOrder(before: Pose, after: Pose): void {
  const { faces, edges } = after.pattern;
  expect(before.pattern.faces).toHaveLength(faces.length);
  const piece = faces.map((_, face) => face);
  for (let changed = true; changed;) {
    changed = false;
    edges.forEach((edge, e) => {
      if (isBorder(edge) || Math.abs(before.angles[e] - after.angles[e]) > 1e-9) return;
      const least = Math.min(piece[edge.left], piece[edge.right]);
      changed ||= piece[edge.left] !== least || piece[edge.right] !== least;
      piece[edge.left] = piece[edge.right] = least;
    });
  }
  const swapped = faces.flatMap((_, i) =>
    faces.flatMap((__, j) => {
      if (i >= j || piece[i] !== piece[j]) return [];
      const [was, is] = [before, after].map((pose) => sideOfFace(pose.order, i, j));
      return was && is && was !== is ? [[i, j]] : [];
    }),
  );
  expect(swapped).toEqual([]);
}
