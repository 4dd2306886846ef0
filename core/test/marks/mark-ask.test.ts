import fc from 'fast-check';
import { MarkAskUnread, readMarkAsk } from '../../src/index';

const places = (text: string, unit: 'mm' | 'in' = 'mm') => {
  const ask = readMarkAsk(text, unit);
  if (ask.kind !== 'places') throw new Error(`${text} is no place.`);
  return ask;
};

describe('what is to be found on a sheet', () => {
  it.each([
    ['3/7 of the long edge', [3 / 7], 'longer', null],
    ['57 mm from the left on 210', [57 / 210], null, 210],
    ['0,43', [0.43], null, null],
    ['43 %', [0.43], null, null],
    ['two thirds of the short side', [2 / 3], 'shorter', null],
    ['halves', [1 / 2], null, null],
  ] as const)('“%s” is read', (text, shares, along, lengthMm) => {
    const ask = places(text);
    expect(ask.shares).toHaveLength(shares.length);
    shares.forEach((share, k) => expect(ask.shares[k]).toBeCloseTo(share, 12));
    expect(ask).toMatchObject({ along, lengthMm });
  });

  it('divisions say every mark, in words and figures; lengths come in any unit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 32 }), (parts) => {
        for (const text of [`divide into ${parts}`, `${parts} parts`, `into ${parts} equal parts`])
          expect(places(text).shares).toEqual(Array.from({ length: parts - 1 }, (_, k) => (k + 1) / parts));
      }),
    );
    expect(places('thirds of 8 1/2 in').lengthMm).toBeCloseTo(215.9, 9);
    expect(places('thirds of 8 1/2', 'in').lengthMm).toBeCloseTo(215.9, 9);
    expect(places('57 from the right on 210').fromEnd).toBe(true);
    expect(readMarkAsk('a line at 36°', 'mm')).toEqual({ kind: 'angle', deg: 36 });
    expect(readMarkAsk('22,5 degrees', 'mm')).toEqual({ kind: 'angle', deg: 22.5 });
  });

  it('what cannot be read says so, whatever was typed', () => {
    for (const text of [
      '',
      '60',
      '3/0',
      '7/7',
      'line at 200°',
      '4 on 2',
      'constructor',
      '100 parts',
      '1 part',
      '5 on',
      '% of',
    ])
      expect(() => readMarkAsk(text, 'mm')).toThrow(MarkAskUnread);
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (text) => {
        try {
          const ask = readMarkAsk(text, 'mm');
          if (ask.kind === 'places') for (const share of ask.shares) expect(share > 0 && share < 1).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(MarkAskUnread);
        }
      }),
    );
  });
});
