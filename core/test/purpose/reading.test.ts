import * as fc from 'fast-check';
import {
  COMMON_PURPOSES,
  formatSizes,
  type Item,
  ParseLengthError,
  parsePurpose,
  ParsePurposeError,
  type Purpose,
  sayPurpose,
  writePurpose,
} from '../../src/index';
import { runs } from '../runs';

const block = (lengthMm: number, widthMm: number, heightMm: number) => ({
  ...{ shape: 'block', lengthMm, widthMm, heightMm },
});
const flat = (widthMm: number, heightMm: number) => ({ shape: 'flat', widthMm, heightMm, thickMm: 0.3 });
const round = (diameterMm: number, lengthMm: number) => ({ shape: 'cylinder', diameterMm, lengthMm });
const ball = (diameterMm: number) => ({ shape: 'ball', diameterMm });
const cube = (mm: number) => block(mm, mm, mm);
const TICKET = { name: 'tickets', count: 4, thing: flat(105, 74) };
const KEY = { name: 'hex key', count: 1, thing: block(120, 35, 8) };

/** The one kind of thing that a line names, poured or not. */
function itemOf(text: string): Item {
  const read = parsePurpose(text);
  if (read.kind === 'loose') return read.piece;
  if (read.kind !== 'hold' || read.pieces.length !== 1) throw new Error(`One kind of thing, not ${read.kind}.`);
  return read.pieces[0];
}

