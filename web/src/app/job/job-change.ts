import {
  type Block,
  type Choice,
  choiceOf,
  type TrayJob,
  type TrayDraft,
  type Paper,
  type TraySized,
} from '@odd-corner/contract';
import { caliperOf, COMMON_PAPER, type CutPlan, cutSquares, type EaseId } from '@odd-corner/core';
import { map, type Observable } from 'rxjs';
import type { Folding } from '../workers/folding.service';

/** What the maker may decide anew at an earlier station. */
export interface Deciding {
  readonly title: string;
  readonly text: string;
  readonly block: Block;
  readonly ease: EaseId;
  readonly walls: Choice['walls'];
  readonly paper: Paper | null;
  readonly thicknessMm: number;
}

/** What a decision leads to, before it is kept. */
export interface Outcome {
  readonly draft: TrayDraft;
  readonly sizing: TraySized;
  /** How the paper gives both squares; null without a paper or when it cannot. */
  readonly plan: CutPlan | null;
  /** Whether the sheets or walls differ from those of the job, so that folding has to start again. */
  readonly refold: boolean;
}

/** As the job stands. Its thickness stays even when its paper has left the shelf. */
export function decidingOf({ title, purpose, choice }: TrayJob, paper: Paper | null): Deciding {
  return {
    title,
    text: purpose.text,
    block: purpose.block,
    ease: purpose.ease,
    walls: choice.walls,
    paper,
    thicknessMm: choice.thicknessMm,
  };
}

/** As the job stands, but from another paper (or one that is not on the shelf). */
export function withPaper(job: TrayJob, paper: Paper | null): Deciding {
  return { ...decidingOf(job, paper), thicknessMm: caliperOf(paper ?? COMMON_PAPER) };
}

/** Whether two choices are folded from the same sheets in the same way. */
export const sameParts = (a: Choice, b: Choice): boolean =>
  JSON.stringify([a.tray, a.lid, a.formId]) === JSON.stringify([b.tray, b.lid, b.formId]);

/**
 * Works a job out anew. Errors with the reason when no sheet is large enough.
 */
export function workOut(
  job: TrayJob,
  { title, text, block, ease, walls, paper, thicknessMm }: Deciding,
  folding: Folding,
): Observable<Outcome> {
  return folding.size({ block, ease, walls, ruler: job.choice.ruler, thicknessMm }).pipe(
    map((answer) => {
      if (!answer.ok) throw new Error(answer.why);
      const choice = choiceOf(answer.value, paper?.id ?? null);
      return {
        draft: { title, purpose: { text, block, ease }, choice },
        sizing: answer.value,
        plan: paper && cutSquares(paper, [choice.tray.sheetMm, choice.lid.sheetMm]),
        refold: !sameParts(choice, job.choice),
      };
    }),
  );
}
