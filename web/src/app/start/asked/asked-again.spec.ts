import type { Asked } from '@odd-corner/contract';
import { askedOf } from '@odd-corner/contract';
import { parsePurpose, type ShownUnit, USUALLY_SHOWN, writePurpose } from '@odd-corner/core';
import * as fc from 'fast-check';
import { SIZE_OPTIONS } from '../../testing/bench';
import { askedAgain } from './asked-again';
import { readLine } from './purpose-reading';
import { CONFIDENCES } from './start-address';

const TEXTS = ['60 x 45 x 22', '4 tickets 105 x 74, one key 120 x 35 x 8', '120 ml', 'load 40 g', 'pages 4 mm'];

const asked = fc
  .record({
    text: fc.constantFrom(...TEXTS),
    confidence: fc.constantFrom(...CONFIDENCES.map(({ share }) => share)),
    turning: fc.constantFrom('upright' as const, 'any' as const),
    fingerRoom: fc.boolean(),
    units: fc.integer({ min: 1, max: 9 }),
  })
  .map(({ text, units, ...options }): Asked => {
    return { text, purpose: parsePurpose(text, 'mm'), options: askedOf({ ...SIZE_OPTIONS, ...options }, units) };
  });

describe('what was asked before, asked again', () => {
  const figures = (unit: ShownUnit) => ({
    unit: () => unit,
    purpose: (purpose: Parameters<typeof writePurpose>[0]) => writePurpose(purpose, { ...USUALLY_SHOWN, unit }),
  });

  it('means the same in whatever unit bare numbers are read now', () =>
    fc.assert(
      fc.property(asked, fc.constantFrom<ShownUnit>('mm', 'cm', 'in'), (before, unit) => {
        const again = askedAgain(before, figures(unit));
        const reading = readLine(again.text, unit);
        if (reading.kind !== 'purpose') throw new Error(`“${again.text}” says nothing.`);
        const flat = (value: unknown): unknown[] =>
          typeof value === 'object' && value ? Object.values(value).flatMap(flat) : [value];
        flat(reading.purpose).forEach((value, k) => {
          const was = flat(before.purpose)[k];
          if (typeof was === 'number') expect(Math.abs((value as number) - was)).toBeLessThan(0.5);
          else expect(value).toBe(was);
        });
        const { confidence, turning, fingerRoom, units } = before.options;
        expect(CONFIDENCES.find(({ id }) => id === again.confidence)!.share).toBe(confidence);
        expect([again.turn, again.fingers, again.units]).toEqual([turning === 'any', fingerRoom, units]);
      }),
    ));

  it('keeps the words as they were typed while they mean the same', () =>
    fc.assert(fc.property(asked, (before) => expect(askedAgain(before, figures('mm')).text).toBe(before.text))));

  it('of a sheet that was there first is nothing', () => {
    const options = askedOf(SIZE_OPTIONS, 1);
    expect(askedAgain({ text: '', purpose: null, options }, figures('mm')).text).toBe('');
  });
});
