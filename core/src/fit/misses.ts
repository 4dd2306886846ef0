import { startSheet } from '../folding/hand';
import type { Recording } from '../folding/recording';
import { FORMS } from '../forms/all-forms';
import type { Form } from '../forms/form';
import { sheetFor } from '../forms/make';
import type { Sheet } from '../paper/sheet';
import { flattened, type SizeModel, type SizePoint, type Way } from './size-model';

/** A piece folded exactly once, to be folded again by hands that miss. */
export interface ExactFolding {
  readonly form: Form;
  readonly sheet: Sheet;
  readonly params: unknown;
  readonly recording: Recording;
  readonly thicknessMm: number;
  readonly names: readonly string[];
  readonly exact: Float64Array;
  /** What is folded, in order: titles of the steps in which a fold is lined up. */
  readonly moves: readonly string[];
}

/** Folds the piece of a model at a point, exactly. */
export function foldedExactly(model: SizeModel, { sheet: size, lengths, thicknessMm }: SizePoint): ExactFolding {
  const { way, names } = model;
  const form = FORMS[way.formId];
  const sheet = sheetFor(form, size);
  const given = Object.fromEntries(way.lengths.map((key, k) => [key, lengths[k]]));
  const params = form.params.parse({ ...way.choices, ...given });
  const hand = startSheet(sheet);
  const sizes = flattened(form.sizes(form.fold(hand, sheet, params), sheet, params, thicknessMm));
  const { recording, aligned } = hand;
  return {
    ...{ form, sheet, params, recording, thicknessMm, names, moves: aligned },
    exact: Float64Array.from(names, (name) => sizes[name]),
  };
}

/**
 * Folds it again as a hand does that misses, and tells by how much each size comes out different, in mm.
 * @param only the one aligned fold that is missed, or all of them
 */
export function missedBy(folded: ExactFolding, sigmaMm: number, seed: number, only?: number): Float64Array {
  const { form, sheet, params, recording, thicknessMm, names, exact } = folded;
  const hand = startSheet(sheet, { inexact: { sigmaMm, seed, only }, after: recording });
  const sizes = flattened(form.sizes(form.fold(hand, sheet, params), sheet, params, thicknessMm));
  return Float64Array.from(names, (name, k) => sizes[name] - exact[k]);
}

/** What a hand's misses do to each size: one row for each replay, for a hand that misses by one millimetre. */
export interface Misses {
  readonly rows: readonly Float64Array[];
}

/** Small enough that what comes of a miss is in proportion to it. */
const SMALL_MM = 0.05;

/** Replays behind a chance: its standard error is below 3 %. */
export const QUICK_REPLAYS = 300;

const known = new Map<string, Misses>();

/**
 * Replays a piece in the middle of its range by a hand that misses a little; rows are scaled to a miss of 1 mm. How far sizes
 * come out off hardly depends on the sheet's size, for a fold is missed by millimetres, not by shares. Comes up for air now
 * and then.
 */
export function* learningMisses(model: SizeModel): Generator<void, Misses, void> {
  const key = JSON.stringify(model.way);
  let misses = known.get(key);
  if (misses) return misses;
  const folded = foldedExactly(model, model.made);
  const rows: Float64Array[] = [];
  for (let k = 0; k < QUICK_REPLAYS; k++) {
    rows.push(missedBy(folded, SMALL_MM, k + 1).map((mm) => mm / SMALL_MM));
    if (k % 25 === 24) yield;
  }
  known.set(key, (misses = { rows }));
  return misses;
}

/** Takes over misses that were learned before. */
export function keepMisses(way: Way, misses: Misses): void {
  known.set(JSON.stringify(way), misses);
}

/** The same at once. */
export function missesOf(model: SizeModel): Misses {
  const learning = learningMisses(model);
  let step = learning.next();
  while (!step.done) step = learning.next();
  return step.value;
}
