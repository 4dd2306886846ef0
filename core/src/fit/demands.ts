import { afloat, carriedG, hullOf } from '../forms/canoe/afloat';
import { COMFORT_SHARE } from '../forms/flat-cup/flat-cup';
import type { Cavity } from '../forms/form';
import type { Arrangement } from './arrange';
import { boxOf, heapShare, type Purpose, type Thing, volumeOf } from './contents';
import { type EaseId, easeMm, EASES } from './ease';
import type { FitOptions, Prepared } from './prepare';

/** A room that no form of the first shelf has: a slot for a strap, a track for a ball. */
export type OtherRoom =
  | { readonly kind: 'slot'; readonly widthMm: number; readonly gapMm: number }
  | { readonly kind: 'track'; readonly widthMm: number; readonly depthMm: number };

type AnyRoom = Cavity | OtherRoom;
type RoomOf<K extends AnyRoom['kind']> = Extract<AnyRoom, { kind: K }>;

/** What a pouch of an outline holds at most, in ml: known once its shape has been worked out. */
export type PouchVolume = (pouch: Extract<Cavity, { kind: 'pouch' }>) => number | null;

/** A room, and what else a need may ask of the piece. */
export interface Room<K extends AnyRoom['kind'] = AnyRoom['kind']> {
  readonly cavity: RoomOf<K>;
  readonly sheetAreaMm2: number;
  readonly pouchMl: PouchVolume;
}

/** A part of a need: the things themselves, ease, thickness, fingers. */
export interface Term {
  readonly name: string;
  readonly value: number;
}

/** One thing that must be so: what there is of it in a room, and what is needed. */
export interface Demand {
  readonly name: string;
  readonly unit: 'mm' | 'g' | 'ml';
  readonly have: (room: Room) => number;
  readonly need: (room: Room) => number;
  /** What the need is made of, where it is a sum; parts may be nothing. */
  readonly terms?: (room: Room) => readonly Term[];
  /** It takes long to work out, and runs smoothly: misses may be judged by its slopes. */
  readonly smooth?: true;
}

/** One way to fit: all of it must be so. */
export interface WayToFit {
  readonly demands: readonly Demand[];
  /** How the things lie, for a set. */
  readonly arrangement: Arrangement | null;
}

/** Room beside a flat thing in a pocket, both sides together, in mm: makers leave 2 to 3. */
export const POCKET_EASE_MM: Readonly<Record<EaseId, number>> = { snug: 1, easy: 2.5, loose: 5 };
/** What stands in a boat may rise so many times as high as its sides: a judgement, for a weight that is not known. */
const TALL_SHARE = 2;
/** What fingers need to pull a card out, in mm. */
export const FINGER_MM = 4;
/** Pockets whose contents are thicker than this share of their shorter side do not lie flat: a judgement. */
const THICK_SHARE = 1 / 15;
/** A bundle of pages thicker than this share of the covered edge spreads the corner's folds. */
const PAGES_SHARE = 1 / 25;
/** A boat is loaded until the water stands this far up its side: the rest is freeboard. */
export const LOADED_SHARE = 0.7;
/** Less than this over its weights, a metacentre does not hold a boat upright against a child's finger, in mm. */
const LEAST_STABILITY_MM = 2;

/** A room of the kind that a demand is about. */
function ofKind<K extends AnyRoom['kind']>(kind: K, room: Room): Room<K> {
  if (room.cavity.kind !== kind) throw new RangeError(`This is asked of a ${kind}, not of a ${room.cavity.kind}.`);
  return room as unknown as Room<K>;
}

/** A demand on one kind of room. */
function demand<K extends AnyRoom['kind']>(
  kind: K,
  name: string,
  have: (room: Room<K>) => number,
  need: number | ((room: Room<K>) => number),
  more: Partial<Pick<Demand, 'unit' | 'terms' | 'smooth'>> = {},
): Demand {
  return {
    name,
    unit: 'mm',
    have: (room) => have(ofKind(kind, room)),
    need: typeof need === 'number' ? () => need : (room) => need(ofKind(kind, room)),
    ...more,
  };
}

/** The same where the need is a sum. */
function summed<K extends AnyRoom['kind']>(
  kind: K,
  name: string,
  have: (room: Room<K>) => number,
  terms: readonly Term[],
): Demand {
  return demand(
    kind,
    name,
    have,
    terms.reduce((sum, { value }) => sum + value, 0),
    { terms: () => terms },
  );
}

