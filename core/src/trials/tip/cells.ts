import type { Point } from '../../measure/point';
import type { Point3 } from '../../measure/vector3';
import { area, contains, type Convex, convexHull, middle } from '../../pattern/convex';
import { type Cells, levelSlices, type LevelSlices, type WallTriangle } from '../pour/level-slices';
import { LEAST_CELLS, vesselOf } from '../pour/vessel';

/** Where something can stand in a piece: a tube of a ring, or all of a cup. Lengths in mm. */
export interface StandingCell {
  /** Around where feet stand, and around where things come over the rim; seen from above. */
  readonly foot: Convex;
  readonly mouth: Convex;
  readonly footMm: number;
  readonly rimMm: number;
  /** Whether it has a floor: without one, things stand on the table. */
  readonly floored: boolean;
}

/** So far inside floor and rim, as a share of the height: at them walls may be folds. */
const INSIDE = 0.04;
/** A part smaller than this share of the largest is a gap between layers. */
const GAP = 0.1;

/**
 * All cells of a piece that stands, as they are shut in just over its floor and just under its rim.
 * @param faces its faces, as it stands
 */
export function standingCells(faces: readonly (readonly Point3[])[]): readonly StandingCell[] {
  const slices = levelSlices(faces);
  const vessel = vesselOf(faces);
  if (!slices || !vessel) return [];
  const { floorMm, rimMm } = vessel;
  const inside = INSIDE * (rimMm - floorMm);
  const below = partsAt(slices, floorMm + inside);
  return partsAt(slices, rimMm - inside).flatMap((mouth): StandingCell[] => {
    const foot = below.find((one) => contains(one, middle(mouth), 0) || contains(mouth, middle(one), 0));
    if (!foot) return [];
    return [
      { foot, mouth, footMm: floorMm, rimMm, floored: isUnder(slices.triangles, middle(foot), floorMm + inside) },
    ];
  });
}

function partsAt(slices: LevelSlices, z: number): readonly Convex[] {
  const slice = slices.at(z);
  const parts = slice.shut().filter((part) => part.length >= LEAST_CELLS);
  const hull = (part: Cells): Convex => convexHull([...part, ...slice.edge(part)].map(slices.middle));
  const hulls = parts.map(hull);
  return hulls.filter((one) => area(one) > GAP * area(hulls[0]));
}

/** Whether paper lies under a point, below a height. */
function isUnder(triangles: readonly WallTriangle[], p: Point, z: number): boolean {
  return triangles.some((corners) => {
    const flat = area(corners) < 0 ? [...corners].reverse() : corners;
    return Math.abs(area(corners)) > 0 && corners.every((q) => q.z < z) && contains(flat, p, 1e-6);
  });
}
