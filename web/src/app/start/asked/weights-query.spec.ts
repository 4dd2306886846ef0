import { CRITERIA, type Criterion, USUAL_WEIGHTS } from '@odd-corner/core';
import * as fc from 'fast-check';
import { MOST_WEIGHT, readWeights, writeWeights } from './weights-query';

const weights = fc.record(
  Object.fromEntries((Object.keys(CRITERIA) as Criterion[]).map((key) => [key, fc.nat(MOST_WEIGHT)])) as Record<
    Criterion,
    fc.Arbitrary<number>
  >,
);

describe('weights in an address', () => {
  it('come back as they were', () =>
    fc.assert(fc.property(weights, (all) => expect(readWeights(writeWeights(all))).toEqual(all))));

  it('are not written when they are the usual ones', () => expect(writeWeights(USUAL_WEIGHTS)).toBe(''));

  it.each([null, '', 'paper', 'paper9', 'folly2', '3', 'paper-1', ',,'])('of %j are the usual ones', (text) =>
    expect(readWeights(text)).toEqual(USUAL_WEIGHTS),
  );
});