/**
 * All ways in which a kind of room can answer a purpose.
 * @returns null when it does not answer that kind of purpose
 */
export function demandsOn(
  kind: AnyRoom['kind'],
  { purpose, options, standing, lying }: Prepared,
): readonly WayToFit[] | null {
  const ways = waysFor(kind, purpose, options, standing, lying);
  return ways?.length ? ways : null;
}

const alone = (...demands: readonly Demand[]): readonly WayToFit[] => [{ demands, arrangement: null }];

function waysFor(
  kind: AnyRoom['kind'],
  purpose: Purpose,
  options: FitOptions,
  standing: readonly Arrangement[],
  lying: readonly Arrangement[],
): readonly WayToFit[] | null {
  switch (purpose.kind) {
    case 'hold':
      return holding(kind, options, standing, lying);
    case 'loose':
      return pouring(kind, purpose.piece.thing, purpose.piece.count, options.ease);
    case 'liquid':
      return kind === 'pouch' ? alone(comfortably(purpose.ml)) : null;
    case 'pages':
      if (kind !== 'corner') return null;
      // A bundle seats half its thickness short of the point.
      return alone(
        demand(kind, 'grip on the corner', ({ cavity }) => cavity.depthMm, purpose.gripMm + purpose.thickMm / 2),
        demand(kind, 'thickness that the folds take', ({ cavity }) => PAGES_SHARE * cavity.legMm, purpose.thickMm),
      );
    case 'load': {
      if (kind !== 'hull') return null;
      const paperG = ({ sheetAreaMm2 }: Pick<Room, 'sheetAreaMm2'>): number => options.gsm * sheetAreaMm2 * 1e-6;
      return alone(
        // The lower of the two decides; each by itself runs smoothly.
        ...(['side', 'tip'] as const).map((part) =>
          demand(
            kind,
            `carried with three tenths of the ${part} dry`,
            (room) =>
              carriedG(hullOf(room.cavity), LOADED_SHARE * room.cavity[part === 'side' ? 'sideMm' : 'tipMm']) -
              paperG(room),
            purpose.grams,
            { unit: 'g', smooth: true },
          ),
        ),
        demand(
          kind,
          'metacentre over the weights',
          (room) => afloat(hullOf(room.cavity), purpose, paperG(room))?.stabilityMm ?? 0,
          LEAST_STABILITY_MM,
          { smooth: true },
        ),
      );
    }
    case 'strap':
      if (kind !== 'slot') return null;
      return alone(
        demand(kind, 'slot, wide', ({ cavity }) => cavity.widthMm, purpose.widthMm + EASES[options.ease].mm),
        demand(kind, 'slot, high', ({ cavity }) => cavity.gapMm, purpose.thickMm),
      );
    case 'bead':
      if (kind !== 'track') return null;
      return alone(
        demand(kind, 'track, wide', ({ cavity }) => cavity.widthMm, purpose.diameterMm + EASES[options.ease].mm),
        // A wall up to the ball's middle keeps it on the track.
        demand(kind, 'track, deep', ({ cavity }) => cavity.depthMm, purpose.diameterMm / 2),
      );
  }
}

const comfortably = (ml: number): Demand =>
  demand('pouch', 'comfortably filled', ({ cavity, pouchMl }) => COMFORT_SHARE * (pouchMl(cavity) ?? 0), ml, {
    unit: 'ml',
  });

const longSide = ({ cavity }: Room<'box'>): number => Math.max(cavity.lengthMm, cavity.widthMm);
const shortSide = ({ cavity }: Room<'box'>): number => Math.min(cavity.lengthMm, cavity.widthMm);
const deep = ({ cavity }: Room<'box'>): number => cavity.depthMm;

