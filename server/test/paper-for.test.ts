import { freeOf, found, isWhole, makeOf, type Paper, paperFor, planMake, sheetsFrom } from '@odd-corner/contract';
import { FOOD_SAFE, Fitting, isSized, parsePurpose, sizeFor, squareTray } from '@odd-corner/core';
import { randomUUID } from 'node:crypto';
import * as fc from 'fast-check';
import { KRAFT } from './workshop';

/** A tray from a square of some 150 mm. */
const answer = sizeFor(new Fitting(), squareTray.id, parsePurpose('60 x 45 x 22'), {
  ...{ ease: 'easy', turning: 'upright', fingerRoom: false, gsm: 80, ruler: 'mm', thicknessMm: 0.1 },
  ...{ confidence: null, handMm: 0.3 },
});
const paper: fc.Arbitrary<Paper> = fc
  .record({
    widthMm: fc.integer({ min: 100, max: 700 }),
    heightMm: fc.integer({ min: 100, max: 500 }),
    count: fc.integer({ min: 0, max: 6 }),
    reserved: fc.integer({ min: 0, max: 3 }),
    foodSafe: fc.constantFrom(...FOOD_SAFE),
  })
  .map((drawn) => ({ ...KRAFT, ...drawn, id: randomUUID(), version: 1 }));

describe('the paper that an answer is folded from', () => {
  if (!answer || !isSized(answer)) throw new Error('A tray holds that.');
  /** Written apart: every paper is planned. */
  const able = (papers: readonly Paper[], count: number) =>
    papers.flatMap((one) => {
      const make = makeOf(found(answer), () => ({ papers: [one.id], thicknessMm: 0 }));
      const plan = planMake(make, count, [{ ...one, free: freeOf(one) }]);
      return isWhole(plan) ? [{ one, area: sheetsFrom(plan, one.id) * one.widthMm * one.heightMm }] : [];
    });

  it('loses the least of the shelf of all that give every sheet', () =>
    fc.assert(
      fc.property(fc.array(paper, { maxLength: 6 }), fc.integer({ min: 1, max: 5 }), (papers, count) => {
        const all = able(papers, count);
        const taken = paperFor(answer, count, papers, { eaten: false });
        expect(taken === null).toBe(all.length === 0);
        if (taken)
          expect(taken.sheets * taken.paper.widthMm * taken.paper.heightMm).toBe(
            Math.min(...all.map(({ area }) => area)),
          );
      }),
    ));

  it('is one sold for food where it touches food, if one is there; one that must not touch it comes last', () =>
    fc.assert(
      fc.property(fc.array(paper, { minLength: 1, maxLength: 6 }), (papers) => {
        const kinds = able(papers, 1).map(({ one }) => one.foodSafe);
        const best = (['yes', 'unknown', 'no'] as const).find((kind) => kinds.includes(kind));
        expect(paperFor(answer, 1, papers, { eaten: true })?.paper.foodSafe).toBe(best);
      }),
    ));
});
