import { afloat, carriedG, hullOf } from '../forms/canoe/afloat';
import { COMFORT_SHARE } from '../forms/flat-cup/flat-cup';
import type { Cavity } from '../forms/form';
import { type Arrangement, arrangements, type Turning } from './arrange';
import { boxOf, heapShare, type Purpose, type Thing, volumeOf } from './contents';
import { type EaseId, easeMm, EASES } from './ease';

/** How a purpose is to be met. */
export interface FitOptions {
  readonly ease: EaseId;
  readonly turning: Turning;
  /** Flat things are taken out again and again: fingers need room beside them. */
  readonly fingerRoom: boolean;
  /** Weight of the paper in g/m²: a boat carries itself. */
  readonly gsm: number;
}

/** A room that no form of the first shelf has: a slot for a strap, a track for a ball. */
export type OtherRoom =
  | { readonly kind: 'slot'; readonly widthMm: number; readonly gapMm: number }
  | { readonly kind: 'track'; readonly widthMm: number; readonly depthMm: number };

/** One thing that must be so: what there is of it, and what is needed. */
export interface Need {
  readonly name: string;
  readonly have: number;
  readonly need: number;
  readonly unit: 'mm' | 'g' | 'ml';
  /** What the need is made of, where it is a sum; parts may be nothing. */
  readonly terms?: readonly Term[];
}

/** A part of a need: the things themselves, ease, thickness, fingers. */
export interface Term {
  readonly name: string;
  readonly value: number;
}

/** How a purpose fits a room. */
export interface Fit {
  readonly needs: readonly Need[];
  /** Least of what is left over, as a share of what is needed; negative where it does not fit. */
  readonly leastShare: number;
  /** How the things lie, for a set. */
  readonly arrangement: Arrangement | null;
}

/** A purpose with its arrangements worked out, to be held against many rooms. */
export interface Prepared {
  readonly purpose: Purpose;
  readonly options: FitOptions;
  /** Packings as they stand in a box or on a floor, and as they lie in a pocket, the thinnest side being their thickness. */
  readonly standing: readonly Arrangement[];
  readonly lying: readonly Arrangement[];
}

type Packed = Pick<Prepared, 'standing' | 'lying'>;

let packedBefore: { readonly key: string; readonly packed: Packed } | null = null;

/** Those that no other beats, seen by what counts of their sides. */
function unbeaten(
  packings: readonly Arrangement[],
  seen: (box: Arrangement['box']) => readonly number[],
): Arrangement[] {
  const sides = packings.map(({ box }) => seen(box));
  return packings.filter(
    (_, k) =>
      !sides.some(
        (other, i) =>
          i !== k &&
          other.every((side, d) => side <= sides[k][d] + 1e-9) &&
          (i < k || other.some((side, d) => side < sides[k][d] - 1e-9)),
      ),
  );
}

function packedOf(purpose: Extract<Purpose, { kind: 'hold' }>, turning: Turning): Packed {
  const packings = arrangements(purpose.pieces, turning);
  return {
    standing: unbeaten(packings, ([a, b, c]) => [Math.max(a, b), Math.min(a, b), c]),
    lying: unbeaten(
      packings.filter(({ box }) => Math.min(...box) <= FLAT_MM),
      (box) => [...box].sort((p, q) => p - q),
    ),
  };
}

/** Packs the things of a purpose; all forms that answer the same one share the packing. */
export function prepare(purpose: Purpose, options: FitOptions): Prepared {
  if (purpose.kind !== 'hold') return { purpose, options, standing: [], lying: [] };
  const key = JSON.stringify([purpose.pieces, options.turning]);
  if (packedBefore?.key !== key) packedBefore = { key, packed: packedOf(purpose, options.turning) };
  return { purpose, options, ...packedBefore.packed };
}

