import * as fc from 'fast-check';
import { type Fold, layerOrders, localLaws } from '../../src/index';
import { singleVertex } from '../single-vertex';

const lawsOf = (sectors: readonly number[], folds: readonly Fold[] = []) =>
  localLaws(singleVertex(sectors, folds)).map(({ law }) => law);
const FOLDS: readonly Fold[] = ['valley', 'mountain'];
const everyChoice = (n: number): Fold[][] =>
  n === 0 ? [[]] : everyChoice(n - 1).flatMap((rest) => FOLDS.map((fold) => [...rest, fold]));

describe('local laws', () => {
  it('name the vertex and by how much the angles are off', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 80 }),
        fc.integer({ min: 20, max: 80 }),
        fc.integer({ min: 1, max: 15 }),
        (a, b, off) => {
          expect(lawsOf([a, b, 180 - a, 180 - b])).toEqual([]);
          const pattern = singleVertex([a + off, b, 180 - a, 180 - b - off]);
          const [fault, ...rest] = localLaws(pattern);
          expect(rest).toEqual([]);
          expect(fault.law).toBe('Kawasaki–Justin');
          expect(Math.abs(fault.amount)).toBeCloseTo(off, 6);
          expect(Math.hypot(fault.at.x, fault.at.y)).toBeLessThan(1e-9);
        },
      ),
    ));

  it('an odd number of creases folds flat nowhere', () => expect(lawsOf([100, 100, 160])).toEqual(['even-degree']));

  it('valleys and mountains differ by two, or could still', () => {
    expect(lawsOf([90, 90, 90, 90], ['valley', 'valley', 'mountain', 'mountain'])).toContain('Maekawa–Justin');
    expect(lawsOf([90, 90, 90, 90], ['valley', 'either', 'mountain', 'mountain'])).toEqual([]);
    expect(lawsOf([90, 90, 90, 90], ['valley', 'valley', 'valley', 'either'])).toEqual([]);
  });

  it('creases round a smallest angle fold opposite ways', () => {
    expect(lawsOf([40, 70, 140, 110], ['valley', 'valley', 'valley', 'mountain'])).toEqual(['big-little-big']);
    expect(lawsOf([40, 70, 140, 110], ['valley', 'mountain', 'valley', 'valley'])).toEqual([]);
  });

  it('a vertex of four creases that keeps the laws folds, and one that breaks them does not', () =>
    fc.assert(
      fc.property(fc.integer({ min: 25, max: 155 }), fc.integer({ min: 25, max: 155 }), (a, b) => {
        if (new Set([a, b, 180 - a, 180 - b]).size < 4) return;
        for (const folds of everyChoice(4)) {
          const pattern = singleVertex([a, b, 180 - a, 180 - b], folds);
          expect(!layerOrders(pattern).next().done).toBe(localLaws(pattern).length === 0);
        }
      }),
      { numRuns: 15 },
    ));

  it('so does a vertex of six equal angles', () => {
    for (const folds of everyChoice(6)) {
      const pattern = singleVertex([60, 60, 60, 60, 60, 60], folds);
      expect(!layerOrders(pattern).next().done).toBe(localLaws(pattern).length === 0);
    }
  });
});
