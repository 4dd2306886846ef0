import { areaOf, type CutRect, type CutRules, NOISE_MM } from './cutting';

/** Of what is left of a sheet, what goes back to the shelf, largest first. */
export const worthKeeping = (rests: readonly CutRect[], { leastOffcutMm }: CutRules): readonly CutRect[] =>
  rests
    .filter(({ widthMm, heightMm }) => Math.min(widthMm, heightMm) >= leastOffcutMm - NOISE_MM)
    .sort((a, b) => areaOf(b) - areaOf(a));
