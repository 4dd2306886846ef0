import * as fc from 'fast-check';
import { insertFor, LID_PLAY_MM, makeTray, pairing, parsePurpose, perUnit, waysOf } from '../../src/index';
import { fitting } from './usual-options';

const [folded] = waysOf('square-tray-and-eared-lid');
const tray = (mm: number, part: 'tray' | 'eared-lid' = 'tray', thicknessMm = 0.1) => ({
  way: { ...folded, choices: { ...folded.choices, part } },
  point: { sheet: { widthMm: mm, heightMm: mm }, lengths: [], thicknessMm },
});
const made = (sheetMm: number, part: 'tray' | 'eared-lid', thicknessMm: number) =>
  makeTray({ sheetMm, params: { part }, thicknessMm }).sizes;

describe('lid and base', () => {
  it('leave between them what folding both leaves', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 90, max: 260 }),
        fc.integer({ min: -8, max: 12 }),
        fc.constantFrom('tray' as const, 'eared-lid' as const),
        fc.double({ min: 0.05, max: 0.3, noNaN: true }),
        (mm, more, part, thicknessMm) => {
          const { over, inside, how } = pairing(
            fitting,
            tray(mm + more, part, thicknessMm),
            tray(mm, 'tray', thicknessMm),
          );
          const [lid, base] = [made(mm + more, part, thicknessMm), made(mm, 'tray', thicknessMm)];
          // A lid is turned so that its longer side goes over the longer side.
          const [long, short] = [Math.max, Math.min].map(
            (end) => (size: { lengthMm: number; widthMm: number }) => end(size.lengthMm, size.widthMm),
          );
          expect(over.lengthMm).toBeCloseTo(long(lid.cavity) - long(base.outer), 5);
          expect(over.widthMm).toBeCloseTo(short(lid.cavity) - short(base.outer), 5);
          expect(inside.widthMm).toBeCloseTo(short(base.cavity) - short(lid.outer), 5);
          expect(how === 'over').toBe(Math.min(over.lengthMm, over.widthMm) >= 0);
          if (how === 'over') expect(more).toBeGreaterThan(0);
          if (how === 'inside') expect(more).toBeLessThan(0);
        },
      ),
      { numRuns: 12 },
    ));

  it('from one size of sheet go neither over nor into each other', () =>
    expect(pairing(fitting, tray(150, 'eared-lid'), tray(150)).how).toBe('neither'));

  it('thicker paper wants a larger lid', () => {
    const spare = (thicknessMm: number): number =>
      pairing(fitting, tray(154, 'tray', thicknessMm), tray(150, 'tray', thicknessMm)).over.widthMm;
    expect(spare(0.2)).toBeLessThan(spare(0.1));
  });
});

describe('a base and its insert', () => {
  it('is the largest that goes in with its play', () => {
    for (const ease of ['snug', 'easy', 'loose'] as const) {
      const base = tray(180);
      const mm = insertFor(fitting, base, 60, 'mm', ease)!;
      const spare = (at: number): number => {
        const { lengthMm, widthMm } = pairing(fitting, tray(at), base).inside;
        return Math.min(lengthMm, widthMm);
      };
      expect(spare(mm)).toBeGreaterThanOrEqual(LID_PLAY_MM[ease]);
      expect(spare(mm + 1)).toBeLessThan(LID_PLAY_MM[ease]);
    }
    expect(insertFor(fitting, tray(60), 60, 'mm', 'easy')).toBeNull();
  });
});

describe('equal units', () => {
  it('share what there is, and together hold all of it', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 12 }), (count, units) => {
        const each = perUnit(parsePurpose(`${count} loose dice 16 x 16 x 16`), units);
        if (each.kind !== 'loose') throw new Error('Loose as before.');
        expect(each.piece.count * units).toBeGreaterThanOrEqual(count);
        expect((each.piece.count - 1) * units).toBeLessThan(count);
      }),
    ));

  it('refuses none of them', () => expect(() => perUnit(parsePurpose('60 ml'), 0)).toThrow('whole units'));
});