/** Room beside a flat thing in a pocket, both sides together, in mm: makers leave 2 to 3. */
export const POCKET_EASE_MM: Readonly<Record<EaseId, number>> = { snug: 1, easy: 2.5, loose: 5 };
/** What stands in a boat may rise so many times as high as its sides: a judgement, for a weight that is not known. */
const TALL_SHARE = 2;
/** What fingers need to pull a card out, in mm. */
export const FINGER_MM = 4;
/** Pockets whose contents are thicker than this share of their shorter side do not lie flat: a judgement. */
const THICK_SHARE = 1 / 15;
/** Nothing thicker is a flat thing. */
const FLAT_MM = 10;
/** A bundle of pages thicker than this share of the covered edge spreads the corner's folds. */
const PAGES_SHARE = 1 / 25;
/** A boat is loaded until the water stands this far up its side: the rest is freeboard. */
export const LOADED_SHARE = 0.7;
/** Less than this over its weights, a metacentre does not hold a boat upright against a child's finger, in mm. */
const LEAST_STABILITY_MM = 2;
/** What a pouch of an outline holds at most, in ml: known once its shape has been worked out. */
export type PouchVolume = (pouch: Extract<Cavity, { kind: 'pouch' }>) => number | null;

/** A room, and what else a need may ask of the piece. */
export interface Room {
  readonly cavity: Cavity | OtherRoom;
  readonly sheetAreaMm2: number;
  readonly pouchMl: PouchVolume;
}

const mm = (name: string, have: number, need: number): Need => ({ name, have, need, unit: 'mm' });

/** Written without detours: a search holds a purpose against thousands of rooms. */
function sumOf(name: string, have: number, terms: readonly Term[]): Need {
  let need = 0;
  for (const { value } of terms) need += value;
  return { name, have, need, unit: 'mm', terms };
}

/** Least relative surplus; a need of nothing counts by its surplus alone. */
const shareOf = ({ have, need }: Need): number => (have - need) / Math.max(1e-9, Math.abs(need));

function fitOfNeeds(needs: readonly Need[], arrangement: Arrangement | null = null): Fit {
  let leastShare = Infinity;
  for (const need of needs) leastShare = Math.min(leastShare, shareOf(need));
  return { needs, leastShare, arrangement };
}

/** The best of several ways to fit. */
const bestOf = (fits: readonly Fit[]): Fit | null =>
  fits.reduce<Fit | null>((best, fit) => (best && best.leastShare >= fit.leastShare ? best : fit), null);

/**
 * What a room must have for a purpose, and what it has.
 * @returns null when that kind of room does not answer that kind of purpose
 */
export function fitOf({ purpose, options, standing, lying }: Prepared, room: Room): Fit | null {
  const { cavity } = room;
  switch (purpose.kind) {
    case 'hold':
      return bestOf(
        (cavity.kind === 'box' || cavity.kind === 'hull' ? standing : lying).flatMap((arrangement) =>
          holding(arrangement, options, room),
        ),
      );
    case 'loose':
      return pouring(purpose.piece.thing, purpose.piece.count, options.ease, room);
    case 'liquid': {
      if (cavity.kind !== 'pouch') return null;
      const most = room.pouchMl(cavity);
      return (
        (most &&
          fitOfNeeds([{ name: 'comfortably filled', have: COMFORT_SHARE * most, need: purpose.ml, unit: 'ml' }])) ||
        null
      );
    }
    case 'pages':
      if (cavity.kind !== 'corner') return null;
      // A bundle seats half its thickness short of the point.
      return fitOfNeeds([
        mm('grip on the corner', cavity.depthMm, purpose.gripMm + purpose.thickMm / 2),
        mm('thickness that the folds take', PAGES_SHARE * cavity.legMm, purpose.thickMm),
      ]);
    case 'load': {
      if (cavity.kind !== 'hull') return null;
      const hull = hullOf(cavity);
      const paperG = options.gsm * room.sheetAreaMm2 * 1e-6;
      const floats = afloat(hull, purpose, paperG);
      return fitOfNeeds([
        {
          name: 'carried with three tenths of the side dry',
          have: carriedG(hull, LOADED_SHARE) - paperG,
          need: purpose.grams,
          unit: 'g',
        },
        mm('metacentre over the weights', floats?.stabilityMm ?? 0, LEAST_STABILITY_MM),
      ]);
    }
    case 'strap':
      if (cavity.kind !== 'slot') return null;
      return fitOfNeeds([
        mm('slot, wide', cavity.widthMm, purpose.widthMm + EASES[options.ease].mm),
        mm('slot, high', cavity.gapMm, purpose.thickMm),
      ]);
    case 'bead':
      if (cavity.kind !== 'track') return null;
      return fitOfNeeds([
        mm('track, wide', cavity.widthMm, purpose.diameterMm + EASES[options.ease].mm),
        // A wall up to the ball's middle keeps it on the track.
        mm('track, deep', cavity.depthMm, purpose.diameterMm / 2),
      ]);
  }
}

