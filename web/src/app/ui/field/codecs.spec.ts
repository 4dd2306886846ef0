import { TestBed } from '@angular/core/testing';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type Settings, USUAL_SETTINGS } from '@odd-corner/contract';
import { CURRENCIES } from '@odd-corner/core';
import * as fc from 'fast-check';
import type { Codec } from './codec';
import { Codecs } from './codecs';

function codecsFor(settings: Partial<Settings>): Codecs {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  const codecs = TestBed.inject(Codecs);
  TestBed.inject(HttpTestingController)
    .expectOne('/api/settings')
    .flush({ ...USUAL_SETTINGS, version: 1, ...settings });
  return codecs;
}

const SHOWN = (['mm', 'cm', 'in'] as const).flatMap((unit) =>
  (['point', 'comma'] as const).map((decimal) => ({ unit, decimal })),
);
const length = fc.oneof(
  fc.double({ min: 0.1, max: 3000, noNaN: true }),
  fc.integer({ min: 1, max: 1900 }).map((n) => (n / 16) * 25.4),
);

describe.each(SHOWN)('what a field writes in $unit with a decimal $decimal', (shown) => {
  const codecs = codecsFor(shown);
  const back = <T>(codec: Codec<T>, value: T): T => {
    const read = codec.read(codec.write(value));
    if ('why' in read || read.value === null) throw new Error(`“${codec.write(value)}” is not read.`);
    return read.value;
  };

  it('is read back as the same length, sheet, number, thickness and money', () =>
    fc.assert(
      fc.property(
        length,
        length,
        fc.integer({ min: 0, max: 1e6 }),
        fc.constantFrom(...CURRENCIES),
        (a, b, n, currency) => {
          expect(back(codecs.length(), a) / a).toBeCloseTo(1, 9);
          const sheet = back(codecs.sheet(), { widthMm: a, heightMm: b });
          expect(sheet.widthMm / a).toBeCloseTo(1, 9);
          expect(sheet.heightMm / b).toBeCloseTo(1, 9);
          expect(back(codecs.number(''), n / 8)).toBe(n / 8);
          expect(back(codecs.thickness(), n / 1000)).toBeCloseTo(n / 1000, 9);
          expect(back(codecs.money(currency), n)).toBe(n);
        },
      ),
    ));

  it('is nothing where nothing stands', () => {
    for (const codec of [codecs.length(), codecs.sheet(), codecs.number(''), codecs.money('EUR')])
      for (const text of ['', '   ']) expect(codec.read(text)).toEqual({ value: null });
  });
});

it('a sheet is taken by its name, and by any two sizes', () => {
  const sheet = codecsFor({}).sheet();
  expect(sheet.read(' letter ')).toEqual({ value: { widthMm: 279.4, heightMm: 215.9 } });
  expect(sheet.read('150 x 150')).toEqual({ value: { widthMm: 150, heightMm: 150 } });
  expect(sheet.read('A17')).toHaveProperty('why');
  expect(sheet.read('1 x 2 x 3')).toEqual({ why: 'Write two sizes, for example 297 x 210.' });
});
