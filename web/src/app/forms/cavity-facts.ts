import type { Cavity } from '@odd-corner/core';

/** A row of what a cavity measures. */
export interface CavityFact {
  readonly name: string;
  readonly mm: number;
}

/** What a cavity measures, in the words of the kind that it is. */
export function cavityFacts(cavity: Cavity): readonly CavityFact[] {
  switch (cavity.kind) {
    case 'box':
      return [
        { name: 'Inside, long', mm: cavity.lengthMm },
        { name: 'Inside, wide', mm: cavity.widthMm },
        { name: 'Inside, deep', mm: cavity.depthMm },
      ];
    case 'pocket':
      return [
        { name: 'Pocket, wide', mm: cavity.widthMm },
        { name: 'Pocket, high', mm: cavity.heightMm },
      ];
    case 'corner':
      return [
        { name: 'Along both edges of the page', mm: cavity.legMm },
        { name: 'In from the page’s corner', mm: cavity.depthMm },
      ];
    case 'hull':
      return [
        { name: 'Floor, long', mm: cavity.floorLengthMm },
        { name: 'Floor, wide', mm: cavity.floorWidthMm },
        { name: 'Sides, high', mm: cavity.sideMm },
      ];
    case 'pouch':
      return [
        { name: 'Mouth, lying flat', mm: cavity.mouthMm },
        { name: 'Deep', mm: cavity.depthMm },
      ];
  }
}
