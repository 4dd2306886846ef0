import type { Arrangement } from '../bodies/arrange';
import type { Point3 } from '../measure/vector3';
import { type Demand, demandsOn, type Room, type Term } from '../purpose/demand';
import type { EaseId } from '../purpose/ease';
import type { FitOptions } from '../purpose/prepare';
import { prism } from './prism';
import { roomKind } from './room-kind';

const KEYS = ['widthMm', 'heightMm', 'thicknessTimes', 'mostThickMm'] as const;
type Key = (typeof KEYS)[number];

/** Room beside a flat thing in a pocket, both sides together, in mm: makers leave 2 to 3. */
export const POCKET_EASE_MM: Readonly<Record<EaseId, number>> = { snug: 1, easy: 2.5, loose: 5 };
/** What fingers need to pull a card out, in mm. */
export const FINGER_MM = 4;
/** Pockets whose contents are thicker than this share of their shorter side do not lie flat: a judgement. */
export const THICK_SHARE = 1 / 15;
/** How high a pocket's card is held over it, and how thick it is drawn, as shares of its size. */
const HELD = 0.3;
const DRAWN_THICK = 0.008;

const { demand } = demandsOn<Key>();

function inPocket(across: number, up: number, thick: number, { ease, fingerRoom }: FitOptions): readonly Demand<Key>[] {
  const around = (size: number, fingers: number): readonly [Term, ...Term[]] => [
    { name: 'contents', value: size },
    { name: 'ease', value: POCKET_EASE_MM[ease] },
    { name: 'room for fingers', value: fingers },
  ];
  /** What contents take of a side: their thickness as often as this pocket counts it. */
  const sided = (name: string, of: 'widthMm' | 'heightMm', terms: readonly [Term, ...Term[]]): Demand<Key> => {
    const rest = terms.reduce((sum, { value }) => sum + value, 0);
    const [contents, ...others] = terms;
    return demand(
      name,
      (sizes) => sizes[of],
      ({ thicknessTimes }) => rest + thicknessTimes * thick,
      {
        terms: ({ room }) => [
          contents,
          { name: 'their thickness', value: room.sizes.thicknessTimes * thick },
          ...others,
        ],
      },
    );
  };
  return [
    sided('pocket, wide', 'widthMm', around(across, fingerRoom ? FINGER_MM : 0)),
    sided('pocket, high', 'heightMm', around(up, 0)),
    demand('thickness that lies flat', ({ mostThickMm }) => mostThickMm, thick),
  ];
}

/** From the middle of the pocket's bottom, the thinnest side of the whole upwards. */
function lying({ sizes, corners }: Room<Key>, { box, placements }: Arrangement): (readonly Point3[])[] {
  if (!corners) return [];
  const { widthMm, heightMm } = sizes;
  const [, low, wide] = [0, 1, 2].sort((p, q) => box[p] - box[q]);
  const [across, up] = box[wide] <= widthMm && box[low] <= heightMm ? [wide, low] : [low, wide];
  const [a, b, , d] = corners;
  const left = (widthMm - box[across]) / 2;
  const at = (s: number, t: number): Point3 => ({
    x: a.x + ((left + s) / widthMm) * (b.x - a.x) + (t / heightMm) * (d.x - a.x),
    y: a.y + ((left + s) / widthMm) * (b.y - a.y) + (t / heightMm) * (d.y - a.y),
    z: 0,
  });
  return placements.map(({ at: corner, size }) => {
    const [s, t] = [corner[across], corner[up]];
    const [u, v] = [s + size[across], t + size[up]];
    return [at(s, t), at(u, t), at(u, v), at(s, v)];
  });
}

/** A pocket may be made so much larger than its contents ask, as a share, for them to lie flat in it. */
const ENLARGED = 1.1;

/** What is so thick that a pocket that is made to its measure would not lie flat does not belong into one. */
function isFlat({ box }: Arrangement, ease: EaseId): boolean {
  const [thick, low] = [...box].sort((p, q) => p - q);
  return thick <= ENLARGED * THICK_SHARE * (low + POCKET_EASE_MM[ease] + thick);
}

const POCKET_KIND = roomKind('pocket', KEYS, {
  names: { widthMm: 'Pocket, wide', heightMm: 'Pocket, high' },
  holds: ['flat things'],
  demands({ purpose, options, lying: packings }) {
    const flat = packings.filter((arrangement) => isFlat(arrangement, options.ease));
    if (purpose.kind !== 'hold' || !flat.length) return null;
    return flat.flatMap((arrangement) => {
      const [thick, low, wide] = [...arrangement.box].sort((p, q) => p - q);
      return [
        [wide, low],
        [low, wide],
      ].map(([across, up]) => ({ demands: inPocket(across, up, thick, options), arrangement }));
    });
  },
  refuses: ({ options: { ease }, lying: packings }) =>
    packings.length && !packings.some((arrangement) => isFlat(arrangement, ease))
      ? 'what goes in is too thick for a pocket that lies flat'
      : null,
  outline: ({ corners = [] }) => corners,
  shown({ sizes, corners = [] }) {
    const size = Math.max(sizes.widthMm, sizes.heightMm);
    const at = (up: number): Point3[] => corners.map((p) => ({ ...p, z: p.z + up * size }));
    return prism(at(HELD), at(HELD + DRAWN_THICK));
  },
  lying,
});

/**
 * A flat pocket: between its sides and from its bottom to its mouth, lying flat. Contents take their thickness off both, once
 * or as often as it is told; thicker ones than the most do not let it lie flat.
 */
export const POCKET = {
  ...POCKET_KIND,
  /**
   * @param corners where the largest flat thing would lie on the table, corner by corner
   * @param more how many times thickness counts, and the most, where that is not a fifteenth of the shorter side
   */
  of(
    { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
    corners?: readonly Point3[],
    more: { readonly thicknessTimes?: number; readonly mostThickMm?: number } = {},
  ): Room<Key> {
    const mostThickMm = more.mostThickMm ?? THICK_SHARE * Math.min(widthMm, heightMm);
    return POCKET_KIND.of({ widthMm, heightMm, thicknessTimes: more.thicknessTimes ?? 1, mostThickMm }, corners);
  },
};