describe('one kind of thing', () => {
  it.each([
    ['60 x 45 x 22', 1, 'thing', block(60, 45, 22)],
    ['60*45*22', 1, 'thing', block(60, 45, 22)],
    ['60 by 45 by 22', 1, 'thing', block(60, 45, 22)],
    ['60mmx45mmx22mm', 1, 'thing', block(60, 45, 22)],
    ['6 x 4.5 x 2.2 cm', 1, 'thing', block(60, 45, 22)],
    ['60 45 22', 1, 'thing', block(60, 45, 22)],
    ['60, 45, 22', 1, 'thing', block(60, 45, 22)],
    ['60,45,22', 1, 'thing', block(60, 45, 22)],
    ['L60 W45 H22', 1, 'thing', block(60, 45, 22)],
    ['22 high, 60 long, 45 wide', 1, 'thing', block(60, 45, 22)],
    ['60 mm long, 45 mm wide', 1, 'thing', flat(60, 45)],
    ['length: 60 x width: 45 x height: 22', 1, 'thing', block(60, 45, 22)],
    ['60 x 45 x 22 battery pack', 1, 'battery pack', block(60, 45, 22)],
    ['60 x 45 x 22,', 1, 'thing', block(60, 45, 22)],
    ['60 x 45 x 22.', 1, 'thing', block(60, 45, 22)],
    ['3 boxes 60 x 45 x 22 each', 3, 'boxes', block(60, 45, 22)],
    ['max 60 x 45 x 22', 1, 'thing', block(60, 45, 22)],
    ['up to 60 x 45 x 22', 1, 'thing', block(60, 45, 22)],
    ['~60 x 45 x 22', 1, 'thing', block(60, 45, 22)],
    ['60-62 x 45', 1, 'thing', flat(62, 45)],
    ['60 to 62 x 45', 1, 'thing', flat(62, 45)],
    ['60±1 x 45', 1, 'thing', flat(61, 45)],
    ['6 ± 0.1 cm x 45 mm', 1, 'thing', flat(61, 45)],
    ['1,200 x 1500 x 20', 1, 'thing', block(1200, 1500, 20)],
    ['1,200 mm x 50 x 20', 1, 'thing', block(1.2, 50, 20)],
    ['12,5 x 4 x 2', 1, 'thing', block(12.5, 4, 2)],
    ['3x 105 x 74', 3, 'thing', flat(105, 74)],
    ['4 × 105 x 74', 4, 'thing', flat(105, 74)],
    ['4 x 105 x 74', 1, 'thing', block(4, 105, 74)],
    ['20 60 x 45', 20, 'thing', flat(60, 45)],
    ['Φ10 x 1', 1, 'thing', round(10, 1)],
    ['10 dia x 1', 1, 'thing', round(10, 1)],
    ['tea light D38 x 16', 1, 'tea light', round(38, 16)],
    ['tea light Ø38 x 16', 1, 'tea light', round(38, 16)],
    ['20 coins 23 x 2', 20, 'coins', round(23, 2)],
    ['30 washers 10 x 1', 30, 'washers', round(10, 1)],
    ['3 pens 140 x 10', 3, 'pens', round(10, 140)],
    ['100 screws M4 x 20', 100, 'screws M4', round(8, 23.1)],
    ['M3 screw ø3 x 12', 1, 'M3 screw', round(5.6, 14.4)],
    ['CR2032 ø20 x 3.2', 1, 'CR2032', round(20, 3.2)],
    ['9 V battery 48.5 x 26.5 x 17.5', 1, '9 V battery', block(48.5, 26.5, 17.5)],
    ['4 mm hex key 120 x 35 x 8', 1, '4 mm hex key', block(120, 35, 8)],
    ['2 4 mm hex keys 120 x 35 x 8', 2, '4 mm hex keys', block(120, 35, 8)],
    ['6 d6 dice 16', 6, 'd6 dice', cube(16)],
    ['dice 16', 1, 'dice', cube(16)],
    ['cube 16', 1, 'cube', cube(16)],
    ['ball 40', 1, 'ball', ball(40)],
    ['2 marbles 16 mm', 2, 'marbles', ball(16)],
    ['dozen eggs ø45 x 60', 12, 'eggs', round(45, 60)],
    ['half a dozen eggs ø45 x 60', 6, 'eggs', round(45, 60)],
    ['thirty coins 23 x 2', 30, 'coins', round(23, 2)],
    ['twenty-five nuts 8 x 8 x 4', 25, 'nuts', block(8, 8, 4)],
    ['three dozen caps ø8 x 5', 36, 'caps', round(8, 5)],
    ['3 dozen caps ø8 x 5', 36, 'caps', round(8, 5)],
    ['constructor 10 x 10 x 10', 1, 'constructor', cube(10)],
    ['toString 10 x 10 x 10', 1, 'toString', cube(10)],
    ['A6 card', 1, 'A6 card', flat(148, 105)],
    ['notebook A5', 1, 'notebook A5', flat(210, 148)],
    ['AA battery', 1, 'AA battery', round(14.5, 50.5)],
    ['8 AA batteries', 8, 'AA batteries', round(14.5, 50.5)],
    ['2 9 V batteries', 2, '9 V batteries', block(48.5, 26.5, 17.5)],
    ['tea light', 1, 'tea light', round(38, 16)],
    ['2 bank cards', 2, 'bank cards', block(85.6, 54, 0.8)],
    ['photo: 130 x 90', 1, 'photo', flat(130, 90)],
    ['60 x 45 x 22 in a tray', 1, 'in a tray', block(60, 45, 22)],
    ['6 x 4 x 2 in', 1, 'thing', block(152.4, 101.6, 50.8)],
  ] as const)('%s', (text, count, name, thing) => {
    const read = itemOf(text);
    expect(read).toMatchObject({ count, name });
    expect(read.thing.shape).toBe(thing.shape);
    for (const [key, size] of Object.entries(thing))
      if (typeof size === 'number') expect((read.thing as unknown as Record<string, number>)[key]).toBeCloseTo(size, 9);
  });

  it.each([
    ['2 3/8 x 1 3/4 x 7/8 in', [60.325, 44.45, 22.225]],
    ['2-3/8 x 1¾ x ⅞ in', [60.325, 44.45, 22.225]],
    ['1\'2" x 5" x 3"', [355.6, 127, 76.2]],
    ['1 ft 2 in x 5 in x 3 in', [355.6, 127, 76.2]],
    ['8½ x 11 x 1 inches', [215.9, 279.4, 25.4]],
  ] as const)('fractions and feet: %s', (text, sizes) => {
    const { thing } = itemOf(text);
    if (thing.shape !== 'block') throw new Error('A block.');
    [thing.lengthMm, thing.widthMm, thing.heightMm].forEach((mm, k) => expect(mm).toBeCloseTo(sizes[k], 9));
  });

  it('pens, cells and screws lie unless it is said how they are kept; what is not said of others stays open', () => {
    expect(itemOf('3 pens ø10 x 140').posture).toBe('lying');
    expect(itemOf('8 cells ø14.5 x 50.5').posture).toBe('lying');
    expect(itemOf('3 pens ø10 x 140 standing').posture).toBe('standing');
    expect(itemOf('3 pens upright ø10 x 140').posture).toBe('standing');
    expect(itemOf('8 cells ø14.5 x 50.5 any way').posture).toBe('any');
    expect(itemOf('book 200 x 130 x 20 flat').posture).toBe('lying');
    expect(itemOf('book 200 x 130 x 20').posture).toBeUndefined();
  });

  it('many thin things are stacked, many others are poured, and what is said to be loose is', () => {
    expect(parsePurpose('50 business cards 85 x 55 x 0.3').kind).toBe('hold');
    expect(parsePurpose('30 tickets 105 x 74').kind).toBe('hold');
    expect(parsePurpose('50 blocks 20 x 20 x 10').kind).toBe('loose');
    expect(parsePurpose('50 loose tickets 105 x 74').kind).toBe('loose');
    expect(parsePurpose('8 loose dice 16 x 16 x 16')).toMatchObject({ kind: 'loose', piece: { name: 'dice' } });
    expect(parsePurpose('100 screws M4 x 20').kind).toBe('loose');
    expect(parsePurpose('30 pens ø8 x 140 lying').kind).toBe('hold');
  });
});

