import { openPouch } from '../forms/flat-cup/pouch';
import { make } from '../forms/make';
import type { PouchVolume } from './needs';

const LARGE_MM = 200;

let perCube: number | null = null;

/**
 * Presses the pouch of the flat cup open, once: all sizes of it are alike, so what it holds goes with the cube of its mouth.
 * It takes the better part of a second. Answers the volume per cube of the mouth. A paper's thickness changes its shape by less than a part in a thousand.
 */
export function learnPouch(): number {
  if (perCube !== null) return perCube;
  const sheet = { widthMm: LARGE_MM, heightMm: LARGE_MM };
  const { cavity } = make('flat-folding-cup', { sheet, params: {}, paper: { thicknessMm: 0 } }).sizes;
  if (cavity.kind !== 'pouch') throw new RangeError('A cup has a pouch for its room.');
  const opening = openPouch(cavity);
  let step = opening.next();
  while (!step.done) step = opening.next(false);
  return (perCube = step.value.volumeMm3 / cavity.mouthMm ** 3);
}

/** Takes over what was learned before: the volume of a pouch per cube of its mouth. */
export function keepPouch(volumePerCube: number): void {
  perCube = volumePerCube;
}

/** What a pouch holds at most, in ml; null until it has been learned. */
export const pouchMl: PouchVolume = ({ mouthMm }) => (perCube === null ? null : (perCube * mouthMm ** 3) / 1000);
