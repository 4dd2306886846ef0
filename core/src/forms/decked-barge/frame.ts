import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import { type CreaseRow, onParts, type Place, type SheetPart } from '../../folding/crease-rows';
import { point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { extentOf } from '../../pattern/crease-pattern';
import { type Limits, refuseUnsuited } from '../limits';

export const deckedBargeParams = z.object({
  /** Height of the sides; one sixteenth of the sheet's diagonal where nothing is measured. */
  sideMm: z.number().positive().nullable().default(null),
  /** Depth of the deck at the stern; as much as the sides are high where nothing is measured. */
  deckMm: z.number().positive().nullable().default(null),
  tabs: z.enum(['out', 'floor']).default('out'),
  bow: z.enum(['beak', 'floor']).default('beak'),
});

export type DeckedBargeParams = z.infer<typeof deckedBargeParams>;

/** In sixteenths of the sheet's diagonal: below the least there is no side, above the most the bow has no paper for its lock. */
const [LOWEST, HIGHEST] = [1 / 2, 1.3] as const;

/** Twice the sides and the deck: more would leave nothing of the tip for its foot. */
const DEEPEST = 3.9;

const unitOf = (side: number): number => (side * Math.SQRT2) / 16;

export const sideLimits = (side: number): Limits => [LOWEST * unitOf(side), HIGHEST * unitOf(side)];
/** The deck covers its corners, and its front reaches the floor. */
export const deckLimits = (side: number, sideMm: number): Limits => [sideMm, DEEPEST * unitOf(side) - 2 * sideMm];

/** Lengths in mm; places from the middle of the sheet: along the boat towards its bow, and across. */
export interface BargeFrame {
  readonly side: number;
  /** A sixteenth of the diagonal. */
  readonly g: number;
  /** Height of the sides, half of the beam, depth of the deck. */
  readonly h: number;
  readonly b: number;
  readonly d: number;
  readonly at: SheetPart;
}

/** @throws RangeError for lengths that do not suit the sheet */
export function frameOf(sheet: Sheet, { sideMm, deckMm }: DeckedBargeParams): BargeFrame {
  const side = extentOf(sheet.outline);
  const g = unitOf(side);
  const h = sideMm ?? g;
  refuseUnsuited('Sides', h, sideLimits(side), side);
  const d = deckMm ?? h;
  refuseUnsuited('Deck', d, deckLimits(side, h), side);
  const at: SheetPart = ([x, y]) => point(side / 2 + (x - y) * Math.SQRT1_2, side / 2 + (x + y) * Math.SQRT1_2);
  return { side, g, h, b: 4 * g - 2 * h, d, at };
}

/** Rows of one half and of its mirror image across the boat's axis. */
export const onBothSides = ({ at }: BargeFrame, rows: readonly CreaseRow[]): CreaseAngle[] =>
  onParts([at, ([x, y]) => at([x, -y])], rows);

/** The sides opened upright all along, the tips of the side corners flat on the floor. */
export function sidesUp({ g, h, b }: BargeFrame): readonly CreaseRow[] {
  const [end, raw] = [4 * g, 4 * g + 2 * h];
  return [
    ['floor', [-end, b], [end, b], 90],
    ['floor', [end, b], [raw, b], 90],
    ['floor', [-end, b], [-raw, b], 90],
    ['tab', [-b, raw], [b, raw], -90],
  ];
}

/** One end raised, its corners laid against it inside: the bow towards +1, the stern towards -1. What is above the rim stands. */
export function endUp({ g, h, b }: BargeFrame, way: 1 | -1): readonly CreaseRow[] {
  const x = (along: number): number => way * along;
  const [end, rim, raw] = [4 * g, 4 * g + h, 4 * g + 2 * h];
  return [
    ['end', [x(end), 0], [x(end), b], 90],
    ['end', [x(end), b], [x(end), 4 * g - h], 90],
    ['end', [x(end), 4 * g - h], [x(end), 4 * g], -90],
    ['floor', [x(end), b], [x(raw), b], 180],
    ['corner', [x(end), b], [x(rim), 4 * g - h], -180],
  ];
}

/** What is above the rim of an end folded in: its corners fold once more with it. */
const turnedIn = ({ g, h, b }: BargeFrame, way: 1 | -1, deg: number): readonly CreaseRow[] => [
  ['end rim', [way * (4 * g + h), 0], [way * (4 * g + h), b], deg],
  ['corner rim', [way * (4 * g + h), b], [way * (4 * g + h), 4 * g - h], -deg],
];

const across = (name: string, way: 1 | -1, along: number, g: number, deg: number): CreaseRow => {
  const place = (y: number): Place => [way * along, y];
  return [name, place(0), place(8 * g - along), deg];
};

/** The deck, its front wall, and the foot that lies on the floor. */
export const decked = (frame: BargeFrame): readonly CreaseRow[] => {
  const { g, h, d } = frame;
  return [
    ...turnedIn(frame, -1, 90),
    across('front', -1, 4 * g + h + d, g, 90),
    across('foot', -1, 4 * g + 2 * h + d, g, -90),
  ];
};

/** The flap of the bow down inside the end, and up again over the rim as a beak; or its tip laid on the floor. */
export const beaked = (frame: BargeFrame, bow: DeckedBargeParams['bow']): readonly CreaseRow[] => {
  const { g, h } = frame;
  return [
    ...turnedIn(frame, 1, 180),
    across('lock', 1, 4 * g + 2 * h, g, bow === 'beak' ? -180 : -90),
    across('beak', 1, 4 * g + 3 * h, g, bow === 'beak' ? -90 : 0),
  ];
};

/** The tips of the side corners up against the sides and out over the rim. */
export const tabsOut = ({ g, h, b }: BargeFrame): readonly CreaseRow[] => [
  ['tab', [-b, 4 * g + 2 * h], [b, 4 * g + 2 * h], -180],
  ['tab rim', [-(4 * g - 3 * h), 4 * g + 3 * h], [4 * g - 3 * h, 4 * g + 3 * h], -90],
];