describe('several things', () => {
  it.each([
    '4 tickets 105 x 74, one hex key 120 x 35 x 8',
    '4 tickets 105 × 74; one hex key 120 × 35 × 8',
    '4 tickets 105 x 74 & a hex key 120 x 35 x 8',
    '4 tickets 105 x 74 and one hex key 120 x 35 x 8',
    '4 tickets 105x74,one hex key 120x35x8',
    '4 tickets 105 x 74\none hex key 120 x 35 x 8.',
    'four tickets 105 x 74 + one hex key 120 x 35 x 8,',
    '4 tickets 105 x 74, hex key 120, 35, 8',
  ])('%j', (text) => expect(parsePurpose(text)).toMatchObject({ kind: 'hold', pieces: [TICKET, KEY] }));
});

describe('what is no thing to be packed', () => {
  it.each([
    ['120 ml', { kind: 'liquid', ml: 120 }],
    ['water 120 ml', { kind: 'liquid', ml: 120 }],
    ['0,2 l of water', { kind: 'liquid', ml: 200 }],
    ['1/2 l', { kind: 'liquid', ml: 500 }],
    ['2 dl', { kind: 'liquid', ml: 200 }],
    ['5 cc', { kind: 'liquid', ml: 5 }],
    ['5 cm³', { kind: 'liquid', ml: 5 }],
    ['load 60 g', { kind: 'load', grams: 60, centreMm: 5 }],
    ['40 g load', { kind: 'load', grams: 40 }],
    ['boat for 40 g', { kind: 'load', grams: 40 }],
    ['load 60 g centre at 1.2 cm', { kind: 'load', grams: 60, centreMm: 12 }],
    ['pages 3 mm', { kind: 'pages', thickMm: 3 }],
    ['page corner 2', { kind: 'pages', thickMm: 2 }],
    ['strap 25 x 2', { kind: 'strap', widthMm: 25, thickMm: 2 }],
    ['belt 38 mm', { kind: 'strap', widthMm: 38, thickMm: 2 }],
    ['bead 8', { kind: 'bead', diameterMm: 8 }],
    ['marble run 16', { kind: 'bead', diameterMm: 16 }],
    ['250 ml lentils', { kind: 'bulk', name: 'lentils', ml: 250 }],
  ])('%s', (text, meant) => expect(parsePurpose(text)).toMatchObject(meant));

  it.each([
    ['8 fl oz', 236.588],
    ['1 cup', 236.588],
    ['2 tbsp', 29.5735],
    ['1 tsp', 4.9289],
  ])('US measures: %s', (text, ml) => {
    const read = parsePurpose(text);
    expect(read.kind === 'liquid' ? read.ml : NaN).toBeCloseTo(ml, 3);
  });

  it.each([
    ['3 oz', 85.0486],
    ['1 lb', 453.592],
    ['1.5 kg', 1500],
  ])('weights: %s', (text, grams) => {
    const read = parsePurpose(text);
    expect(read.kind === 'load' ? read.grams : NaN).toBeCloseTo(grams, 3);
  });

  it('dry goods by weight take the room of the lightest that they may be', () => {
    const rice = parsePurpose('100 g rice');
    expect(rice).toMatchObject({ kind: 'bulk', name: 'rice' });
    if (rice.kind !== 'bulk') throw new Error('Rice is poured.');
    expect(rice.ml).toBeGreaterThan(100 / 0.87);
    expect(rice.ml).toBeCloseTo(100 / 0.75, 9);
    // Afloat it is a load like any other.
    expect(parsePurpose('load 100 g rice').kind).toBe('load');
  });

  it('thirty pages are as thick as thirty leaves of office paper', () => {
    const read = parsePurpose('30 pages');
    expect(read.kind === 'pages' ? read.thickMm : NaN).toBeCloseTo(3.1, 9);
  });
});

