const KINDS = { paper: 1, thing: 2, job: 3, piece: 4, make: 5, hand: 6, eye: 7, trial: 8 } as const;

/** Ids that are the same in every demo workshop, so that addresses of its pages can be kept. */
export function demoId(kind: keyof typeof KINDS, n: number): string {
  return `0dd00000-0000-4000-8000-${String(KINDS[kind]).padStart(4, '0')}${String(n).padStart(8, '0')}`;
}