function holding(
  kind: AnyRoom['kind'],
  options: FitOptions,
  standing: readonly Arrangement[],
  lying: readonly Arrangement[],
): readonly WayToFit[] | null {
  const { ease } = options;
  const roomy = (size: number): readonly Term[] => [
    { name: 'contents', value: size },
    { name: 'ease', value: easeMm(size, ease) },
  ];
  if (kind === 'box')
    return standing.map((arrangement) => {
      const [a, b, c] = arrangement.box;
      return {
        demands: [
          summed(kind, 'length', longSide, roomy(Math.max(a, b))),
          summed(kind, 'width', shortSide, roomy(Math.min(a, b))),
          summed(kind, 'depth', deep, roomy(c)),
        ],
        arrangement,
      };
    });
  if (kind === 'hull')
    return standing.map((arrangement) => {
      const [a, b, c] = arrangement.box;
      return {
        demands: [
          summed(kind, 'floor, long', ({ cavity }) => cavity.floorLengthMm, roomy(Math.max(a, b))),
          summed(kind, 'floor, wide', ({ cavity }) => cavity.floorWidthMm, roomy(Math.min(a, b))),
          demand(kind, 'height that does not topple it', ({ cavity }) => TALL_SHARE * cavity.sideMm, c),
        ],
        arrangement,
      };
    });
  if (kind !== 'pocket' && kind !== 'pouch') return null;
  return lying.flatMap((arrangement) => {
    const [thick, low, wide] = [...arrangement.box].sort((p, q) => p - q);
    return [
      [wide, low],
      [low, wide],
    ].map(([across, up]) => ({
      demands: kind === 'pocket' ? inPocket(across, up, thick, options) : inPouch(across, up, thick, ease),
      arrangement,
    }));
  });
}

/** How many times a pocket takes the contents' thickness off its sides. */
const timesOf = (cavity: AnyRoom): number => (cavity.kind === 'pocket' ? (cavity.thicknessTimes ?? 1) : 1);

function inPocket(across: number, up: number, thick: number, { ease, fingerRoom }: FitOptions): readonly Demand[] {
  const around = (size: number, fingers: number): readonly Term[] => [
    { name: 'contents', value: size },
    { name: 'ease', value: POCKET_EASE_MM[ease] },
    { name: 'room for fingers', value: fingers },
  ];
  /** What contents take of a side: their thickness as often as this pocket counts it. */
  const sided = (name: string, have: (room: Room<'pocket'>) => number, terms: readonly Term[]): Demand => {
    const rest = terms.reduce((sum, { value }) => sum + value, 0);
    const [contents, ...others] = terms;
    return demand('pocket', name, have, ({ cavity }) => rest + timesOf(cavity) * thick, {
      terms: ({ cavity }) => [contents, { name: 'their thickness', value: timesOf(cavity) * thick }, ...others],
    });
  };
  return [
    sided('pocket, wide', ({ cavity }) => cavity.widthMm, around(across, fingerRoom ? FINGER_MM : 0)),
    sided('pocket, high', ({ cavity }) => cavity.heightMm, around(up, 0)),
    demand(
      'pocket',
      'thickness that lies flat',
      ({ cavity }) => cavity.mostThickMm ?? THICK_SHARE * Math.min(cavity.widthMm, cavity.heightMm),
      thick,
    ),
  ];
}

/** A pouch narrows towards its bottom: where the lower corners of a flat thing come to lie, it must still be wide enough. */
function inPouch(across: number, up: number, thick: number, ease: EaseId): readonly Demand[] {
  return [
    demand('pouch', 'pouch, deep', ({ cavity }) => cavity.depthMm, up),
    demand(
      'pouch',
      'pouch, wide at the lower corners',
      ({ cavity: { mouthMm, bottomMm, depthMm } }) => mouthMm - ((mouthMm - bottomMm) / depthMm) * up,
      across + thick + POCKET_EASE_MM[ease],
    ),
    demand('pouch', 'thickness that lies flat', ({ cavity }) => THICK_SHARE * cavity.mouthMm, thick),
  ];
}

function pouring(kind: AnyRoom['kind'], thing: Thing, count: number, ease: EaseId): readonly WayToFit[] | null {
  const sides = [...boxOf(thing)].sort((p, q) => q - p);
  const heapMm3 = (count * volumeOf(thing)) / heapShare(thing);
  const passes = sides.map((side) => side + easeMm(side, ease));
  if (kind === 'box')
    return alone(
      demand(kind, 'length', longSide, passes[0]),
      demand(kind, 'width', shortSide, passes[1]),
      demand(kind, 'depth, filled level', deep, ({ cavity }) =>
        Math.max(passes[2], heapMm3 / (cavity.lengthMm * cavity.widthMm)),
      ),
    );
  if (kind !== 'pouch') return null;
  return alone(
    comfortably(heapMm3 / 1000),
    // Pressed round, the rim is as long as before.
    demand(kind, 'mouth, across', ({ cavity }) => (2 * cavity.mouthMm) / Math.PI, passes[1]),
  );
}
