import { seededNormal } from '../measure/seeded-random';
import type { Room } from '../purpose/demand';
import { DRAWS, type Offsets } from './chance';
import type { Fitting } from './fitting';

/**
 * What is known of a hand from what it has folded: how far it misses and to which side, and how sure that is. A lean is told in
 * millimetres at the fold: a size that a miss of 1 mm spreads by u mm comes out larger by u times the lean.
 */
export interface Lean {
  /** How far it misses, one standard deviation in mm. */
  readonly missMm: number;
  /** How sure that is: one standard deviation of its natural logarithm. */
  readonly missSpread: number;
  readonly leanMm: number;
  readonly leanSdMm: number;
}

/** What is known of a hand at one form: for sizes that were measured, how those lean. */
export interface LeanAtForm extends Lean {
  readonly pieces: number;
  /** By the names that sizes have in all makes. */
  readonly sizes: Readonly<Record<string, { readonly leanMm: number; readonly leanSdMm: number }>>;
}

/** A hand on one paper, or on whatever paper: what is known of it at all forms, and at each that it folded. */
export interface LearnedHand extends Lean {
  /** Pieces that were measured of it, on that paper. */
  readonly pieces: number;
  readonly forms: Readonly<Record<string, LeanAtForm>>;
}

/** What is known of a hand, and how it is called where an answer says so: “your hand on kraft”. */
export interface HandCalled extends LearnedHand {
  readonly called: string;
}

/** What is known of a hand at a form: of that form where it folded any, else of all. */
export function leanAt(hand: LearnedHand, formId: string): LeanAtForm {
  if (Object.hasOwn(hand.forms, formId)) return hand.forms[formId];
  const { missMm, missSpread, leanMm, leanSdMm } = hand;
  return { missMm, missSpread, leanMm, leanSdMm, pieces: 0, sizes: {} };
}

/** How far such a hand comes out from a size, all doubts about it together, for a size that a miss of 1 mm spreads by 1 mm. */
export const missInAllMm = ({ missMm, missSpread, leanSdMm }: Lean): number =>
  Math.hypot(missMm * Math.exp(missSpread ** 2), leanSdMm);

/** A lean as it moves the sizes of one room. */
export interface RoomLean {
  readonly lean: Lean;
  /** By the names of the room's sizes; what is not named leans as the hand does. */
  readonly sizes: LeanAtForm['sizes'];
}

/** What is known of a hand, for the first room of an entry. */
export function leanOfRoom({ sizes, ...lean }: LeanAtForm, entryKey: string, { kind }: Pick<Room, 'kind'>): RoomLean {
  const prefix = `${entryKey}/${kind}.`;
  const own = Object.entries(sizes).flatMap(([key, size]) =>
    key.startsWith(prefix) ? [[key.slice(prefix.length), size] as const] : [],
  );
  return { lean, sizes: Object.fromEntries(own) };
}

/** The causes of luck that stand for what is not known of a hand: no form lines up so many folds, nor finds so many marks. */
const [SPREAD_LUCK, LEAN_LUCK] = [4000, 4001] as const;

/** By how much each size leans that a miss of 1 mm spreads so far, in mm. */
export const leansOf = ({ lean, sizes }: RoomLean, { names, spreads }: Offsets): readonly number[] =>
  names.map((name, r) => spreads[r] * (Object.hasOwn(sizes, name) ? sizes[name].leanMm : lean.leanMm));

/**
 * The draws of a hand that misses by 1 mm, as one that is known so far draws them: to its side, and in each draw as it may be.
 * @param handMm what a draw is multiplied by afterwards, in mm
 */
export function withLean(fitting: Pick<Fitting, 'luckOf'>, offsets: Offsets, known: RoomLean, handMm: number): Offsets {
  const { names, draws, spreads } = offsets;
  const { lean, sizes } = known;
  const [wide, side] = [fitting.luckOf(SPREAD_LUCK), fitting.luckOf(LEAN_LUCK)];
  const scale = Float64Array.from(wide, (z) => (lean.missMm * Math.exp(lean.missSpread * z)) / handMm);
  return {
    ...offsets,
    draws: draws.map((row, r) => {
      const own = Object.hasOwn(sizes, names[r]) ? sizes[names[r]] : lean;
      const [at, sd] = [(spreads[r] * own.leanMm) / handMm, (spreads[r] * own.leanSdMm) / handMm];
      const drawn = new Float64Array(DRAWS);
      for (let n = 0; n < DRAWS; n++) drawn[n] = at + sd * side[n] + scale[n] * row[n];
      return drawn;
    }),
  };
}

/** A hand as it may be, one after another: how far it misses in one piece, and by how much each size leans there. */
export function leanDrawn(
  known: RoomLean,
  offsets: Offsets,
  seed: number,
): () => { readonly missMm: number; readonly offMm: Readonly<Record<string, number>> } {
  const normal = seededNormal(seed);
  const { lean, sizes } = known;
  return () => {
    const [wide, side] = [normal(), normal()];
    const off = offsets.names.map((name, r) => {
      const own = Object.hasOwn(sizes, name) ? sizes[name] : lean;
      return [name, offsets.spreads[r] * (own.leanMm + side * own.leanSdMm)] as const;
    });
    return { missMm: lean.missMm * Math.exp(lean.missSpread * wide), offMm: Object.fromEntries(off) };
  };
}
