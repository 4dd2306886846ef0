import type { ShownUnit } from './format-length';
import { MM_PER } from './parse-length';

/** The rulers that makers own, by their smallest mark. */
export const RULERS = {
  'half-mm': { stepMm: 0.5, name: 'half millimetres' },
  mm: { stepMm: 1, name: 'millimetres' },
  '5-mm': { stepMm: 5, name: '5 mm steps' },
  'sixteenth-inch': { stepMm: MM_PER.in / 16, name: 'sixteenths of an inch' },
  'eighth-inch': { stepMm: MM_PER.in / 8, name: 'eighths of an inch' },
} as const;

export type RulerId = keyof typeof RULERS;

/**
 * The unit in which a length to be measured with a ruler is written: as the maker reads lengths, unless the ruler's
 * marks are of the other family; 157 mm is no mark of an inch ruler, nor does rounding it make it one.
 */
export function unitOnRuler(ruler: RulerId, preferred: ShownUnit): ShownUnit {
  const inches = ruler === 'sixteenth-inch' || ruler === 'eighth-inch';
  return inches ? 'in' : preferred === 'in' ? 'mm' : preferred;
}

/** Float noise of a computed length must not cost a whole ruler step. */
const NOISE_STEPS = 1e-7;

/** How many marks of the ruler reach at least `mm`. */
export function rulerStepsFor(mm: number, ruler: RulerId): number {
  return Math.ceil(mm / RULERS[ruler].stepMm - NOISE_STEPS);
}

/** The length at a mark of the ruler, in mm. */
export function atRulerStep(steps: number, ruler: RulerId): number {
  return steps * RULERS[ruler].stepMm;
}
