import { minutesAt, minutesOfSteps, type PaceLearned, SHELF } from '@odd-corner/core';
import type { FoldingOrder } from '../workers/make-tasks';
import type { CopyToFold } from './copies';

/** How long each step of one make takes a hand, in minutes: its share of what the form takes. */
export function stepMinutes(
  { entries }: Pick<FoldingOrder, 'entries'>,
  formId: string,
  pace: PaceLearned | null,
): (entryKey: string, stepId: string) => number {
  const all = entries.flatMap(({ key, copies, steps }) =>
    steps.flatMap(({ id }) => Array.from({ length: copies }, () => ({ at: `${key} ${id}`, id }))),
  );
  const shares = minutesOfSteps(
    pace?.steps ?? null,
    formId,
    minutesAt(pace, formId, SHELF.form(formId).minutes),
    all.map(({ id }) => id),
  );
  const minutes = new Map(all.map(({ at }, k) => [at, shares[k]]));
  return (entryKey, stepId) => minutes.get(`${entryKey} ${stepId}`) ?? 0;
}

/** How long a copy still takes from one of its steps on, in minutes. */
export function minutesToGo(
  order: Pick<FoldingOrder, 'entries'>,
  formId: string,
  pace: PaceLearned | null,
  { entryKey, steps }: Pick<CopyToFold, 'entryKey' | 'steps'>,
  from: number,
): number {
  const minutesOf = stepMinutes(order, formId, pace);
  return steps.slice(from).reduce((sum, { id }) => sum + minutesOf(entryKey, id), 0);
}
