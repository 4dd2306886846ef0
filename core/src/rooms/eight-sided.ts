import type { Arrangement } from '../bodies/arrange';
import type { Point3 } from '../measure/vector3';
import { demandsOn, type Room } from '../purpose/demand';
import { POCKET_EASE_MM } from './pocket';
import { prism } from './prism';
import { roomKind } from './room-kind';

const KEYS = ['acrossMm'] as const;

/** Thicker than this share of the floor, contents hold the panels open: 2 to 3 mm on a sheet of 170 mm. */
const THICK_SHARE = 0.045;
/** How high what lies inside is held over it, and how thick it is drawn, as shares of the floor. */
const HELD = 0.3;
const DRAWN_THICK = 0.01;
/** Ways up of the edges, in degrees from one of them; opposite ones are alike. */
const EDGES_DEG = [30, 60, 120, 150] as const;
/** Turned so finely a thing is tried: in half degrees it is never more than 1 in 10,000 too large. */
const TRIED_DEG = 0.5;
const QUARTER_DEG = 90;

const { demand, summed } = demandsOn<(typeof KEYS)[number]>();

/** How far apart the edges must be for a rectangle that lies turned so. */
function acrossFor(wideMm: number, highMm: number, turnedDeg: number): number {
  return Math.max(
    ...EDGES_DEG.map((edge) => {
      const turn = ((edge - turnedDeg) * Math.PI) / 180;
      return wideMm * Math.abs(Math.cos(turn)) + highMm * Math.abs(Math.sin(turn));
    }),
  );
}

/** The turn at which a rectangle needs the least room, and how far apart the edges must be then. */
export function leastAcross(wideMm: number, highMm: number): { readonly turnedDeg: number; readonly acrossMm: number } {
  let best = { turnedDeg: 0, acrossMm: Infinity };
  for (let turnedDeg = 0; turnedDeg < 2 * QUARTER_DEG; turnedDeg += TRIED_DEG) {
    const acrossMm = acrossFor(wideMm, highMm, turnedDeg);
    if (acrossMm < best.acrossMm) best = { turnedDeg, acrossMm };
  }
  return best;
}

/** The sides of a packing as it lies flat: thickness, then both others; round ones are as wide every way. */
function lyingSides({ box }: Arrangement): readonly [thick: number, low: number, wide: number] {
  const [thick, low, wide] = [...box].sort((p, q) => p - q);
  return [thick, low, wide];
}

/**
 * A flat pocket whose floor has eight sides, all as far from its middle, in pairs of 30 and 60 degrees: flat things lie in it
 * at whatever angle takes least. Its corners are those of the floor.
 */
export const EIGHT_SIDED = roomKind('eight-sided', KEYS, {
  names: { acrossMm: 'Pocket, across' },
  holds: ['flat things'],
  demands({ purpose, options: { ease }, lying }) {
    if (purpose.kind !== 'hold' || !lying.length) return null;
    const [only] = purpose.pieces;
    const round =
      purpose.pieces.length === 1 && (only.thing.shape === 'cylinder' || only.thing.shape === 'ball')
        ? only.thing.diameterMm
        : null;
    return lying.map((arrangement) => {
      const [thick, low, wide] = lyingSides(arrangement);
      // A disc, or a pile of them.
      const disc = round !== null && wide - round < 1e-6 && round - low < 1e-6;
      return {
        demands: [
          summed('pocket, across', ({ acrossMm }) => acrossMm, [
            { name: 'contents', value: disc ? wide : leastAcross(wide, low).acrossMm },
            { name: 'their thickness', value: 2 * thick },
            { name: 'ease', value: POCKET_EASE_MM[ease] },
          ]),
          demand('thickness that it closes over', ({ acrossMm }) => THICK_SHARE * acrossMm, thick),
        ],
        arrangement,
      };
    });
  },
  outline: ({ corners = [] }) => corners,
  shown({ sizes, corners = [] }) {
    const at = (up: number): Point3[] => corners.map((p) => ({ ...p, z: p.z + up * sizes.acrossMm }));
    return prism(at(HELD), at(HELD + DRAWN_THICK));
  },
  lying: ({ corners = [] }: Room, arrangement) => {
    const [, low, wide] = lyingSides(arrangement);
    const { turnedDeg } = leastAcross(wide, low);
    const n = corners.length;
    const middle = corners.reduce((sum, p) => ({ x: sum.x + p.x / n, y: sum.y + p.y / n }), { x: 0, y: 0 });
    const turn = (turnedDeg * Math.PI) / 180;
    const at = (x: number, y: number): Point3 => ({
      x: middle.x + x * Math.cos(turn) - y * Math.sin(turn),
      y: middle.y + x * Math.sin(turn) + y * Math.cos(turn),
      z: 0,
    });
    return [[at(-wide / 2, -low / 2), at(wide / 2, -low / 2), at(wide / 2, low / 2), at(-wide / 2, low / 2)]];
  },
});
