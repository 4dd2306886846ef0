import { computed, type Signal } from '@angular/core';
import type { Batch } from '@odd-corner/contract';
import { type Closed, closedFor, type CopyState, nextInBatch, stageAt } from '@odd-corner/core';
import { type CopyToFold, keyOf, nextStep } from './copies';

/** How the copies of a make go on together: which one a hand takes up next, and what is held. */
export class BatchAtTable {
  /**
   * @param name what whoever folds here is called, if anything
   * @param drying copies that wait for glue
   */
  constructor(
    private readonly copies: Signal<readonly CopyToFold[]>,
    private readonly batch: Signal<Batch>,
    private readonly name: Signal<string>,
    private readonly drying: Signal<ReadonlySet<string>>,
  ) {}

  readonly states = computed((): readonly CopyState[] => {
    const drying = this.drying();
    return this.copies().map((copy) => ({
      ...{ entryKey: copy.entryKey, copy: copy.copy, stages: copy.stages },
      ...{ step: nextStep(copy), steps: copy.steps.length, waits: drying.has(keyOf(copy)) },
    }));
  });
  /** By the name of a copy, who folds it. */
  readonly seats = computed(
    (): ReadonlyMap<string, string> => new Map(this.batch().seats.map((seat) => [keyOf(seat), seat.name])),
  );
  readonly stagewise = computed(() => this.batch().way === 'stages');

  /** Whether the hand here takes up a copy: its own ones, or where it has none, those that nobody has. */
  readonly takes = (copy: Pick<CopyToFold, 'entryKey' | 'copy'>): boolean => {
    const [name, seats] = [this.name(), this.seats()];
    const own = name !== '' && [...seats.values()].includes(name);
    return own ? seats.get(keyOf(copy)) === name : !seats.has(keyOf(copy));
  };

  /** The copy to take up next, or null. */
  readonly next = computed(() => nextInBatch(this.states(), this.batch(), this.takes));

  /** Of copies that were taken under this name the last one; null where none were. */
  ownLast(): number | null {
    const [name, seats] = [this.name(), this.seats()];
    const k = this.copies().findLastIndex((copy) => name !== '' && seats.get(keyOf(copy)) === name);
    return k < 0 ? null : k;
  }

  /** Why a step of a copy cannot be made yet, or null. What is done can always be looked at. */
  closedAt(copy: number, step: number): Closed | null {
    const state = this.states().at(copy);
    if (!state || step < state.step || step >= state.steps) return null;
    return closedFor(this.states(), { ...state, step }, this.batch());
  }

  /** Whether a stage other than the first begins with a step. */
  beginsStage(copy: number, step: number): boolean {
    const { stages = [], steps = 0 } = this.states().at(copy) ?? {};
    return step > 0 && step < steps && stages[stageAt(stages, step)].from === step;
  }
}
