import * as fc from 'fast-check';
import { parsePurpose, type Purpose, type SizeOptions } from '../../src/index';

const side = fc.integer({ min: 12, max: 130 });

/** Things of all kinds that makers fold for. */
export const purposes: fc.Arbitrary<Purpose> = fc.oneof(
  fc.tuple(side, side, fc.integer({ min: 4, max: 60 })).map(([a, b, c]) => parsePurpose(`${a} x ${b} x ${c}`)),
  fc.tuple(side, side).map(([a, b]) => parsePurpose(`card ${a + 20} x ${b + 20}`)),
  fc.integer({ min: 20, max: 300 }).map((n) => parsePurpose(`${n} washers ø10 x 2`)),
  fc.integer({ min: 10, max: 400 }).map((n) => parsePurpose(`${n} ml`)),
  fc.integer({ min: 5, max: 150 }).map((n) => parsePurpose(`load ${n} g`)),
  fc.integer({ min: 1, max: 6 }).map((n) => parsePurpose(`pages ${n} mm`)),
);

/** What may be asked beside, of a hand that misses nothing. */
export const options: fc.Arbitrary<SizeOptions> = fc.record({
  ...{ ease: fc.constantFrom('snug' as const, 'easy' as const, 'loose' as const), gsm: fc.constantFrom(60, 80, 120) },
  ...{ ruler: fc.constantFrom('mm' as const, '5-mm' as const, 'eighth-inch' as const) },
  ...{ thicknessMm: fc.double({ min: 0.05, max: 0.3, noNaN: true }), fingerRoom: fc.boolean() },
  ...{ turning: fc.constantFrom('upright' as const, 'any' as const), confidence: fc.constant(null) },
  handMm: fc.constant(0.3),
});
