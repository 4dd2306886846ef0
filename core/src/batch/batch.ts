import { type Stage, stageAt } from './stages';

/** How many copies are folded: one after the other, or all of them stage by stage. */
export type BatchWay = 'copies' | 'stages';

/** How a batch goes on. */
export interface BatchRules {
  readonly way: BatchWay;
  /** So many copies of a piece must have come to a stage before anybody begins it: a number, all, or null where nobody waits. */
  readonly gate: number | 'all' | null;
  /** The stage beyond which whoever leads lets nobody go, counted from 0; null where all are open. */
  readonly openTo: number | null;
}

/** How far one copy has come. */
export interface CopyState {
  readonly entryKey: string;
  readonly copy: number;
  /** The next step to be made, counted from 0; their number when it is folded. */
  readonly step: number;
  readonly steps: number;
  readonly stages: readonly Stage[];
  /** It is waited for: glue dries. */
  readonly waits?: boolean;
}

/** Why a stage cannot be begun yet. */
export type Closed =
  { readonly kind: 'held' } | { readonly kind: 'gate'; readonly there: number; readonly need: number };

export const stageOf = ({ stages, step }: Pick<CopyState, 'stages' | 'step'>): number => stageAt(stages, step);

const isDone = ({ step, steps }: CopyState): boolean => step >= steps;

/** Why a stage of a piece is closed, or null when it is open. What was begun before goes on. */
export function closed(
  all: readonly CopyState[],
  entryKey: string,
  stage: number,
  { gate, openTo }: BatchRules,
): Closed | null {
  if (stage === 0) return null;
  if (openTo !== null && stage > openTo) return { kind: 'held' };
  if (gate === null) return null;
  const same = all.filter((one) => one.entryKey === entryKey);
  const there = same.filter((one) => stageOf(one) >= stage).length;
  const need = gate === 'all' ? same.length : Math.min(gate, same.length);
  return there < need ? { kind: 'gate', there, need } : null;
}

/** Why a copy cannot be gone on with, or null. One in the middle of a stage is never kept from ending it, unless it is held. */
export function closedFor(all: readonly CopyState[], copy: CopyState, rules: BatchRules): Closed | null {
  const stage = stageOf(copy);
  if (stage >= copy.stages.length) return null;
  const why = closed(all, copy.entryKey, stage, rules);
  return why?.kind === 'gate' && copy.step > copy.stages[stage].from ? null : why;
}

/**
 * The copy to take up next: its number, or null when none can be gone on with.
 * @param mine which copies are the hand's own to take; all when left out
 */
export function nextInBatch(
  all: readonly CopyState[],
  rules: BatchRules,
  mine: (copy: CopyState) => boolean = () => true,
): number | null {
  const open = all.flatMap((copy, k) =>
    !isDone(copy) && !copy.waits && mine(copy) && !closedFor(all, copy, rules) ? [k] : [],
  );
  if (!open.length) return null;
  const begun = (k: number): number => (all[k].step > all[k].stages[stageOf(all[k])].from ? 0 : 1);
  const rank = (k: number): readonly number[] =>
    rules.way === 'stages' ? [stageOf(all[k]), begun(k), k] : [all[k].step > 0 ? 0 : 1, k];
  return open.reduce((best, k) => (before(rank(k), rank(best)) ? k : best));
}

function before(a: readonly number[], b: readonly number[]): boolean {
  const k = a.findIndex((v, i) => v !== b[i]);
  return k >= 0 && a[k] < b[k];
}
