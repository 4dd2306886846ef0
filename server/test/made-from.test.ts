import { madeFrom } from '@odd-corner/contract';
import { Fitting, isSized, parsePurpose, sizeFor, type SizedForm, squareTray } from '@odd-corner/core';
import * as fc from 'fast-check';

function trayFor(lid: 'none' | 'plain'): SizedForm {
  const answer = sizeFor(new Fitting(), squareTray.id, parsePurpose('60 x 45 x 22'), {
    ...{ ease: 'easy', turning: 'upright', fingerRoom: false, gsm: 80, ruler: 'mm', thicknessMm: 0.1 },
    ...{ confidence: null, handMm: 0.3, wishes: { lid, nested: 1 } },
  });
  if (!answer || !isSized(answer)) throw new Error('A tray holds that.');
  return answer;
}

describe('how many one sheet gives', () => {
  const [tray, lidded] = [trayFor('none'), trayFor('plain')];
  const side = tray.sheet.widthMm;

  it('of one square piece is as many as lie in rows and columns, for nothing else can be cut from a sheet that is not much larger', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 3 * side }),
        fc.integer({ min: 30, max: 3 * side }),
        (widthMm, heightMm) => {
          expect(madeFrom(tray, { widthMm, heightMm })).toBe(Math.floor(widthMm / side) * Math.floor(heightMm / side));
        },
      ),
      { numRuns: 60 },
    ));

  it('never grows with what belongs to it, nor shrinks with the sheet', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 800 }),
        fc.integer({ min: 100, max: 800 }),
        fc.nat(300),
        (widthMm, heightMm, more) => {
          const sheet = { widthMm, heightMm };
          expect(madeFrom(lidded, sheet)).toBeLessThanOrEqual(madeFrom(tray, sheet));
          const [long, wide] = [Math.max(widthMm, heightMm) + more, Math.min(widthMm, heightMm) + more];
          expect(madeFrom(tray, { widthMm: long, heightMm: wide })).toBeGreaterThanOrEqual(madeFrom(tray, sheet));
        },
      ),
      { numRuns: 60 },
    ));

  it('is counted up to sixty', () => expect(madeFrom(tray, { widthMm: 4000, heightMm: 4000 })).toBe(60));
});
