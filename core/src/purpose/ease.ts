import type { Arrangement } from '../bodies/arrange';
import { turnedSides } from '../bodies/cornerwise';
import type { Term } from './demand';

/** How much room the maker leaves round the contents. */
export const EASES = {
  snug: {
    mm: 0.5,
    percent: 0,
    reason: 'Goes in with a push and does not rattle. For one hard thing that is measured well.',
  },
  easy: { mm: 1.5, percent: 1, reason: 'Drops in and lifts out with two fingers. The usual choice.' },
  loose: { mm: 4, percent: 3, reason: 'Room for a lining, or for a handful that does not lie in order.' },
} as const;

export type EaseId = keyof typeof EASES;

/** How much more room than was asked for still does not let things rattle: in mm and percent of the contents. A judgement. */
export const STILL_CLOSE: Readonly<Record<EaseId, { readonly mm: number; readonly percent: number }>> = {
  snug: { mm: 2, percent: 2 },
  easy: { mm: 5, percent: 5 },
  loose: { mm: 12, percent: 12 },
};

/** Fingers take hold of what stands so far over a rim, in mm. */
export const GRIP_MM = 10;

/** Room added to one size, both sides together, in mm. */
export function easeMm(sizeMm: number, ease: EaseId): number {
  return EASES[ease].mm + (EASES[ease].percent / 100) * sizeMm;
}

/** What a size with room round it is made of. */
export const roomy = (sizeMm: number, ease: EaseId): readonly Term[] => [
  { name: 'contents', value: sizeMm },
  { name: 'ease', value: easeMm(sizeMm, ease) },
];

/** The long and the wide side of a floor on which things lie, with room round them as they lie. */
export function roomyFloor(
  { box, cornerwise }: Arrangement,
  ease: EaseId,
): { readonly long: readonly Term[]; readonly wide: readonly Term[] } {
  const [a, b] = box;
  if (!cornerwise) return { long: roomy(Math.max(a, b), ease), wide: roomy(Math.min(a, b), ease) };
  const [p, q] = cornerwise.of;
  const grown = turnedSides([p + easeMm(p, ease), q + easeMm(q, ease)], cornerwise.angle);
  return {
    long: [
      { name: 'contents, cornerwise', value: a },
      { name: 'ease', value: grown.longMm - a },
    ],
    wide: [
      { name: 'contents, cornerwise', value: b },
      { name: 'ease', value: grown.wideMm - b },
    ],
  };
}