/** What a line says; null where it is refused in words, at a place within it. */
function readOrNull(text: string): Purpose | null {
  try {
    return parsePurpose(text);
  } catch (error) {
    if (!(error instanceof ParsePurposeError)) throw error;
    expect(error.message.length).toBeGreaterThan(10);
    expect(error.at.from).toBeGreaterThanOrEqual(0);
    expect(error.at.to).toBeLessThanOrEqual(text.length);
    return null;
  }
}

describe('what cannot be read', () => {
  it.each([
    ['', 'Write what it must hold', ''],
    ['scissors', 'no sizes', 'scissors'],
    ['60', 'One size is not enough', '60'],
    ['60 x 45 x 22 x 3', 'more than three', '60 x 45 x 22 x 3'],
    ['60 x', 'A size is missing after “60”', 'x'],
    ['60 x x 45', 'A size is missing', 'x'],
    ['60 x 45 x 22 furlong', 'not a unit', 'furlong'],
    ['strap', 'width and a thickness', 'strap'],
    ['9999 things 5 x 5 x 5', 'counted', '9999'],
    ['0 x 45 x 22', 'more than zero', '0'],
    ['-3', 'more than zero', '-3'],
    ['-3 coins', 'no count', '-3'],
    ['0 coins', 'one or more', '0'],
    ['load 0 g', '“0 g” must be more than zero', '0 g'],
    ['-5 ml', '“-5 ml” must be more than nothing', '-5 ml'],
    ['load 40 x 3', 'A load has a weight', 'load 40 x 3'],
    ['10 km', '“km” is not a unit known here', 'km'],
    ['4 tickets', 'no sizes stand after it', 'tickets'],
    ['4 tickets 105 x 74, one key', '“one key” has no sizes|“key” is not a unit', 'key'],
    ['1,200 x 50 x 20', '“1,200” may be 1.2 or 1200', '1,200'],
    ['1.234,5 x 20 x 20', 'one number', '1.234,5'],
    ['at least 60 x 45', 'Write the largest', 'at least'],
    ['62-60 x 45', 'from the smaller', '62-60'],
    ['3/0 x 45', 'divides by zero', '3/0'],
    ['6 m x 45', 'larger than the 5 m', '6 m'],
    ['10 g feathers', 'is not known', 'feathers'],
    ['ø10 x 5 x 3', 'A round thing has', 'ø10 x 5 x 3'],
  ])('“%s”', (text, message, blamed) => {
    let said: unknown;
    try {
      parsePurpose(text);
    } catch (error) {
      said = error;
    }
    expect(said).toBeInstanceOf(ParseLengthError);
    const { at, message: words } = said as ParsePurposeError;
    expect(words).toMatch(new RegExp(message));
    expect(text.slice(at.from, at.to)).toContain(blamed.split('|')[0]);
  });

  it('is said of too long a line at once', () => {
    expect(() => parsePurpose(`60 x 45${' '.repeat(40_000)}x 22`)).toThrow('2000 characters');
  });

  it('whatever is typed is read or refused in words, never anything else', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            ...[
              '60',
              '4',
              '1,200',
              '1/2',
              '½',
              'x',
              '×',
              'ø',
              'mm',
              'in',
              '"',
              "'",
              '-',
              '±',
              ',',
              ';',
              'and',
              'dozen',
              'a',
            ],
            ...[
              'load',
              'g',
              'ml',
              'pages',
              'strap',
              'M4',
              'AA battery',
              'dice',
              'loose',
              'standing',
              'flat',
              'cup',
              'of',
              '.',
            ],
            ...[
              '~',
              'at least',
              'up to',
              'A6',
              'rice',
              'each',
              '\n',
              '  ',
              '0',
              '(',
              '%',
              'constructor',
              '__proto__',
              'é',
              '😀',
            ],
          ),
          { maxLength: 14 },
        ),
        fc.constantFrom('', ' '),
        (words, gap) => {
          const text = words.join(gap);
          const read = readOrNull(text);
          if (!read) return;
          expect(sayPurpose(read).length).toBeGreaterThan(0);
          // What was read is written and read again as the same.
          expect(parsePurpose(writePurpose(read)).kind).toBe(read.kind);
        },
      ),
      { numRuns: runs(1500, 60_000) },
    ));
});

