import * as fc from 'fast-check';
import {
  type BatchRules,
  closed,
  closedFor,
  type CopyState,
  FORMS,
  formById,
  nextInBatch,
  type Stage,
  stageAt,
  stageOf,
  stagesOf,
} from '../../src/index';
import { made, usualSheet } from '../forms/made';
import { make } from '../../src/index';
import { someOf } from '../runs';

/** Stages from their lengths. */
function stagesFrom(lengths: readonly number[]): readonly Stage[] {
  let from = 0;
  return lengths.map((length, k) => ({ name: `Stage ${k + 1}`, from, to: (from += length) }));
}

const batches = fc
  .tuple(
    fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 5 }),
    fc.array(fc.nat(30), { minLength: 1, maxLength: 9 }),
  )
  .map(([lengths, at]): CopyState[] => {
    const stages = stagesFrom(lengths);
    const steps = stages[stages.length - 1].to;
    return at.map((step, copy) => ({ entryKey: 'unit', copy, step: Math.min(step, steps), steps, stages }));
  });

const rules = fc.record({
  way: fc.constantFrom<BatchRules['way']>('copies', 'stages'),
  gate: fc.oneof(fc.constant(null), fc.constant<'all'>('all'), fc.integer({ min: 1, max: 9 })),
  openTo: fc.oneof(fc.constant(null), fc.nat(4)),
});

/** One step of a copy. */
const stepOn = (all: readonly CopyState[], k: number): CopyState[] =>
  all.map((copy, i) => (i === k ? { ...copy, step: copy.step + 1 } : copy));

describe('stages', () => {
  it.each(someOf(FORMS, 4).map(({ id }) => [id]))('%s: are all of its steps, once each, in order', (id) => {
    const { steps } =
      formById(id).sheetShape === 'square'
        ? made(id, 200).folding
        : make(id, {
            sheet: { widthMm: 200 * usualSheet(formById(id)), heightMm: 200 },
            params: {},
            paper: { thicknessMm: 0 },
          }).folding;
    const stages = stagesOf(steps);
    expect(stages[0].from).toBe(0);
    expect(stages[stages.length - 1].to).toBe(steps.length);
    stages.slice(1).forEach(({ from }, k) => expect(from).toBe(stages[k].to));
    steps.forEach((_, k) => {
      const stage = stages[stageAt(stages, k)];
      expect(k >= stage.from && k < stage.to).toBe(true);
    });
    // After glue nobody goes on in the same stage.
    steps.slice(0, -1).forEach(({ waits, stage }, k) => {
      if (waits && stage === undefined && !steps.some((one) => one.stage))
        expect(stages.map(({ from }) => from)).toContain(k + 1);
    });
  });

  it('are those that a form names itself', () => {
    const stages = stagesOf(made('six-tube-tidy', 200).folding.steps);
    expect(stages.map(({ name }) => name)).toEqual(['Creases', 'Corners and sides', 'Tube']);
  });
});

describe('a batch', () => {
  it('without gates, taken up as it says, is folded to the end, one step for each that was missing', () =>
    fc.assert(
      fc.property(batches, fc.constantFrom<BatchRules['way']>('copies', 'stages'), (all, way) => {
        let states: readonly CopyState[] = all;
        const missing = all.reduce((sum, { step, steps }) => sum + steps - step, 0);
        for (let k = 0; k < missing; k++)
          states = stepOn(states, nextInBatch(states, { way, gate: null, openTo: null })!);
        expect(nextInBatch(states, { way, gate: null, openTo: null })).toBeNull();
        expect(states.every(({ step, steps }) => step === steps)).toBe(true);
      }),
    ));

  it('with a gate of all, nobody begins a stage before everybody has come to it, and it never stands still', () =>
    fc.assert(
      fc.property(batches, fc.constantFrom<BatchRules['way']>('copies', 'stages'), (all, way) => {
        const rule: BatchRules = { way, gate: 'all', openTo: null };
        let states: readonly CopyState[] = all.map((copy) => ({ ...copy, step: 0 }));
        const total = states.reduce((sum, { steps }) => sum + steps, 0);
        for (let k = 0; k < total; k++) {
          const next = nextInBatch(states, rule)!;
          const before = states;
          states = stepOn(states, next);
          const stage = stageOf(before[next]);
          expect(before.every((copy) => stageOf(copy) >= stage)).toBe(true);
        }
        expect(nextInBatch(states, rule)).toBeNull();
      }),
    ));

  it('never takes up what is held, dries, is folded, or is somebody else’s', () =>
    fc.assert(
      fc.property(batches, rules, fc.nat(500), (all, rule, seed) => {
        const states = all.map((copy, k) => ({ ...copy, waits: (seed >> k) % 3 === 1 }));
        const mine = ({ copy }: CopyState): boolean => (seed + copy) % 2 === 0;
        const next = nextInBatch(states, rule, mine);
        if (next === null) {
          for (const copy of states)
            expect(copy.step >= copy.steps || copy.waits || !mine(copy) || closedFor(states, copy, rule) !== null).toBe(
              true,
            );
          return;
        }
        const copy = states[next];
        expect([copy.waits, mine(copy), closedFor(states, copy, rule)]).toEqual([false, true, null]);
        expect(copy.step).toBeLessThan(copy.steps);
        if (rule.openTo !== null) expect(stageOf(copy)).toBeLessThanOrEqual(rule.openTo);
      }),
    ));

  it('stage by stage, no copy that may be taken up is in an earlier stage than the next one', () =>
    fc.assert(
      fc.property(batches, rules, (all, rule) => {
        const next = nextInBatch(all, { ...rule, way: 'stages' });
        if (next === null) return;
        for (const copy of all)
          if (copy.step < copy.steps && !closedFor(all, copy, rule))
            expect(stageOf(copy)).toBeGreaterThanOrEqual(stageOf(all[next]));
      }),
    ));

  it('says how many are at a stage and how many it takes; more than there are means all', () => {
    const stages = stagesFrom([2, 2]);
    const all = [2, 4, 0].map((step, copy): CopyState => ({ entryKey: 'unit', copy, step, steps: 4, stages }));
    const at = (gate: BatchRules['gate'], openTo: number | null = null) =>
      closed(all, 'unit', 1, { way: 'stages', gate, openTo });
    expect(at('all')).toEqual({ kind: 'gate', there: 2, need: 3 });
    expect(at(99)).toEqual({ kind: 'gate', there: 2, need: 3 });
    expect(at(2)).toBeNull();
    expect(at(null, 0)).toEqual({ kind: 'held' });
    expect(at(null, 1)).toBeNull();
    // In the middle of a stage a gate that closes behind it keeps nobody.
    const inside: CopyState = { ...all[0], step: 3 };
    expect(closedFor([inside, all[1], all[2]], inside, { way: 'stages', gate: 'all', openTo: null })).toBeNull();
  });
});
