import * as fc from 'fast-check';
import {
  explainSum,
  FORMS,
  holds,
  make,
  sizeSums,
  formById,
  roomFacts,
  roomKindById,
  USUALLY_SHOWN,
} from '../../src/index';
import { someOf } from '../runs';
import { fitting } from './usual-options';

const THICK_MM = 0.12;

describe('what a size comes from', () => {
  it.each(someOf(FORMS, 10).map(({ id }) => id))('%s: the sums are what was measured on the folded piece', (id) => {
    const { sheetShape, fields } = formById(id);
    fc.assert(
      fc.property(fc.integer({ min: 140, max: 420 }), fc.double({ min: 0.1, max: 0.9, noNaN: true }), (side, share) => {
        const long = sheetShape === 'square' ? side : side * Math.min(sheetShape.longPerShort[0] * 1.1, 2);
        const sheet = { widthMm: long, heightMm: side };
        const params: Record<string, unknown> = {};
        for (const { key, input } of fields) {
          if (input.kind !== 'length') continue;
          const [least, most] = input.range(sheet, params);
          if (most < least) return;
          params[key] = least + share * (most - least);
        }
        const { sizes } = make(id, { sheet, params, paper: { thicknessMm: THICK_MM } });
        const [room] = sizes.rooms;
        const facts = roomFacts(roomKindById(room.kind), room);
        const sums = sizeSums(fitting, id, sheet, params, THICK_MM);
        const told = new Map(sums.map(({ name, mm }) => [name, mm]));
        for (const { name, mm } of facts) expect(told.get(name)).toBeCloseTo(mm, 4);
        for (const { terms, restMm, mm } of sums)
          expect(terms.reduce((sum, term) => sum + term.times * term.mm, restMm)).toBeCloseTo(mm, 9);
        // Most sizes are explained; layers that lie on each other at some proportions only are not.
        expect(sums.length).toBeGreaterThanOrEqual(sizes.lengths.length + facts.length);
      }),
      { numRuns: 3 },
    );
  });

  it('is told with the figures put in: the cube after its fact sheet, √2/6 of the sheet less the paper', () => {
    const held = holds(fitting, { widthMm: 150, heightMm: 150 }, { thicknessMm: 0.1, ruler: 'mm' });
    const { sums } = held.find(({ formId }) => formId === 'closing-cube')!;
    const [long, , deep] = sums.map((sum) => explainSum(sum, USUALLY_SHOWN));
    expect(long).toEqual({
      what: 'Inside, long',
      figures: '0.2357 × sheet 150 mm − 6 × one layer of paper 0.1 mm = 34.8 mm',
    });
    expect(deep.figures).toBe('0.2357 × sheet 150 mm − 10 × one layer of paper 0.1 mm = 34.4 mm');
    expect(Math.SQRT2 / 6).toBeCloseTo(0.2357, 4);
  });
});
