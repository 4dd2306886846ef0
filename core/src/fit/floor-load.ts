import type { Purpose } from '../purpose/purpose';
import { BOX } from '../rooms/box';
import type { SizedPiece } from './size-options';

/**
 * Bending stiffness of papers: Young's modulus in N/mm², from across the grain in damp air to along it in dry air, as handbooks
 * of paper physics give it for printing papers; and Poisson's ratio.
 */
const MODULUS = { least: 2000, most: 6000 } as const;
const POISSON = 0.25;
/** A floor that sags by more than this share of its shorter side lets things lean and slide: a judgement. */
const SAG_SHARE = 1 / 20;
const GRAVITY = 9.81e-3;

/**
 * Sag of a rectangular plate under an even load, as a share of q b⁴ / D, by the ratio of its sides: lying free on its edges, and
 * held in them (Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells).
 */
const SAGS: readonly (readonly [ratio: number, free: number, held: number])[] = [
  [1, 0.00406, 0.00126],
  [1.2, 0.00564, 0.00172],
  [1.4, 0.00705, 0.00207],
  [1.6, 0.0083, 0.0023],
  [1.8, 0.00931, 0.00245],
  [2, 0.01013, 0.00254],
  [3, 0.01223, 0.0026],
  [5, 0.01302, 0.0026],
];

function sagOf(ratio: number, which: 1 | 2): number {
  const above = SAGS.findIndex(([at]) => at >= ratio);
  if (above === 0) return SAGS[0][which];
  if (above < 0) return SAGS[SAGS.length - 1][which];
  const [low, high] = [SAGS[above - 1], SAGS[above]];
  return low[which] + ((ratio - low[0]) / (high[0] - low[0])) * (high[which] - low[which]);
}

/** What a floor carries when it is lifted by its walls, before it sags visibly: from and to, in g. */
export interface FloorLoad {
  readonly leastG: number;
  readonly mostG: number;
}

/**
 * An estimate from the stiffness of paper as a plate: layers that are not glued bend each for itself. Once it sags, paper pulls
 * on the walls and carries more; this tells where that begins.
 * @param floor its sides in mm
 * @param paper thickness of a layer in mm, and how many lie in the floor
 */
export function floorCarries(
  floor: { readonly lengthMm: number; readonly widthMm: number },
  paper: { readonly thicknessMm: number; readonly layers: number },
): FloorLoad {
  const [a, b] = [Math.max(floor.lengthMm, floor.widthMm), Math.min(floor.lengthMm, floor.widthMm)];
  const grams = (modulus: number, sag: number): number => {
    const stiffness = (paper.layers * modulus * paper.thicknessMm ** 3) / (12 * (1 - POISSON ** 2));
    return (SAG_SHARE * b * stiffness * a * b) / (sag * b ** 4) / GRAVITY;
  };
  return { leastG: grams(MODULUS.least, sagOf(a / b, 1)), mostG: grams(MODULUS.most, sagOf(a / b, 2)) };
}

/** How a floor bears what lies on it when it is lifted. */
export type FloorBears = 'flat' | 'may sag' | 'sags';

/** What an answer loses of its score for a floor that sags, as a share. */
const LOST: Readonly<Record<FloorBears, number>> = { flat: 0, 'may sag': 0.05, sags: 0.1 };

/** A floor under a weight. */
export interface FloorUnder extends FloorLoad {
  readonly grams: number;
  readonly bears: FloorBears;
  /** The share of its score that an answer loses by it. */
  readonly lowers: number;
}

/**
 * How the floor of an answer bears the weight that its purpose names.
 * @returns null where no weight is named, or it has no floor between walls
 */
export function floorUnder(
  { room, layers }: Pick<SizedPiece, 'room' | 'layers'>,
  purpose: Purpose,
  thicknessMm: number,
): FloorUnder | null {
  if ((purpose.kind !== 'hold' && purpose.kind !== 'loose') || !purpose.grams || room.kind !== BOX.id) return null;
  const { grams } = purpose;
  const { lengthMm, widthMm } = room.sizes as Readonly<Record<'lengthMm' | 'widthMm', number>>;
  const load = floorCarries(
    { lengthMm, widthMm },
    { thicknessMm, layers: layers.find(({ name }) => name === 'floor')?.count ?? 1 },
  );
  const bears = grams <= load.leastG ? 'flat' : grams <= load.mostG ? 'may sag' : 'sags';
  return { ...load, grams, bears, lowers: LOST[bears] };
}