describe('what was read', () => {
  it.each([
    ['60 x 45 x 22', 'block 60 × 45 × 22 mm'],
    ['12 rods ø9 x 145 lying', '12 rods, each round ø9 × 145 mm, lying flat'],
    [
      '4 tickets 105 x 74, hex key 120 x 35 x 8',
      '4 tickets, each flat 105 × 74 mm, 0.3 mm thick; hex key: block 120 × 35 × 8 mm',
    ],
    ['30 washers 10 x 1', '30 washers, each round ø10 × 1 mm, poured in'],
    ['1 cup', '237 ml of liquid'],
    ['strap 38', 'strap 38 mm wide, 2 mm thick'],
  ])('%s is read back as: %s', (text, said) => expect(sayPurpose(parsePurpose(text))).toBe(said));

  it('of a range keeps both ends, in any unit, and reads back', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 400 }),
        fc.integer({ min: 1, max: 90 }),
        fc.constantFrom('mm', 'cm', 'in'),
        (low, more, unit) => {
          const read = parsePurpose(`box ${low}-${low + more} x ${low + more} x 5 mm`);
          if (read.kind !== 'hold') throw new Error('A box is held.');
          expect(read.pieces[0].slackMm).toBeCloseTo(more, 9);
          expect(sayPurpose(read)).toContain(`or up to ${more} mm less`);
          const again = parsePurpose(writePurpose(read, { unit }));
          if (again.kind !== 'hold') throw new Error('It still is.');
          expect(again.pieces[0].slackMm).toBeCloseTo(more, 9);
          expect(again.pieces[0].thing).toMatchObject({ shape: 'block', lengthMm: low + more });
        },
      ),
      { numRuns: runs(50, 500) },
    ));

  it('is told in the units of the workshop', () => {
    expect(sayPurpose(parsePurpose('60.5 x 45 x 22'), { unit: 'cm', decimal: 'comma' })).toBe(
      'block 6,05 × 4,5 × 2,2 cm',
    );
    expect(sayPurpose(parsePurpose('2 oz'), { mass: 'oz' })).toBe(
      'load of 2 oz afloat, its centre 5 mm over the floor',
    );
  });

  it('reads back in any unit what was written in it', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 5, max: 4000 }), { minLength: 3, maxLength: 3 }),
        fc.constantFrom('mm' as const, 'cm' as const),
        (tenths, unit) => {
          const sizes = tenths.map((n) => n / 10);
          const { thing } = itemOf(formatSizes(sizes, unit));
          if (thing.shape !== 'block') throw new Error('A block.');
          [thing.lengthMm, thing.widthMm, thing.heightMm].forEach((mm, k) => expect(mm).toBeCloseTo(sizes[k], 6));
        },
      ),
    ));

  it('every common thing that is offered is read', () => {
    for (const { text } of COMMON_PURPOSES.filter(({ id }) => id !== 'square-150'))
      expect(sayPurpose(parsePurpose(text)).length).toBeGreaterThan(0);
  });
});
