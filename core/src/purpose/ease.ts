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

/** Room added to one size, both sides together, in mm. */
export function easeMm(sizeMm: number, ease: EaseId): number {
  return EASES[ease].mm + (EASES[ease].percent / 100) * sizeMm;
}

/** What a size with room round it is made of. */
export const roomy = (sizeMm: number, ease: EaseId): readonly Term[] => [
  { name: 'contents', value: sizeMm },
  { name: 'ease', value: easeMm(sizeMm, ease) },
];
