import type { Job, JobMake } from '@odd-corner/contract';
import { type PaceLearned, type RunPiece, SHELF } from '@odd-corner/core';
import { copiesToFold } from '../../fold/copies';
import { stepMinutes } from '../../fold/step-minutes';
import type { FoldingOrder } from '../../workers/make-tasks';

/** A make of a job, and in which order it is folded. */
export interface MakeToFold {
  readonly job: Pick<Job, 'id' | 'title'>;
  readonly make: JobMake;
  readonly order: Pick<FoldingOrder, 'entries'>;
  /** How fast it is folded; as told where nothing is known. */
  readonly pace: PaceLearned | null;
}

/** A piece of a run, and of which job it is. */
export interface JobPiece extends RunPiece {
  readonly job: Pick<Job, 'id' | 'title'>;
}

/**
 * The pieces that are still to be folded of a make: each step takes its share of what the form takes this hand, and glue is
 * waited for.
 * @param glueMinutes how long what is glued is left alone
 */
export function piecesOf({ job, make, order, pace }: MakeToFold, glueMinutes: number): readonly JobPiece[] {
  const { formId } = make.make;
  if (!SHELF.has(formId)) return [];
  const minutesOf = stepMinutes(order, formId, pace);
  return copiesToFold(order, make.count, make.progress).flatMap((copy): JobPiece[] => {
    const parts: { minutes: number; waits: number }[] = [];
    for (const step of copy.steps) {
      if (copy.done.has(step.id)) continue;
      const last = parts.at(-1);
      const minutes = minutesOf(copy.entryKey, step.id);
      // What follows without a wait is one stretch of work.
      if (last && !last.waits) last.minutes += minutes;
      else parts.push({ minutes, waits: 0 });
      if (step.waits) parts[parts.length - 1].waits = glueMinutes;
    }
    return parts.length ? [{ id: `${make.id} ${copy.entryKey} ${copy.copy}`, job, parts }] : [];
  });
}

/** What is done of one job in one evening. */
export interface EveningWork {
  readonly job: Pick<Job, 'id' | 'title'>;
  readonly pieces: number;
  readonly minutes: number;
}
