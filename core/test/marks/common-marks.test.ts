import {
  atOnce,
  COMMON_PARTS,
  COMMON_SHAPES,
  commonMarks,
  creasesOf,
  foldWaysTo,
  fractionOf,
  fromCommon,
  HANDS,
  lastMark,
  MarkSearch,
  placeOf,
  readFolds,
} from '../../src/index';
import { runs } from '../runs';

describe('ways to common fractions', () => {
  const shape = COMMON_SHAPES.length - 1;
  const size = { widthMm: 100 * COMMON_SHAPES[shape], heightMm: 100 };
  const search = atOnce(MarkSearch.over(size));
  const parts = runs(7, COMMON_PARTS);
  const table = commonMarks(shape, search, parts);

  it('are those that a search finds, for every fraction in up to so many parts', () => {
    let fractions = 0;
    for (let of = 2; of <= parts; of++)
      for (let part = 1; part < of; part++) {
        if (fractionOf(part / of)?.of !== of) continue;
        fractions++;
        const mm = (size.widthMm * part) / of;
        const told = fromCommon(table, size, 0, mm, HANDS.practised.missMm)!;
        const found = foldWaysTo(search, size, 0, mm, HANDS.practised.missMm);
        expect(told.map(({ folds }) => folds)).toEqual(found.map(({ folds }) => folds));
        told.forEach(({ expectedMm, offMm }, k) => {
          expect(expectedMm).toBeCloseTo(found[k].expectedMm, 9);
          expect(offMm).toBeCloseTo(found[k].offMm, 9);
        });
      }
    expect(Object.keys(table)).toHaveLength(fractions);
  });

  it('on a sheet that is cut to whole millimetres are told as far beside as they come to lie', () => {
    const a4 = { widthMm: 210, heightMm: 297 };
    const ways = fromCommon(table, a4, 0, 210 / 7, 0.3)!;
    expect(ways.length).toBeGreaterThan(0);
    for (const { folds, offMm } of ways) {
      const { x } = placeOf(creasesOf(folds, a4), lastMark(0, folds));
      expect(x - 30).toBeCloseTo(offMm, 9);
    }
  });

  it('of other sheets, edges and places there are none', () => {
    expect(fromCommon(table, { widthMm: 130, heightMm: 100 }, 0, 65, 0.3)).toBeNull();
    expect(fromCommon(table, size, 1, 50, 0.3)).toBeNull();
    expect(fromCommon(table, size, 0, 12.345, 0.3)).toBeNull();
    expect(fromCommon({}, size, 0, size.widthMm / 2, 0.3)).toBeNull();
    for (const codes of Object.values(table)) for (const code of codes) expect(readFolds(code)).not.toBeNull();
  });
});
