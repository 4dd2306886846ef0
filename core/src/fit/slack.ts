import type { CavityNeed } from './ease';

export type Dimension = keyof CavityNeed;

export const DIMENSIONS = ['lengthMm', 'widthMm', 'depthMm'] as const satisfies readonly Dimension[];

/** What is left over in each direction of a cavity, in mm; negative where it is too small. */
export interface Slack {
  readonly left: CavityNeed;
  /** The direction with least left over: it decided the size. */
  readonly binding: Dimension;
  readonly next: Dimension;
  readonly leastMm: number;
}

export function slackOf(cavity: CavityNeed, need: CavityNeed): Slack {
  const left = {
    lengthMm: cavity.lengthMm - need.lengthMm,
    widthMm: cavity.widthMm - need.widthMm,
    depthMm: cavity.depthMm - need.depthMm,
  };
  const [binding, next] = [...DIMENSIONS].sort((a, b) => left[a] - left[b]);
  return { left, binding, next, leastMm: left[binding] };
}
