import { sideOfFace } from '../folding/layer-order';
import { outlineInFrameOf } from '../folding/overlaps';
import { piercingFaces } from '../folding/piercing';
import { CLOSURE, place } from '../folding/place';
import { middleOfTable, type Pose } from '../folding/pose';
import { rootsOf } from '../folding/roots';
import { apply, compose, inverse, type Transform, turnOnTable } from '../folding/transform';
import { dot, minus } from '../measure/vector3';
import { area, intersect, middle } from '../pattern/convex';
import { faceOutline } from '../pattern/crease-pattern';

/** How the paper lies a share of the way from one pose to the next, 0 to 1. */
export type Motion = (share: number) => Pose;

/** So many moments of a motion are proved. */
const PROVED = 24;

/** At these shares layers that lie on each other at either end have hardly come apart. */
const NEAR_END = 0.02;

/**
 * The rigid motion between two poses of one pattern: all creases that change turn evenly. It is known where the paper closes
 * at every moment that is looked at, no part goes through another, and layers come to lie on the side from which they came.
 * @returns null where it is not known: paper bends in between, or slips between layers
 */
export function motionBetween(from: Pose, to: Pose): Motion | null {
  if (from.pattern !== to.pattern) return null;
  const changed = from.angles.some((angle, e) => Math.abs(angle - to.angles[e]) > 1e-9);
  return changed ? creasesTurning(from, to) : movedBodily(from, to);
}

function creasesTurning(from: Pose, to: Pose): Motion | null {
  const { pattern } = from;
  const still = stillFace(from, to);
  if (still < 0 || rootsOf(to).length > 1) return null;
  const order = orderKept(from, to);
  const at = (share: number): Pose => {
    const angles = from.angles.map((angle, e) => angle + share * (to.angles[e] - angle));
    const { faces, residual } = place(pattern, angles, still, from.placed[still]);
    return { ...to, angles, pinned: still, frame: from.placed[still], placed: faces, residual, order };
  };
  for (let k = 1; k < PROVED; k++) {
    const { placed, residual } = at(k / PROVED);
    if (residual > CLOSURE || piercingFaces(pattern, placed)) return null;
  }
  if (!comesFromItsSide(at(NEAR_END), from) || !comesFromItsSide(at(1 - NEAR_END), to)) return null;
  return (share) => (share <= 0 ? from : share >= 1 ? to : at(share));
}

/** A face that lies the same before and after, or -1. */
const stillFace = (from: Pose, to: Pose): number =>
  from.placed.findIndex((m, f) =>
    m.every((v, k) => Math.abs(v - to.placed[f][k]) < 1e-7 * Math.max(1, from.pattern.size)),
  );

/** What lies on each other before and after keeps its order meanwhile; depth decides for the rest. */
function orderKept(from: Pose, to: Pose): Pose['order'] {
  const side = from.order.side.map((one, k) => (one === to.order.side[k] ? one : 0));
  return { ...to.order, side };
}

/** Whether faces that lie on each other at an end are on that side of each other a moment before or after it. */
function comesFromItsSide(moment: Pose, end: Pose): boolean {
  const { pattern } = end;
  const smallest = 1e-9 * pattern.size * pattern.size;
  const slack = 1e-7 * pattern.size;
  return pattern.faces.every((_, f) =>
    pattern.faces.every((__, g) => {
      const side = sideOfFace(end.order, f, g);
      if (side === 0) return true;
      const shared = intersect(outlineInFrameOf(pattern, end.placed, f, g), faceOutline(pattern, f));
      if (area(shared) <= smallest) return true;
      const p = middle(shared);
      const onOther = apply(compose(inverse(end.placed[g]), end.placed[f]), p);
      const m = moment.placed[f];
      const apart = minus(apply(moment.placed[g], onOther), apply(m, p));
      return dot(apart, { x: m[2], y: m[5], z: m[8] }) * side >= -slack;
    }),
  );
}

/** Turned on the table, or turned over as a page is: by the hands, as one. */
function movedBodily(from: Pose, to: Pose): Motion | null {
  const motion = compose(to.placed[0], inverse(from.placed[0]));
  const moved = (m: Transform): Pose => ({
    ...from,
    frame: compose(m, from.frame),
    ...(from.others && { others: from.others.map(({ face, frame }) => ({ face, frame: compose(m, frame) })) }),
    placed: from.placed.map((one) => compose(m, one)),
  });
  const centre = middleOfTable(from);
  const after = apply(motion, { ...centre, z: 0 });
  const shift = (share: number): Transform => [
    ...[1, 0, 0, 0, 1, 0, 0, 0, 1],
    ...[share * (after.x - centre.x), share * (after.y - centre.y), share * after.z],
  ];
  if (motion[8] > 1 - 1e-9) {
    const deg = (Math.atan2(motion[3], motion[0]) * 180) / Math.PI;
    return (share) => moved(compose(shift(share), turnOnTable(centre, share * deg)));
  }
  if (motion[8] < -1 + 1e-9) {
    // Half a turn about a line of the table through its middle.
    const along = 0.5 * Math.atan2(motion[3], motion[0]);
    return (share) => moved(compose(shift(share), aboutLevelLine(centre, along, 180 * share)));
  }
  return null;
}

/** A turn about a line of the table. @param along its direction, in radians from the table's right */
function aboutLevelLine({ x, y }: { readonly x: number; readonly y: number }, along: number, deg: number): Transform {
  const [ux, uy] = [Math.cos(along), Math.sin(along)];
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  const v = 1 - c;
  const r = [c + ux * ux * v, ux * uy * v, uy * s, ux * uy * v, c + uy * uy * v, -ux * s, -uy * s, ux * s, c];
  return [...r, x - r[0] * x - r[1] * y, y - r[3] * x - r[4] * y, -r[6] * x - r[7] * y];
}
