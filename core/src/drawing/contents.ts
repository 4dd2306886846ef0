import { crossSection, type Polygon3 } from '../folding/solid-measures';
import { type Pose, whereIs } from '../folding/pose';
import { distance3, type Point3 } from '../measure/vector3';
import type { Cavity } from '../forms/form';
import type { Point } from '../measure/point';
import { area } from '../pattern/convex';

/** Share of the room that the thing shown in it fills. */
const FILLED = 0.68;

/** How high something may stand in a cavity. */
function depthOf(cavity: Cavity): number {
  return cavity.kind === 'box' ? cavity.depthMm : cavity.kind === 'hull' ? cavity.sideMm : 0;
}

/** A block on the floor of a standing piece, so that its size can be seen. */
export function blockOn(pose: Pose, floor: readonly Point[], cavity: Cavity): Point3[][] {
  const corners = floor.map((p) => whereIs(pose, p));
  const depthMm = depthOf(cavity);
  // Where the opening is narrower than the floor, the opening counts.
  const room = cavity.kind === 'box' ? Math.min(1, cavity.lengthMm / distance3(corners[0], corners[1])) : 1;
  const centre = ['x', 'y', 'z'].map(
    (axis) => corners.reduce((sum, p) => sum + p[axis as 'x' | 'y' | 'z'], 0) / corners.length,
  );
  const level = (up: number): Point3[] =>
    corners.map((p) => ({
      x: centre[0] + FILLED * room * (p.x - centre[0]),
      y: centre[1] + FILLED * room * (p.y - centre[1]),
      z: centre[2] + up * FILLED * depthMm,
    }));
  return prism(level(0.02), level(1));
}

/** The sides of a solid between two level outlines, seen from outside. */
export function prism(low: readonly Point3[], high: readonly Point3[]): Point3[][] {
  const [ring, top] = [low, high].map((loop) => (area(loop) < 0 ? [...loop].reverse() : [...loop]));
  const n = ring.length;
  return [top, [...ring].reverse(), ...ring.map((p, k) => [p, ring[(k + 1) % n], top[(k + 1) % n], top[k]])];
}

/** A flat thing between two heights. */
function slab(outline: readonly Point3[], from: number, to: number): Point3[][] {
  const at = (up: number): Point3[] => outline.map((p) => ({ ...p, z: p.z + up }));
  return prism(at(from), at(to));
}

/** How high a pocket's card is held over it, and how thick it is drawn, as shares of its size. */
const HELD = 0.3;
const DRAWN_THICK = 0.008;
/** How far the page is drawn, in lengths of its edge inside the corner. */
const PAGE = 1.5;

/** The part of the page that is shown: a square from its corner. */
export function pageOutline([p, a, b]: readonly [Point3, Point3, Point3]): Point3[] {
  const at = (s: number, t: number): Point3 => ({
    x: p.x + s * (a.x - p.x) + t * (b.x - p.x),
    y: p.y + s * (a.y - p.y) + t * (b.y - p.y),
    z: p.z,
  });
  return [p, at(PAGE, 0), at(PAGE, PAGE), at(0, PAGE)];
}

/** What a flat piece holds: its largest card held over it, or a page coming out of it. */
export function flatContents(cavity: Cavity): Point3[][] {
  if (cavity.kind === 'pocket') {
    const size = Math.max(cavity.widthMm, cavity.heightMm);
    return slab(cavity.corners, HELD * size, (HELD + DRAWN_THICK) * size);
  }
  if (cavity.kind !== 'corner') return [];
  const [, a, b] = cavity.corners;
  const [, far, opposite, otherFar] = pageOutline(cavity.corners);
  // Inside the pocket it is out of sight; before the wing that stands above the mouth it lies in front.
  return slab([a, far, opposite, otherFar, b], DRAWN_THICK * cavity.legMm, 2 * DRAWN_THICK * cavity.legMm);
}

const LEVELS = 60;

/**
 * The surface of what fills a vessel, from its foot up to a volume in mm³: the level outline, seen from above. Areas of level
 * sections are summed by the trapezoid rule. Fuller than full gives the fullest level.
 */
export function surfaceIn(facets: readonly Polygon3[], volumeMm3: number): Point3[] {
  const heights = facets.flat().map((p) => p.z);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const step = (high - low) / LEVELS;
  let [filled, before] = [0, 0];
  for (let k = 1; k < LEVELS; k++) {
    const outline = levelOutline(facets, low + k * step);
    const now = area(outline);
    filled += (step * (before + now)) / 2;
    if (filled >= volumeMm3 || k === LEVELS - 1) return outline;
    before = now;
  }
  return [];
}

/** A level section round an upright axis through the origin, counter-clockwise seen from above. */
function levelOutline(facets: readonly Polygon3[], z: number): Point3[] {
  return crossSection(facets, { x: 0, y: 0, z: 1 }, z)
    .map(([p]) => p)
    .sort((p, q) => Math.atan2(p.y, p.x) - Math.atan2(q.y, q.x));
}
