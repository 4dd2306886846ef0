import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { BatchRulesSent, SeatsSent } from '@odd-corner/contract';
import { type BatchRules, closed, stageOf } from '@odd-corner/core';
import { Session } from '../../data/session';
import { Select } from '../../ui/select/select';
import type { BatchAtTable } from '../batch-at-table';
import { type CopyToFold, keyOf, nameOf } from '../copies';

/** How far a stage of a copy is. */
type CellState = 'done' | 'here' | 'open' | 'held';

const SAID: Readonly<Record<CellState, string>> = {
  done: 'done',
  here: 'at hand',
  open: 'to do',
  held: 'held',
};

/** All copies of a make and their stages: what is done, what is held, who folds which, and how they go on together. */
@Component({
  selector: 'oc-copy-grid',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, Select],
  templateUrl: './copy-grid.html',
  styleUrl: './copy-grid.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CopyGrid {
  readonly copies = input.required<readonly CopyToFold[]>();
  readonly batch = input.required<BatchAtTable>();
  readonly rules = input.required<BatchRules>();
  /** What whoever folds here is called, if anything. */
  readonly name = input.required<string>();
  readonly open = output<number>();
  readonly changeRules = output<BatchRulesSent>();
  readonly take = output<SeatsSent>();
  readonly called = output<string>();

  protected readonly guest = inject(Session).guest;
  protected readonly ways = [
    { id: 'copies', name: 'One copy after the other' },
    { id: 'stages', name: 'All copies stage by stage' },
  ] as const;
  /** The most stages that any copy has. */
  private readonly most = computed(() => Math.max(...this.copies().map(({ stages }) => stages.length)));
  protected readonly numbers = computed(() => Array.from({ length: this.most() }, (_, k) => k));
  /** Where all copies have the same stages, they are named once. */
  protected readonly names = computed(() => {
    const [first, ...others] = this.copies();
    const same = others.every(({ stages }) => stages === first.stages);
    return this.numbers().map((k) => ({ number: k + 1, name: same ? first.stages[k].name : '' }));
  });
  protected readonly holds = computed(() => [
    { id: null, name: 'Nothing is held' },
    ...this.names()
      .slice(0, -1)
      .map(({ number }) => ({ id: number - 1, name: `Hold after stage ${number}` })),
  ]);
  private readonly largest = computed(() => Math.max(...this.copies().map(({ of }) => of)));
  protected readonly gates = computed(() => {
    const all = this.largest();
    const some = [2, 4, 8, 12, 16, 24].filter((n) => n < all);
    return [
      { id: null, name: 'Nobody waits' },
      ...some.map((n) => ({ id: n, name: `${n} at a stage open the next` })),
      { id: 'all' as const, name: `All ${all} at a stage open the next` },
    ];
  });
  protected readonly rows = computed(() => {
    const [states, seats, rules, next] = [
      this.batch().states(),
      this.batch().seats(),
      this.rules(),
      this.batch().next(),
    ];
    const alike = new Set(this.copies().map(({ entryKey }) => entryKey)).size === 1;
    return this.copies().map((copy, k) => {
      const at = stageOf(states[k]);
      const cells = this.numbers().map((stage): { readonly state: CellState; readonly said: string } | null => {
        if (stage >= copy.stages.length) return null;
        const state: CellState =
          stage < at
            ? 'done'
            : closed(states, copy.entryKey, stage, rules)
              ? 'held'
              : stage === at && copy.done.size > 0
                ? 'here'
                : 'open';
        return { state, said: SAID[state] };
      });
      const seat = seats.get(keyOf(copy)) ?? null;
      return {
        k,
        copy,
        cells,
        seat,
        name: nameOf(copy),
        short: alike ? `${copy.copy + 1}` : nameOf(copy),
        own: seat !== null && seat === this.name(),
        next: k === next,
      };
    });
  });
  /** How many copies have come to the end of each stage. */
  protected readonly sums = computed(() => {
    const states = this.batch().states();
    return this.numbers().map((stage) => states.filter((one) => stageOf(one) > stage).length);
  });
  protected readonly next = computed(() => this.rows().find(({ next }) => next) ?? null);

  protected set(part: Partial<BatchRulesSent>): void {
    const { way, gate, openTo } = this.rules();
    this.changeRules.emit({ way, gate, openTo, ...part });
  }

  protected takes({ copy: { entryKey, copy }, own }: { readonly copy: CopyToFold; readonly own: boolean }): void {
    this.take.emit({ name: own ? null : this.name(), copies: [{ entryKey, copy }] });
  }

  protected call(event: Event): void {
    if (event.target instanceof HTMLInputElement) this.called.emit(event.target.value.trim().slice(0, 60));
  }
}
