import {
  comesBackDeg,
  foldMake,
  type Leaner,
  type Make,
  type Stand,
  type StandingCell,
  standingCells,
  standOf,
  type TippedOver,
  tipOver,
  type Weighed,
  weighedBodies,
} from '@odd-corner/core';
import { type Attempt, attempt } from './attempt';
import { openedOf } from './opened-make';

/** Long things that stand in a make, all on one side. */
export interface TipTask {
  readonly make: Make;
  /** The paper of each entry, in g/m². */
  readonly gsm: Readonly<Record<string, number>>;
  readonly thing: Leaner;
  readonly count: number;
}

export interface TipTold extends TippedOver {
  /** What stands there, in g, and what it stands on, seen from above. */
  readonly grams: number;
  readonly base: Stand['base'];
  readonly mouths: readonly StandingCell['mouth'][];
  readonly floored: boolean;
  readonly comesBackDeg: number;
  /** The same without its glue, the first of its bodies to go; null where nothing is glued. */
  readonly unglued: { readonly tipsFrom: number | null } | null;
}

/** What stands on the table, and where things stand in it. */
interface Standing {
  readonly stand: Stand;
  readonly cells: readonly StandingCell[];
}

const standingOf = (bodies: readonly Weighed[]): Standing => ({
  stand: standOf(bodies),
  cells: standingCells(bodies.flatMap(({ faces }) => faces)),
});

/** A make as it stands, and each of its bodies for itself where glue holds them together. */
function standingMake({ make, gsm }: Pick<TipTask, 'make' | 'gsm'>) {
  const made = foldMake(make);
  const bodies = weighedBodies(made, (key) => gsm[key], openedOf(make, made));
  const glued = made.assembly.joints.some(({ kind }) => kind === 'glued');
  return { whole: standingOf(bodies), parts: glued ? bodies.map((body) => standingOf([body])) : null };
}

/** Of bodies that stand side by side, each for itself: the one that is turned over soonest. */
function firstToGo(parts: readonly Standing[], thing: Leaner): { readonly tipsFrom: number | null } | null {
  const alone = parts.flatMap(({ stand, cells }) => tipOver(stand, cells, thing, 1) ?? []);
  if (!alone.length) return null;
  const soonest = Math.min(...alone.map(({ tipsFrom }) => tipsFrom ?? Infinity));
  return { tipsFrom: soonest === Infinity ? null : soonest };
}

/** Keeps what was worked out last: the same is asked again and again while something else is changed. */
function lastOf<A, T>(work: (asked: A) => T): (asked: A) => T {
  let last: { readonly key: string; readonly value: T } | null = null;
  return (asked) => {
    const key = JSON.stringify(asked);
    if (last?.key !== key) last = { key, value: work(asked) };
    return last.value;
  };
}

/** What comes of long things that stand in a make; how it stands is worked out once for as long as it is the same. */
export function tipTask(): (asked: TipTask) => Attempt<TipTold> {
  const stands = lastOf(standingMake);
  return ({ make, gsm, thing, count }) => {
    return attempt(() => {
      const { whole, parts } = stands({ make, gsm });
      if (!whole.cells.length) throw new RangeError('Nothing stands in it: it is not shut in all round.');
      const tipped = tipOver(whole.stand, whole.cells, thing, count);
      if (!tipped) throw new RangeError('It does not stand by itself, with nothing in it.');
      const { stand, cells } = whole;
      return {
        ...{ ...tipped, grams: stand.grams, base: stand.base, mouths: cells.map(({ mouth }) => mouth) },
        ...{ floored: cells.every(({ floored }) => floored), comesBackDeg: comesBackDeg(stand) },
        unglued: parts && firstToGo(parts, thing),
      };
    });
  };
}
