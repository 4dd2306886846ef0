import * as fc from 'fast-check';
import {
  COMMON_PURPOSES,
  parsePurpose,
  type Item,
  type Purpose,
  type Shown,
  type Thing,
  writePurpose,
} from '../../src/index';

const UNITS = ['mm', 'cm', 'in'] as const;
const unit = fc.constantFrom(...UNITS);
const shown: fc.Arbitrary<Shown> = fc.record({
  unit,
  mass: fc.constantFrom('g', 'oz'),
  volume: fc.constantFrom('ml', 'fl oz'),
  decimal: fc.constantFrom('point', 'comma'),
});
/** Any length, and lengths that a ruler shows. */
const length = fc.oneof(
  fc.double({ min: 0.1, max: 5000, noNaN: true }),
  fc.integer({ min: 1, max: 9000 }).map((n) => n / 2),
  fc.integer({ min: 1, max: 900 }).map((n) => (n / 16) * 25.4),
);
const thing: fc.Arbitrary<Thing> = fc.oneof(
  fc.record({ shape: fc.constant('flat' as const), widthMm: length, heightMm: length, thickMm: fc.constant(0.3) }),
  fc.record({ shape: fc.constant('block' as const), lengthMm: length, widthMm: length, heightMm: length }),
  fc.record({ shape: fc.constant('cylinder' as const), diameterMm: length, lengthMm: length }),
  fc.record({ shape: fc.constant('ball' as const), diameterMm: length }),
);
const name = fc.constantFrom(
  ...['thing', 'tickets', 'hex key', 'watch parts', 'washer M', 'M2.5 gauge', 'sea-glass', '4 mm key', '9 V block'],
  ...['four-poster', 'pages', 'half', 'loader', 'A6 card', 'CR2032 holder', 'strap end', 'any tin lid', 'x-ray film'],
);
const count = fc.integer({ min: 1, max: 19 });
const poured: fc.Arbitrary<Item> = fc.record({ name, count, thing });
const piece: fc.Arbitrary<Item> = fc.oneof(
  poured,
  fc.record({ name, count, thing, posture: fc.constantFrom('standing' as const, 'lying' as const, 'any' as const) }),
);
const purpose: fc.Arbitrary<Purpose> = fc.oneof(
  fc.record({ kind: fc.constant('hold' as const), pieces: fc.array(piece, { minLength: 1, maxLength: 5 }) }),
  fc.record({ kind: fc.constant('loose' as const), piece: poured }),
  fc.record({
    kind: fc.constant('bulk' as const),
    name: fc.constantFrom('rice', 'sea salt', 'sunflower seeds'),
    ml: fc.integer({ min: 1, max: 40_000 }).map((n) => n / 2),
  }),
  fc.record({ kind: fc.constant('liquid' as const), ml: fc.integer({ min: 1, max: 40_000 }).map((n) => n / 2) }),
  fc.record({ kind: fc.constant('strap' as const), widthMm: length, thickMm: length }),
  fc.record({ kind: fc.constant('pages' as const), thickMm: length, gripMm: fc.constant(25) }),
  fc.record({
    kind: fc.constant('load' as const),
    grams: fc.oneof(
      fc.integer({ min: 1, max: 20_000 }),
      fc.integer({ min: 1, max: 1600 }).map((n) => (n / 4) * 28.349523125),
    ),
    centreMm: length,
  }),
  fc.record({ kind: fc.constant('bead' as const), diameterMm: length }),
);

/** The same words and counts, and lengths to a billionth: an inch has no exact binary fraction of a mm. */
function expectSame(read: unknown, meant: unknown): void {
  if (typeof meant === 'number') expect(Math.abs((read as number) / meant - 1)).toBeLessThan(1e-9);
  else if (typeof meant !== 'object' || meant === null) expect(read).toBe(meant);
  else {
    expect(Object.keys(read as object).sort()).toEqual(Object.keys(meant).sort());
    for (const [key, part] of Object.entries(meant)) expectSame((read as Record<string, unknown>)[key], part);
  }
}

describe('a purpose written as a line', () => {
  it('reads back as it was, whatever unit the reader’s bare numbers are in', () =>
    fc.assert(
      fc.property(purpose, shown, unit, (meant, written, read) =>
        expectSame(parsePurpose(writePurpose(meant, written), read), meant),
      ),
    ));

  it.each([
    ['60 x 45 x 22', 'mm', '60 × 45 × 22 mm'],
    ['60 x 45 x 22', 'cm', '6 × 4.5 × 2.2 cm'],
    ['60 x 45 x 22', 'in', '60 × 45 × 22 mm'],
    ['2 3/8 x 1 x 1/2 in', 'in', '2 3/8 × 1 × 1/2 in'],
    ['four tickets 105 x 74, hex key 120 x 35 x 8', 'mm', '4 tickets 105 × 74 mm, hex key 120 × 35 × 8 mm'],
    ['30 washers dia 10 x 1', 'mm', '30 loose washers ø10 × 1 mm'],
    ['load 60 g', 'mm', 'load 60 g, centre at 5 mm'],
  ] as const)('%s in %s is %s', (typed, unit, line) => expect(writePurpose(parsePurpose(typed), { unit })).toBe(line));

  it.each([
    ['1.5 oz', 'load 1,5 oz, centre at 5 mm'],
    ['40 g', 'load 40 g, centre at 5 mm'],
    ['8 fl oz', '8 fl oz'],
    ['100 ml', '100 ml'],
    ['60.5 x 45 x 22', '60,5 × 45 × 22 mm'],
    ['M2.5 screws 10 x 4.5', 'M2.5 screws ø4,5 × 10 mm'],
  ] as const)('%s for one who weighs in ounces and writes commas is %s', (typed, line) =>
    expect(writePurpose(parsePurpose(typed), { mass: 'oz', volume: 'fl oz', decimal: 'comma' })).toBe(line),
  );

  it('is how all common things are told in any unit', () => {
    for (const { text } of COMMON_PURPOSES.filter(({ id }) => id !== 'square-150'))
      for (const unit of UNITS)
        expectSame(parsePurpose(writePurpose(parsePurpose(text), { unit })), parsePurpose(text));
  });
});
