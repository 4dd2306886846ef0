import * as fc from 'fast-check';
import {
  answer,
  CRITERIA,
  type Criterion,
  foodConcern,
  isSized,
  parsePurpose,
  rank,
  reasons,
  type SizedForm,
  USUAL_WEIGHTS,
  type Weights,
} from '../../src/index';
import { fitting, USUAL } from './usual-options';

const KEYS = Object.keys(CRITERIA) as Criterion[];
const weights: fc.Arbitrary<Weights> = fc.record(
  Object.fromEntries(KEYS.map((key) => [key, fc.nat(3)])) as Record<Criterion, fc.Arbitrary<number>>,
);
let answers: readonly SizedForm[];

beforeAll(() => {
  answers = answer(fitting, parsePurpose('45 x 40 x 25'), USUAL).filter(isSized);
});

describe('which answer comes first', () => {
  it('every answer is marked from 0 to 1 by every criterion, and stands once in the list', () =>
    fc.assert(
      fc.property(weights, (given) => {
        const ranked = rank(answers, given);
        expect(new Set(ranked.map(({ answer: one }) => one.formId)).size).toBe(answers.length);
        for (const { marks, score } of ranked)
          for (const mark of [...Object.values(marks), score]) {
            expect(mark).toBeGreaterThanOrEqual(0);
            expect(mark).toBeLessThanOrEqual(1);
          }
      }),
    ));

  it('does not hang on the order in which answers became known', () =>
    fc.assert(
      fc.property(weights, fc.nat(), (given, by) => {
        const at = by % answers.length;
        const turned = [...answers.slice(at), ...answers.slice(0, at)];
        const scores = (list: readonly SizedForm[]): number[] => rank(list, given).map(({ score }) => score);
        scores(turned).forEach((score, k) => expect(score).toBeCloseTo(scores(answers)[k], 12));
      }),
    ));

  it('by one criterion alone the best of it is first, and the rest follow by their marks', () => {
    for (const key of KEYS) {
      const only = Object.fromEntries(KEYS.map((one) => [one, one === key ? 2 : 0])) as Weights;
      const marks = rank(answers, only).map((one) => one.marks[key]);
      expect(marks).toEqual([...marks].sort((p, q) => q - p));
    }
  });

  it('the smallest sheet has full marks for paper, and the marks of others are shares of area', () => {
    const area = ({ sheet, copies }: SizedForm): number => copies * sheet.widthMm * sheet.heightMm;
    const least = Math.min(...answers.map(area));
    for (const { answer: one, marks } of rank(answers)) expect(marks.paper * area(one)).toBeCloseTo(least, 6);
  });

  it('the reasons add up to the difference: whoever is ahead has at least one, unless they are even', () =>
    fc.assert(
      fc.property(weights, (given) => {
        const ranked = rank(answers, given);
        ranked.slice(1).forEach((other, k) => {
          const better = ranked[k];
          const said = reasons(better, other, given);
          if (better.score > other.score + 1e-9) expect(said.length).toBeGreaterThan(0);
          const gains = said.map((key) => given[key] * (better.marks[key] - other.marks[key]));
          expect(gains).toEqual([...gains].sort((p, q) => q - p));
          for (const gain of gains) expect(gain).toBeGreaterThan(0);
        });
      }),
    ));

  it('of nothing there is nothing to sort, and weights of nothing make all even', () => {
    expect(rank([])).toEqual([]);
    const none = Object.fromEntries(KEYS.map((key) => [key, 0])) as Weights;
    for (const { score } of rank(answers, none)) expect(score).toBe(0);
    expect(rank(answers).map(({ answer: one }) => one.formId)).toEqual(
      rank(answers, USUAL_WEIGHTS).map(({ answer: one }) => one.formId),
    );
  });

  it('what is lowered loses that share of its score, and nothing else moves', () =>
    fc.assert(
      fc.property(weights, fc.nat(), fc.double({ min: 0, max: 1, noNaN: true }), (given, which, share) => {
        const { formId } = answers[which % answers.length];
        const scores = (lowered?: (one: SizedForm) => number) =>
          new Map(rank(answers, given, lowered).map(({ answer: one, score }) => [one.formId, score]));
        const [before, after] = [scores(), scores((one) => (one.formId === formId ? share : 0))];
        for (const [id, score] of before)
          expect(after.get(id)).toBeCloseTo(id === formId ? score * (1 - share) : score, 12);
      }),
    ));

  it('paper nobody vouches for lowers what is eaten from, paper that must not touch food lowers it more', () => {
    const lowers = (foodSafe: 'yes' | 'no' | 'unknown') => foodConcern({ name: 'Kraft', foodSafe })?.lowers ?? 0;
    expect(lowers('yes')).toBe(0);
    expect(lowers('unknown')).toBeGreaterThan(0);
    expect(lowers('no')).toBeGreaterThan(lowers('unknown'));
    expect(foodConcern(null)?.lowers).toBe(lowers('unknown'));
  });
});
