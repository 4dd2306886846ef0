import { panels } from '../../bodies/hull';
import type { Point3 } from '../../measure/vector3';
import type { Room } from '../../purpose/demand';
import { HULL, hullOf } from '../../rooms/hull';
import { PAPER_CENTRE_TWIN, TWIN_HULL } from '../../rooms/twin-hull';
import { PAPER_CENTRE } from '../../bodies/afloat';

/** A hull as it lies in the water: along the boat x, across it y, up z from its lowest point, in mm. */
export interface HullShape {
  /** Flat panels, counter-clockwise seen from outside; open above. */
  readonly panels: readonly (readonly Point3[])[];
  /** Corners of the rim: over the lowest of them the water comes in first. */
  readonly rim: readonly Point3[];
  /** How high the paper's own middle lies. */
  readonly paperCentreMm: number;
  /** How high what is put in stands, and how far from the middle it can lie along and across. */
  readonly floor: { readonly heightMm: number; readonly alongMm: number; readonly acrossMm: number };
}

/** A pocket that stands on a point, its rim of four sides. */
function pocket(
  middleMm: number,
  { depthMm, beamMm, pocketMm }: Readonly<Record<'depthMm' | 'beamMm' | 'pocketMm', number>>,
) {
  const at = (x: number, y: number): Point3 => ({ x: middleMm + x, y, z: depthMm });
  const rim = [at(-pocketMm / 2, 0), at(0, -beamMm / 2), at(pocketMm / 2, 0), at(0, beamMm / 2)];
  const point = { x: middleMm, y: 0, z: 0 };
  return { rim, panels: rim.map((p, k) => [p, point, rim[(k + 1) % rim.length]]) };
}

/**
 * The hull of a room that floats: of flat panels as they are measured, or two pockets that stand on their points.
 * @returns null for a room that is no hull
 */
export function hullShapeOf(room: Room): HullShape | null {
  if (room.kind === HULL.id) {
    const { sizes } = HULL.schema.parse(room);
    const hull = hullOf({ ...room, sizes });
    const { rim, tip, chine } = hull;
    const corners = [
      ...[1, -1].flatMap((sx) => [1, -1].map((sy) => ({ x: sx * rim.x, y: sy * rim.y, z: rim.z }))),
      { ...tip, y: 0 },
      { ...tip, x: -tip.x, y: 0 },
    ];
    return {
      panels: panels(hull),
      rim: corners,
      paperCentreMm: PAPER_CENTRE * rim.z,
      floor: { heightMm: 0, alongMm: chine.x, acrossMm: chine.y },
    };
  }
  if (room.kind !== TWIN_HULL.id) return null;
  const { sizes } = TWIN_HULL.schema.parse(room);
  const both = [-1, 1].map((side) => pocket((side * sizes.pocketMm) / 2, sizes));
  return {
    panels: both.flatMap((one) => one.panels),
    rim: both.flatMap((one) => one.rim),
    paperCentreMm: PAPER_CENTRE_TWIN * sizes.topMm,
    // What is put into a pocket slides down to where it is wide enough.
    floor: { heightMm: sizes.depthMm / 2, alongMm: sizes.pocketMm, acrossMm: sizes.beamMm / 4 },
  };
}
