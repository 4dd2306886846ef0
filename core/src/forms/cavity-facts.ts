import type { Cavity, FormSizes } from './form';

/** A row of what a cavity measures. */
export interface CavityFact {
  readonly name: string;
  readonly mm: number;
}

/** What is told of each kind of room, by the keys of its lengths, in the words of that kind. */
export const CAVITY_NAMES: Readonly<Record<Cavity['kind'], Readonly<Record<string, string>>>> = {
  box: { lengthMm: 'Inside, long', widthMm: 'Inside, wide', depthMm: 'Inside, deep' },
  pocket: { widthMm: 'Pocket, wide', heightMm: 'Pocket, high' },
  corner: { legMm: 'Along both edges of the page', depthMm: 'In from the page’s corner' },
  hull: { floorLengthMm: 'Floor, long', floorWidthMm: 'Floor, wide', sideMm: 'Sides, high' },
  pouch: { mouthMm: 'Mouth, lying flat', depthMm: 'Deep' },
};

export const OUTER_NAMES: Readonly<Record<keyof FormSizes['outer'], string>> = {
  lengthMm: 'Outside, long',
  widthMm: 'Outside, wide',
  heightMm: 'Outside, high',
};

/** What a cavity measures, in the words of the kind that it is. */
export function cavityFacts(cavity: Cavity): readonly CavityFact[] {
  return Object.entries(CAVITY_NAMES[cavity.kind]).map(([key, name]) => ({
    name,
    mm: (cavity as unknown as Readonly<Record<string, number>>)[key],
  }));
}
