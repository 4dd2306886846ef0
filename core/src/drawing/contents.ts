import { crossSection, type Polygon3 } from '../folding/solid-measures';
import { type Pose, whereIs } from '../folding/pose';
import { distance3, type Point3 } from '../measure/vector3';
import type { Room } from '../purpose/demand';
import { roomKindById } from '../rooms/all-rooms';
import { prism } from '../rooms/prism';
import type { Point } from '../measure/point';
import { area } from '../pattern/convex';

/** Share of the room that the thing shown in it fills. */
const FILLED = 0.68;

/** A block on the floor of a standing piece, so that its size can be seen. */
export function blockOn(pose: Pose, floor: readonly Point[], room: Room): Point3[][] {
  const stands = roomKindById(room.kind).standing?.(room);
  if (!stands) return [];
  const corners = floor.map((p) => whereIs(pose, p));
  // Where the opening is narrower than the floor, the opening counts.
  const share = Math.min(1, stands.lengthMm / distance3(corners[0], corners[1]));
  const centre = ['x', 'y', 'z'].map(
    (axis) => corners.reduce((sum, p) => sum + p[axis as 'x' | 'y' | 'z'], 0) / corners.length,
  );
  const level = (up: number): Point3[] =>
    corners.map((p) => ({
      x: centre[0] + FILLED * share * (p.x - centre[0]),
      y: centre[1] + FILLED * share * (p.y - centre[1]),
      z: centre[2] + up * FILLED * stands.heightMm,
    }));
  return prism(level(0.02), level(1));
}

/** What a flat piece holds: its largest card held over it, or a page coming out of it. */
export const flatContents = (room: Room): readonly (readonly Point3[])[] => roomKindById(room.kind).shown?.(room) ?? [];

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
