import type { Item } from '../bodies/contents';
import { boxOf, volumeOf } from '../bodies/contents';
import { type Demand, demandsOn, type RoomAsked } from '../purpose/demand';
import { easeMm } from '../purpose/ease';
import type { Prepared } from '../purpose/prepare';
import { roomKind } from './room-kind';

const KEYS = ['sideMm', 'heightMm', 'tubes'] as const;
type Key = (typeof KEYS)[number];
type Sizes = Readonly<Record<Key, number>>;

/**
 * Equal discs in an equilateral triangle: the least side of one that holds so many, in radii. Exact for 1, 3, 6, 10, 15, 21 (rows on
 * rows) and for 2; 5 as 6; 4 and 7 as the best arrangements that a search found; all others as the next full triangle.
 */
const SIDE_OF: readonly (readonly [count: number, radii: number])[] = [
  [1, 2 * Math.sqrt(3)],
  [3, 2 + 2 * Math.sqrt(3)],
  [4, 4 * Math.sqrt(3)],
  [6, 4 + 2 * Math.sqrt(3)],
  [7, 8.97],
  [10, 6 + 2 * Math.sqrt(3)],
  [15, 8 + 2 * Math.sqrt(3)],
  [21, 10 + 2 * Math.sqrt(3)],
];

/** The least side of a triangle that holds so many discs, in radii; rows upon rows beyond the table. */
export function radiiFor(count: number): number {
  const known = SIDE_OF.find(([most]) => count <= most);
  if (known) return known[1];
  const rows = Math.ceil((Math.sqrt(8 * count + 1) - 1) / 2);
  return 2 * (rows - 1) + 2 * Math.sqrt(3);
}

/** A pen stands out so far that fingers take hold of it, in mm. */
const STANDS_OUT_MM = 15;
/** A pen that leans on the rim stays in while its middle is no higher than the rim: no longer than twice the tube. */
const LONGEST_TIMES = 2;
/** Where nobody says what long things weigh, they are taken to be as dense as water, in g/mm³. */
export const UNSAID_DENSITY = 0.001;

const { demand, summed } = demandsOn<Key>();

const roundness = ({ thing }: Item): { readonly acrossMm: number; readonly longMm: number } => {
  if (thing.shape === 'cylinder') return { acrossMm: thing.diameterMm, longMm: thing.lengthMm };
  const [long, wide] = [...boxOf(thing)].sort((p, q) => q - p);
  return { acrossMm: wide, longMm: long };
};

/**
 * How long pens may be before they tip the ring when all stand in one half of it, leaning outwards: the turning moment of their
 * push on the rim against the weight of the ring about its outer edge. A pen in the middle of three tubes pushes wholly outwards, those
 * beside it by half. An estimate: the pens stand on the table, friction is left out.
 */
function longestMm({ sideMm, heightMm }: Sizes, ringG: number, pens: number, penG: number): number {
  const depth = (sideMm * Math.sqrt(3)) / 2;
  const lean = Math.atan2(depth, heightMm);
  return (2 * ringG * depth) / (pens * penG * Math.sin(lean) * Math.cos(lean) ** 2);
}

function demandsOf({ purpose, options: { ease, gsm } }: Prepared): readonly Demand<Key>[] | null {
  if (purpose.kind !== 'hold') return null;
  const pens = purpose.pieces.map((item) => ({ item, ...roundness(item) }));
  if (pens.some(({ acrossMm, longMm }) => longMm < 3 * acrossMm)) return null;
  const count = pens.reduce((sum, { item }) => sum + item.count, 0);
  const thickest = Math.max(...pens.map(({ acrossMm }) => acrossMm));
  const longest = Math.max(...pens.map(({ longMm }) => longMm));
  const shortest = Math.min(...pens.map(({ longMm }) => longMm));
  const grams =
    purpose.grams ?? UNSAID_DENSITY * pens.reduce((sum, { item }) => sum + item.count * volumeOf(item.thing), 0);
  const perTube = (tubes: number): number => Math.ceil(count / tubes);
  const ringG = ({ tubes }: Sizes, { sheetAreaMm2 }: RoomAsked<Key>): number => tubes * gsm * sheetAreaMm2 * 1e-6;
  return [
    demand(
      'side of a tube',
      ({ sideMm }) => sideMm,
      ({ tubes }) => (radiiFor(perTube(tubes)) * thickest) / 2 + easeMm(thickest, ease),
    ),
    summed('twice the height, so that they do not topple', ({ heightMm }) => LONGEST_TIMES * heightMm, [
      { name: 'the longest', value: longest },
    ]),
    demand('over the rim, for fingers', ({ heightMm }) => shortest - heightMm, STANDS_OUT_MM),
    demand(
      'length that does not tip it, all on one side',
      (sizes, asked) => longestMm(sizes, ringG(sizes, asked), 2 * perTube(sizes.tubes), grams / count),
      longest,
    ),
  ];
}

/** A ring of equal upright tubes, each a triangle: its side inside, how high, and how many. Long things stand in them. */
export const TUBES = roomKind('tubes', KEYS, {
  names: { sideMm: 'Tube, each side inside', heightMm: 'Tubes, high' },
  holds: ['pens'],
  demands(prepared) {
    const demands = demandsOf(prepared);
    return demands && [{ demands, arrangement: null }];
  },
});
