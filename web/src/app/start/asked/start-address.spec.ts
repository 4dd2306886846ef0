import { CRITERIA, type Criterion, EASES, type EaseId } from '@odd-corner/core';
import * as fc from 'fast-check';
import { CONFIDENCES, readStart, type StartAsked, writeStart } from './start-address';
import { MOST_WEIGHT } from './weights-query';
import { COUNTS, LIDS } from './wishes-query';

const criteria = Object.keys(CRITERIA) as Criterion[];
const asked: fc.Arbitrary<StartAsked> = fc.record({
  text: fc.string().map((text) => text.trim()),
  unit: fc.constantFrom('mm', 'cm', 'in'),
  ease: fc.option(fc.constantFrom(...(Object.keys(EASES) as EaseId[]))),
  confidence: fc.constantFrom(...CONFIDENCES.map(({ id }) => id)),
  turn: fc.option(fc.boolean()),
  fingers: fc.boolean(),
  units: fc.integer({ min: 1, max: COUNTS.units.most }),
  lid: fc.constantFrom(...LIDS.map(({ id }) => id)),
  nested: fc.integer({ min: 1, max: COUNTS.nested.most }),
  paperId: fc.option(fc.uuid()),
  weights: fc.record(
    Object.fromEntries(criteria.map((key) => [key, fc.nat(MOST_WEIGHT)])) as Record<Criterion, fc.Arbitrary<number>>,
  ),
});

describe('what is asked at the start, as an address', () => {
  it('reads back as it was', () =>
    fc.assert(
      fc.property(asked, (all) => expect(readStart(new URLSearchParams(writeStart(all).toString()))).toEqual(all)),
    ));

  it('of nothing is empty', () => expect(writeStart(readStart(new URLSearchParams())).toString()).toBe(''));

  it('takes whatever else stands there for the usual', () =>
    fc.assert(
      fc.property(
        fc.dictionary(fc.constantFrom('unit', 'ease', 'sure', 'lid', 'units', 'weigh'), fc.string()),
        (odd) => {
          const read = readStart(new URLSearchParams(odd));
          expect(readStart(writeStart(read))).toEqual(read);
        },
      ),
    ));

  it.each(['constructor', 'toString', '__proto__'])('knows no ease called %s', (ease) =>
    expect(readStart(new URLSearchParams({ ease })).ease).toBeNull(),
  );
});