function holding(arrangement: Arrangement, { ease, fingerRoom }: FitOptions, { cavity }: Room): Fit[] {
  const [a, b, c] = arrangement.box;
  const roomy = (name: string, have: number, size: number): Need =>
    sumOf(name, have, [
      { name: 'contents', value: size },
      { name: 'ease', value: easeMm(size, ease) },
    ]);
  const [long, short] = [Math.max(a, b), Math.min(a, b)];
  if (cavity.kind === 'box')
    return [
      fitOfNeeds(
        [
          roomy('length', Math.max(cavity.lengthMm, cavity.widthMm), long),
          roomy('width', Math.min(cavity.lengthMm, cavity.widthMm), short),
          roomy('depth', cavity.depthMm, c),
        ],
        arrangement,
      ),
    ];
  if (cavity.kind === 'hull')
    return [
      fitOfNeeds(
        [
          roomy('floor, long', cavity.floorLengthMm, long),
          roomy('floor, wide', cavity.floorWidthMm, short),
          mm('height that does not topple it', TALL_SHARE * cavity.sideMm, c),
        ],
        arrangement,
      ),
    ];
  if (cavity.kind !== 'pocket' && cavity.kind !== 'pouch') return [];
  const [thick, low, wide] = [a, b, c].sort((p, q) => p - q);
  const ways = [
    [wide, low],
    [low, wide],
  ];
  if (cavity.kind === 'pocket') {
    const times = cavity.thicknessTimes ?? 1;
    const around = (size: number, fingers: number): Term[] => [
      { name: 'contents', value: size },
      { name: 'their thickness', value: times * thick },
      { name: 'ease', value: POCKET_EASE_MM[ease] },
      { name: 'room for fingers', value: fingers },
    ];
    const most = cavity.mostThickMm ?? THICK_SHARE * Math.min(cavity.widthMm, cavity.heightMm);
    return ways.map(([across, up]) =>
      fitOfNeeds(
        [
          sumOf('pocket, wide', cavity.widthMm, around(across, fingerRoom ? FINGER_MM : 0)),
          sumOf('pocket, high', cavity.heightMm, around(up, 0)),
          mm('thickness that lies flat', most, thick),
        ],
        arrangement,
      ),
    );
  }
  // A pouch narrows towards its bottom: where the lower corners of a flat thing come to lie, it must still be wide enough.
  const narrowing = (cavity.mouthMm - cavity.bottomMm) / cavity.depthMm;
  return ways.map(([across, up]) =>
    fitOfNeeds(
      [
        mm('pouch, deep', cavity.depthMm, up),
        mm('pouch, wide at the lower corners', cavity.mouthMm - narrowing * up, across + thick + POCKET_EASE_MM[ease]),
        mm('thickness that lies flat', THICK_SHARE * cavity.mouthMm, thick),
      ],
      arrangement,
    ),
  );
}

function pouring(thing: Thing, count: number, ease: EaseId, { cavity, pouchMl }: Room): Fit | null {
  const sides = [...boxOf(thing)].sort((p, q) => q - p);
  const heapMm3 = (count * volumeOf(thing)) / heapShare(thing);
  const passes = sides.map((side) => side + easeMm(side, ease));
  if (cavity.kind === 'box')
    return fitOfNeeds([
      mm('length', Math.max(cavity.lengthMm, cavity.widthMm), passes[0]),
      mm('width', Math.min(cavity.lengthMm, cavity.widthMm), passes[1]),
      mm('depth, filled level', cavity.depthMm, Math.max(passes[2], heapMm3 / (cavity.lengthMm * cavity.widthMm))),
    ]);
  if (cavity.kind !== 'pouch') return null;
  const most = pouchMl(cavity);
  if (most === null) return null;
  return fitOfNeeds([
    { name: 'comfortably filled', have: COMFORT_SHARE * most, need: heapMm3 / 1000, unit: 'ml' },
    // Pressed round, the rim is as long as before.
    mm('mouth, across', (2 * cavity.mouthMm) / Math.PI, passes[1]),
  ]);
}
