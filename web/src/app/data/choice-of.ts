import type { Choice } from '@odd-corner/contract';
import { type BlockSize, squareTray } from '@odd-corner/core';
import type { FormAsked, SceneAsked } from '../workers/folding-tasks';

/** The keys of a tray's make, by what a job calls them. */
const PARTS = { tray: 'tray', lid: 'lid' } as const;

const square = (mm: number) => ({ widthMm: mm, heightMm: mm });

/** One part of a choice, as the folding worker is asked for it. */
export function partOf({ formId, thicknessMm, ...choice }: Choice, part: 'tray' | 'lid'): FormAsked {
  const { sheetMm, wallMm } = choice[part];
  const [lid] = squareTray.pieces ?? [];
  return { formId: part === 'tray' ? formId : lid.id, sheet: square(sheetMm), params: { wallMm }, thicknessMm };
}

/** All of a choice, put together with what it holds. */
export function sceneOfChoice({ formId, thicknessMm, tray, lid }: Choice, block: BlockSize | null): SceneAsked {
  return {
    make: {
      formId,
      params: { lid: 'eared', wallMm: tray.wallMm },
      entries: {
        [PARTS.tray]: { sheet: square(tray.sheetMm), thicknessMm, params: { wallMm: tray.wallMm } },
        [PARTS.lid]: { sheet: square(lid.sheetMm), thicknessMm, params: { wallMm: lid.wallMm } },
      },
    },
    purpose: block && {
      kind: 'hold',
      pieces: [{ name: 'thing', count: 1, thing: { shape: 'block', ...block } }],
    },
  };
}
