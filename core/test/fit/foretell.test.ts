import {
  entriesOf,
  Fitting,
  foldAnew,
  foldMake,
  FORMS,
  foretell,
  formById,
  isSized,
  type Make,
  measureMissed,
  parsePurpose,
  sizeFor,
} from '../../src/index';
import { sheetOf } from '../forms/made';
import { runs } from '../runs';
import { USUAL } from './usual-options';

/** A make of each form on a sheet that it takes. */
function makeOf(formId: string): Make {
  // A lid from the next larger sheets.
  const sheetFor = (key: string) => sheetOf(formId, key.startsWith('lid') ? 250 : 240);
  const entries = entriesOf(formById(formId), {}).map(
    ({ key }) => [key, { sheet: sheetFor(key), thicknessMm: 0.1 }] as const,
  );
  return { formId, params: {}, entries: Object.fromEntries(entries) };
}

const tray = (): Make => {
  const one = sizeFor(new Fitting(), 'square-tray-and-eared-lid', parsePurpose('60 x 45 x 22'), {
    ...USUAL,
    wishes: { lid: 'eared', nested: 1 },
  });
  if (!one || !isSized(one)) throw new Error('There is a sheet.');
  const entries = [one, ...one.others].map(
    ({ key, sheet, params }) => [key, { sheet, params, thicknessMm: 0.1 }] as const,
  );
  return { formId: one.formId, params: one.make, entries: Object.fromEntries(entries) };
};

describe('what a make should come out as', () => {
  it.each(FORMS.map(({ id }) => id))('%s: every size of every room and of the outside, as it is folded', (id) => {
    const make = makeOf(id);
    const told = foretell(make, 0.3);
    const { entries } = foldMake(make);
    const folded = [...entries].flatMap(([key, { sizes }]) => [
      ...sizes.rooms.flatMap(({ kind, sizes: own }) =>
        Object.entries(own).map(([name, mm]) => [`${key}/${kind}.${name}`, mm] as const),
      ),
      ...Object.entries(sizes.outer).map(([name, mm]) => [`${key}/outer.${name}`, mm] as const),
    ]);
    expect(Object.keys(told).sort()).toEqual(folded.map(([name]) => name).sort());
    for (const [name, mm] of folded) expect(told[name].mm).toBe(mm);
    expect(Object.values(told).every(({ sdMm }) => Number.isFinite(sdMm) && sdMm >= 0)).toBe(true);
    expect(Object.values(told).some(({ sdMm }) => sdMm > 0)).toBe(true);
  });

  it('spreads as far as the hand that folds it again and again, each entry by its own misses', () => {
    const make = tray();
    const handMm = 0.05;
    const told = foretell(make, handMm);
    const { entries } = foldMake(make);
    const count = runs(150, 2000);
    for (const [key, { entry }] of entries) {
      const { sheet, thicknessMm } = make.entries[key];
      const folded = foldAnew(
        key === 'tray' ? formById(make.formId) : formById(make.formId).pieces![0],
        sheet,
        entry.params,
      );
      const drawn = Array.from({ length: count }, (_, n) => {
        const [{ sizes }] = measureMissed(folded, { sigmaMm: handMm, seed: 4000 + n }, thicknessMm).rooms;
        return sizes;
      });
      for (const name of Object.keys(drawn[0])) {
        const all = drawn.map((sizes) => sizes[name]);
        const mean = all.reduce((sum, mm) => sum + mm, 0) / count;
        const sd = Math.sqrt(all.reduce((sum, mm) => sum + (mm - mean) ** 2, 0) / (count - 1));
        const { sdMm } = told[`${key}/box.${name}`];
        // Four standard errors of a standard deviation.
        expect(Math.abs(sd - sdMm)).toBeLessThan((4 * sdMm) / Math.sqrt(2 * (count - 1)));
      }
    }
  });

  it('spreads in proportion to the miss', () => {
    const [one, three] = [0.2, 0.6].map((handMm) => foretell(makeOf('flat-folding-cup'), handMm));
    for (const [key, { sdMm }] of Object.entries(one)) expect(three[key].sdMm).toBeCloseTo(3 * sdMm, 12);
  });

  it('is refused in words for what is not folded so', () => {
    const make = tray();
    expect(() => foretell({ ...make, formId: 'paper-moon' }, 0.3)).toThrow('No form is called');
    expect(() => foretell({ ...make, entries: {} }, 0.3)).toThrow('There is no sheet for “Tray”');
    expect(() => foretell({ ...make, params: { lid: 'silver' } }, 0.3)).toThrow(RangeError);
    const small = { ...make.entries['lid'], sheet: { widthMm: 150, heightMm: 150 } };
    expect(() => foretell({ ...make, entries: { ...make.entries, lid: small } }, 0.3)).toThrow();
  });
});
