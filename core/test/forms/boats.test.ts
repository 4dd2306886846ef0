import * as fc from 'fast-check';
import { foldAnew, HULL, measure, parsePurpose, prepare, type Room, SHELF } from '../../src/index';
import { USUAL } from '../fit/usual-options';
import { made, sheet, roomIn } from './made';

describe.each(['square-canoe', 'oblong-canoe', 'pod-boat'])('%s', (id) => {
  const hull = (s: number, wallDeg: number) => {
    const { sizes } = made(id, s, { wallDeg });
    return {
      ...roomIn(HULL, { sizes }),
      ml: sizes.volumes!.map((v) => v.ml),
      over: sizes.outer,
      pack: sizes.lengths[2].mm,
    };
  };
  const oblong = id === 'oblong-canoe';
  // Shares of the shorter side: height of the walls, length of an end, half of the straight middle.
  const h = oblong ? 1 / 8 : (Math.SQRT2 - 1) / 4;
  const e = h / (Math.SQRT2 - 1);
  const y1 = (oblong ? 1.29 : 1) / 2 - e;

  it('has the hull of its fact sheet when its walls stand upright', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const boat = hull(s, 90);
        expect(boat.floorWidthMm / s).toBeCloseTo(2 * h, 8);
        expect(boat.floorLengthMm / s).toBeCloseTo(2 * y1, 8);
        expect(boat.pack / s).toBeCloseTo(2 * h, 8);
        expect(boat.sideMm / s).toBeCloseTo(h, 8);
        expect(boat.tipMm / s).toBeCloseTo(h, 8);
        const e1 = h * Math.sqrt(2 + 2 * Math.SQRT2);
        expect(boat.over.lengthMm / s).toBeCloseTo(2 * (y1 + e1), 8);
        const volume = (d: number): number => 4 * h * y1 * d + 2 * e1 * d * d - ((2 * e1) / (3 * h)) * d ** 3;
        expect((1000 * boat.ml[0]) / s ** 3).toBeCloseTo(volume(0.7 * h), 8);
        expect((1000 * boat.ml[1]) / s ** 3).toBeCloseTo(volume(h), 8);
      }),
      { numRuns: 4 },
    ));

  it('holds less than its floor is wide: its sides are seven layers thick where they meet the floor', () => {
    const t = 0.2;
    const [thin, thick] = [0, t].map((thicknessMm) => {
      const form = SHELF.form(id);
      const size = { widthMm: oblong ? 258 : 200, heightMm: 200 };
      return measure(foldAnew(form, size, { wallDeg: 90 }), thicknessMm).rooms[0];
    });
    const has = (room: Room): number => {
      const asked = { room, sheetAreaMm2: 40_000, mostMl: () => null };
      const [{ demands }] = HULL.demands(prepare(parsePurpose('20 x 10 x 5'), USUAL))!;
      return demands.find(({ name }) => name === 'floor, wide')!.have(asked);
    };
    expect(has(thin)).toBeCloseTo(2 * h * 200, 8);
    expect(has(thick)).toBeCloseTo(2 * h * 200 - 14 * t, 8);
  });

  it.each([75, 105, 115])('stands with its walls at %d degrees, tips as high as the walls ask', (deg) => {
    const s = 160;
    const boat = hull(s, deg);
    const wall = (deg * Math.PI) / 180;
    expect(boat.sideMm / s).toBeCloseTo(h * Math.sin(wall), 8);
    expect(boat.tipMm / s).toBeCloseTo(h * Math.tan(wall / 2), 8);
  });
});
