import type { CopyProgress } from '@odd-corner/contract';
import type { Stage } from '@odd-corner/core';
import type { FoldingOrder } from '../workers/make-tasks';

/** One copy of one entry, to be folded by itself. */
export interface CopyToFold {
  readonly entryKey: string;
  /** Counted from 0 over all makes. */
  readonly copy: number;
  readonly name: string;
  /** Of how many. */
  readonly of: number;
  readonly steps: FoldingOrder['entries'][number]['steps'];
  readonly stages: readonly Stage[];
  /** Steps that are done, by their ids. */
  readonly done: ReadonlySet<string>;
  readonly seconds: number;
  /** In single steps, by their ids. */
  readonly stepSeconds: Readonly<Record<string, number>>;
}

/** What is folded for so many of a make, copy by copy, in order. */
export function copiesToFold(
  { entries }: Pick<FoldingOrder, 'entries'>,
  count: number,
  progress: readonly CopyProgress[],
): readonly CopyToFold[] {
  return entries.flatMap(({ key, name, copies, steps, stages }) =>
    Array.from({ length: count * copies }, (_, copy): CopyToFold => {
      const known = progress.filter((one) => one.entryKey === key && one.copy === copy);
      return {
        ...{ entryKey: key, copy, name, of: count * copies, steps, stages },
        done: new Set(known.flatMap(({ done }) => done)),
        seconds: Math.max(0, ...known.map(({ seconds }) => seconds)),
        stepSeconds: Object.assign({}, ...known.map((one) => one.stepSeconds ?? {})) as Record<string, number>,
      };
    }),
  );
}

export const isFolded = ({ steps, done }: Pick<CopyToFold, 'steps' | 'done'>): boolean =>
  steps.every(({ id }) => done.has(id));

/** Where the hand goes on in a copy: at the first step that is not done; at their number when all are. */
export function nextStep({ steps, done }: Pick<CopyToFold, 'steps' | 'done'>): number {
  const k = steps.findIndex(({ id }) => !done.has(id));
  return k < 0 ? steps.length : k;
}

/** Where the hand goes on at all: a copy that is begun before one that is not; past the last when all are folded. */
export function nextCopy(copies: readonly CopyToFold[]): number {
  const open = (begun: boolean): number =>
    copies.findIndex((copy) => !isFolded(copy) && (!begun || copy.done.size > 0));
  const [begun, next] = [open(true), open(false)];
  return begun >= 0 ? begun : next >= 0 ? next : copies.length;
}

/** A copy by its name. */
export const keyOf = ({ entryKey, copy }: Pick<CopyToFold, 'entryKey' | 'copy'>): string => `${entryKey} ${copy}`;

/** What it is called, and which of several. */
export const nameOf = ({ name, copy, of: all }: Pick<CopyToFold, 'name' | 'copy' | 'of'>): string =>
  all > 1 ? `${name} ${copy + 1} of ${all}` : name;
