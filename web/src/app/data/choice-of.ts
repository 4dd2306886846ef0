import type { Choice, Paper, PartChoice } from '@odd-corner/contract';
import type { BlockSize, TraySizing } from '@odd-corner/core';
import type { PartAsked, SceneAsked } from '../workers/folding-tasks';

/** What a job keeps of a sizing. */
export function choiceOf(formId: string, sizing: TraySizing, paper: Paper | null): Choice {
  const { request, tray, lid } = sizing;
  return {
    formId,
    walls: request.walls,
    ruler: request.ruler,
    thicknessMm: request.thicknessMm,
    tray: { sheetMm: tray.sheetMm, wallMm: tray.params.wallMm },
    lid: { sheetMm: lid.sheetMm, wallMm: lid.params.wallMm },
    paperId: paper?.id ?? null,
  };
}

/** One part of a choice, as the folding worker is asked for it. */
export function partOf(choice: Choice, part: 'tray' | 'lid'): PartAsked {
  const { sheetMm, wallMm }: PartChoice = choice[part];
  return {
    formId: choice.formId,
    part: part === 'tray' ? 'tray' : 'eared-lid',
    sheetMm,
    wallMm,
    thicknessMm: choice.thicknessMm,
  };
}

export function sceneOfChoice(choice: Choice, block: BlockSize | null): SceneAsked {
  return { tray: partOf(choice, 'tray'), lid: partOf(choice, 'lid'), block };
}

export function sceneOf(formId: string, sizing: TraySizing): SceneAsked {
  return sceneOfChoice(choiceOf(formId, sizing, null), sizing.request.block);
}
