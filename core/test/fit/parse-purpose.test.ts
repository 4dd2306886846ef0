import * as fc from 'fast-check';
import { formatSizes, ParseLengthError, parsePurpose } from '../../src/index';

describe('what something is for, in one line', () => {
  it.each([
    ['60 x 45 x 22', { kind: 'hold', pieces: [{ count: 1, thing: { shape: 'block', lengthMm: 60, heightMm: 22 } }] }],
    [
      '4 tickets 105 × 74, one hex key 120 × 35 × 8',
      {
        kind: 'hold',
        pieces: [
          { name: 'tickets', count: 4, thing: { shape: 'flat', widthMm: 105, heightMm: 74 } },
          { name: 'hex key', count: 1, thing: { shape: 'block', lengthMm: 120, widthMm: 35, heightMm: 8 } },
        ],
      },
    ],
    ['3 1/2 x 2 1/2 in', { kind: 'hold', pieces: [{ thing: { shape: 'flat', heightMm: 63.5 } }] }],
    [
      'tea light Ø38 x 16',
      { kind: 'hold', pieces: [{ name: 'tea light', thing: { shape: 'cylinder', diameterMm: 38 } }] },
    ],
    ['2 marbles 16 mm', { kind: 'hold', pieces: [{ count: 2, thing: { shape: 'ball', diameterMm: 16 } }] }],
    ['30 washers ø10 x 1', { kind: 'loose', piece: { count: 30, thing: { shape: 'cylinder', diameterMm: 10 } } }],
    ['8 loose dice 16 x 16 x 16', { kind: 'loose', piece: { count: 8, name: 'dice' } }],
    ['120 ml', { kind: 'liquid', ml: 120 }],
    ['0,2 l of water', { kind: 'liquid', ml: 200 }],
    ['load 60 g', { kind: 'load', grams: 60, centreMm: 5 }],
    ['load 60 g centre at 1.2 cm', { kind: 'load', grams: 60, centreMm: 12 }],
    ['pages 3 mm', { kind: 'pages', thickMm: 3 }],
    ['strap 25 x 2', { kind: 'strap', widthMm: 25, thickMm: 2 }],
    ['bead 8', { kind: 'bead', diameterMm: 8 }],
  ])('%s', (text, meant) => expect(parsePurpose(text)).toMatchObject(meant));

  it.each([
    ['dozen eggs ø45 x 60', 12, 'eggs'],
    ['half a dozen screws ø6 x 30', 6, 'screws'],
    ['three dozen caps ø8 x 5', 36, 'caps'],
    ['thirty nuts 8 x 8 x 4', 30, 'nuts'],
    ['twenty-five nuts 8 x 8 x 4', 25, 'nuts'],
    ['9 V battery 48.5 x 26.5 x 17.5', 1, '9 V battery'],
    ['4 mm hex key 120 x 35 x 8', 1, '4 mm hex key'],
    ['M3 screw ø3 x 12', 1, 'M3 screw'],
    ['5 CR2032 cells ø20 x 3.2', 5, 'CR2032 cells'],
    ['constructor 10 x 10 x 10', 1, 'constructor'],
    ['toString 10 x 10 x 10', 1, 'toString'],
  ])('counts and names: %s', (text, count, name) => {
    const read = parsePurpose(text);
    const piece = read.kind === 'hold' ? read.pieces[0] : read.kind === 'loose' ? read.piece : null;
    expect(piece).toMatchObject({ count, name });
  });

  it('many thin things are stacked, many others are poured, and what is said to be loose is', () => {
    expect(parsePurpose('50 business cards 85 x 55 x 0.3').kind).toBe('hold');
    expect(parsePurpose('30 tickets 105 x 74').kind).toBe('hold');
    expect(parsePurpose('50 blocks 20 x 20 x 10').kind).toBe('loose');
    expect(parsePurpose('50 loose tickets 105 x 74').kind).toBe('loose');
  });

  it('takes no longer for a long line than it must, and says how much is read', () => {
    expect(() => parsePurpose(`60 x 45${' '.repeat(40_000)}x 22`)).toThrow('2000 characters');
  });

  it.each([
    ['', 'Write what it must hold'],
    ['scissors', 'no sizes'],
    ['60', 'One size is not enough'],
    ['60 x 45 x 22 x 3', 'more than three'],
    ['60 x', 'missing'],
    ['60 x 45 x 22 furlong', 'not a unit'],
    ['strap 25', 'width and a thickness'],
    ['9999 things 5 x 5 x 5', 'counted'],
    ['0 x 45 x 22', 'more than zero'],
    ['-3', 'more than zero'],
    ['10 km', '“km” is not a unit known here'],
    ['4 tickets', 'no sizes stand after it'],
    ['0 ml', 'Between a drop'],
  ])('says what is wrong with “%s”', (text, message) => {
    expect(() => parsePurpose(text)).toThrow(ParseLengthError);
    expect(() => parsePurpose(text)).toThrow(message);
  });

  it('reads back in any unit what was written in it', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 5, max: 4000 }), { minLength: 3, maxLength: 3 }),
        fc.constantFrom('mm' as const, 'cm' as const),
        (tenths, unit) => {
          const sizes = tenths.map((n) => n / 10);
          const read = parsePurpose(formatSizes(sizes, unit), 'in');
          expect(read).toMatchObject({ kind: 'hold' });
          if (read.kind !== 'hold' || read.pieces[0].thing.shape !== 'block') throw new Error('A block.');
          const { lengthMm, widthMm, heightMm } = read.pieces[0].thing;
          [lengthMm, widthMm, heightMm].forEach((mm, k) => expect(mm).toBeCloseTo(sizes[k], 6));
        },
      ),
    ));
});
