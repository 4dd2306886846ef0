import { CRITERIA, type Criterion, USUAL_WEIGHTS, type Weights } from '@odd-corner/core';

export const MOST_WEIGHT = 3;

const NAMES = Object.keys(CRITERIA) as Criterion[];

/** How much each reason counts, as an address says it: `paper3,close0`; what it leaves out or gets wrong counts as usual. */
export function readWeights(text: string | null): Weights {
  const asked = (text ?? '').split(',').flatMap((part) => {
    const [, name, figure] = /^([a-z]+)(\d)$/.exec(part) ?? [];
    const key = NAMES.find((one) => one === name);
    return key && Number(figure) <= MOST_WEIGHT ? [[key, Number(figure)] as const] : [];
  });
  return { ...USUAL_WEIGHTS, ...Object.fromEntries(asked) };
}

/** What differs from the usual, for an address; empty when nothing does. */
export function writeWeights(weights: Weights): string {
  return NAMES.filter((key) => weights[key] !== USUAL_WEIGHTS[key])
    .map((key) => `${key}${weights[key]}`)
    .join(',');
}
