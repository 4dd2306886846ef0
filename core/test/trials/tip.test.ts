import * as fc from 'fast-check';
import {
  area,
  comesBackDeg,
  contains,
  convexHull,
  foldMake,
  type Leaner,
  type Leans,
  type Stand,
  type StandingCell,
  standingCells,
  standOf,
  standsAlone,
  tipOver,
  weighedBodies,
} from '../../src/index';
import { openBox } from './open-box';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

/** What stands in the middle of a rectangle, and its only cell, exact. */
function exact(l: number, w: number, h: number, grams: number, floored: boolean): [Stand, StandingCell[]] {
  const [base] = openBox(l, w, h);
  return [
    { grams, centre: { x: l / 2, y: w / 2, z: h / 2 }, base, tableMm: 0 },
    [{ foot: base, mouth: base, footMm: 0, rimMm: h, floored }],
  ];
}

describe('the least convex outline', () => {
  it('holds all its points, turns one way, and is the same in any order', () => {
    const point = fc.record({ x: mm(-90, 90), y: mm(-90, 90) });
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 30 }), (points) => {
        const hull = convexHull(points);
        fc.pre(area(hull) > 1);
        for (const p of points) expect(contains(hull, p, 1e-6)).toBe(true);
        for (const p of hull) expect(points).toContainEqual(p);
        expect(area(convexHull([...points].reverse()))).toBeCloseTo(area(hull), 9);
        expect(convexHull([...points, ...points])).toEqual(hull);
      }),
    );
    expect(convexHull(openBox(3, 2, 1)[0]).length).toBe(4);
  });
});

describe('where things stand', () => {
  it('is all of a box with its floor, and of a tube without one', () => {
    fc.assert(
      fc.property(mm(30, 120), mm(30, 120), mm(30, 120), fc.boolean(), (l, w, h, floored) => {
        const [cell, ...more] = standingCells(openBox(l, w, h, floored));
        expect(more).toEqual([]);
        expect(cell.floored).toBe(floored);
        // Cells are a hundredth of the longer side and a little more.
        const most = 0.02 * Math.max(l, w) * (l + w) + 0.02 * l * w;
        for (const outline of [cell.foot, cell.mouth]) expect(Math.abs(area(outline) - l * w)).toBeLessThan(most);
        expect(cell.rimMm - cell.footMm).toBeCloseTo(h, 0);
      }),
      { numRuns: 5 },
    );
    expect(standingCells([])).toEqual([]);
  });

  it('is six tubes of a ring, and six with a floor over its card', () => {
    const tidy = (base: string) =>
      foldMake({
        formId: 'six-tube-tidy',
        params: { base },
        entries: Object.fromEntries(
          (
            [
              ['unit', 160, 160],
              ['unit-2', 160, 160],
              ['base', 88, 74],
            ] as const
          ).map(([key, widthMm, heightMm]) => [key, { sheet: { widthMm, heightMm }, thicknessMm: 0.1 }]),
        ),
      });
    const onCard = weighedBodies(tidy('card'), () => 80, null);
    expect(standingCells(onCard.flatMap(({ faces }) => faces)).map(({ floored }) => floored)).toEqual(
      Array.from({ length: 6 }, () => true),
    );
    const bodies = weighedBodies(tidy('none'), () => 80, null);
    const cells = standingCells(bodies.flatMap(({ faces }) => faces));
    expect(cells).toHaveLength(6);
    // A unit is an equilateral tube a quarter of its sheet wide.
    for (const { mouth, floored } of cells) {
      expect(floored).toBe(false);
      expect(area(mouth) / ((Math.sqrt(3) / 4) * 40 ** 2)).toBeGreaterThan(0.85);
      expect(area(mouth) / ((Math.sqrt(3) / 4) * 40 ** 2)).toBeLessThan(1.1);
    }
    const stand = standOf(bodies);
    expect(stand.grams).toBeCloseTo(6 * 160 ** 2 * 80e-6, 9);
    expect(standsAlone(stand)).toBe(true);
    expect(Math.hypot(stand.centre.x, stand.centre.y)).toBeLessThan(0.5);
    // A hexagon of that side.
    expect(area(stand.base) / (((3 * Math.sqrt(3)) / 2) * 40 ** 2)).toBeCloseTo(1, 1);
  });
});

describe('what tips a piece over', () => {
  it('on a floor is weight beyond its edge: as many as a lever says', () => {
    fc.assert(
      fc.property(mm(40, 80), mm(20, 60), mm(90, 300), mm(2, 20), mm(3, 30), (side, h, long, each, grams) => {
        const [stand, cells] = exact(side, side, h, grams, true);
        const thing: Leaner = { longMm: long, acrossMm: side / 12, grams: each };
        fc.pre(long > 1.5 * Math.hypot(side, h));
        const told = tipOver(stand, cells, thing, 1000)!;
        // Straight across: the foot at one wall, over the rim of the other.
        const beyond = (long / 2) * (side / Math.hypot(side, h)) - side;
        const needed = Math.ceil((grams * side) / 2 / (each * beyond) - 1e-9);
        if (beyond <= 0) expect(told.tipsFrom).toBeNull();
        else expect(told.tipsFrom).toBe(needed <= told.room ? needed : null);
      }),
    );
  });

  it('without a floor is the push on the rim, as the work of a small turn says', () => {
    fc.assert(
      fc.property(mm(20, 60), mm(20, 60), mm(40, 120), mm(100, 300), mm(3, 12), (l, w, h, long, each) => {
        const grams = 20;
        const [stand, cells] = exact(l, w, h, grams, false);
        fc.pre(long > 1.1 * Math.hypot(l, w, h));
        const thing: Leaner = { longMm: long, acrossMm: 2 * (l + w), grams: each };
        const { leaning, edge, share, room } = tipOver(stand, cells, thing, 1)!;
        expect(room).toBe(1);
        // The piece turns about its edge by a small angle; the one that leans follows the rim. Its middle sinks, the piece rises.
        const [{ foot, over }] = leaning as readonly [Leans];
        const way = { x: edge[1].x - edge[0].x, y: edge[1].y - edge[0].y };
        const out = { x: way.y / Math.hypot(way.x, way.y), y: -way.x / Math.hypot(way.x, way.y) };
        const beyond = (p: { x: number; y: number }): number => (p.x - edge[0].x) * out.x + (p.y - edge[0].y) * out.y;
        const sinks = (angle: number): number => {
          // Where the rim goes, and how high.
          const [d, z] = [beyond(over), h];
          const [to, high] = [d * Math.cos(angle) + z * Math.sin(angle), z * Math.cos(angle) - d * Math.sin(angle)];
          const [x, y] = [over.x + (to - d) * out.x - foot.x, over.y + (to - d) * out.y - foot.y];
          return (each * (long / 2) * high) / Math.hypot(x, y, high);
        };
        const rises = (angle: number): number => {
          const d = beyond(stand.centre);
          return grams * (stand.centre.z * Math.cos(angle) - d * Math.sin(angle));
        };
        const small = 1e-5;
        const slope = (energy: (angle: number) => number): number => (energy(small) - energy(-small)) / (2 * small);
        expect(-slope(sinks) / slope(rises)).toBeCloseTo(share, 4);
      }),
    );
  });

  it('holds with just the weight that is told, and never sooner for being heavier', () => {
    fc.assert(
      fc.property(mm(30, 60), mm(40, 90), mm(120, 240), fc.integer({ min: 1, max: 30 }), (side, h, long, count) => {
        const bodies = [
          { grams: 8, centre: { x: side / 2, y: side / 2, z: h / 2 }, faces: openBox(side, side, h, false) },
        ];
        const cells = exact(side, side, h, 8, false)[1];
        const thing: Leaner = { longMm: long, acrossMm: 6, grams: 9 };
        const light = tipOver(standOf(bodies), cells, thing, count)!;
        const added = { grams: light.weightG, centre: { x: side / 2, y: side / 2, z: 0 }, faces: [] };
        const held = tipOver(standOf([...bodies, added]), cells, thing, count)!;
        expect(held.share).toBeCloseTo(Math.min(1, light.share), 6);
        expect(held.tipsFrom ?? Infinity).toBeGreaterThanOrEqual(light.tipsFrom ?? Infinity);
        expect(light.leaning.length).toBe(Math.min(count, light.room));
      }),
    );
  });

  it('comes back from a tilt until its weight stands over the edge', () => {
    fc.assert(
      fc.property(mm(10, 80), mm(10, 80), mm(10, 80), (l, w, h) => {
        const [stand] = exact(l, w, h, 5, true);
        const most = (comesBackDeg(stand) * Math.PI) / 180;
        // Turned so far, the height of its weight over the edge is greatest.
        const high = (angle: number): number => (h / 2) * Math.cos(angle) + (Math.min(l, w) / 2) * Math.sin(angle);
        expect(high(most)).toBeGreaterThanOrEqual(Math.max(high(most - 0.01), high(most + 0.01)));
      }),
    );
  });

  it('is not asked of what does not stand by itself, or holds nothing', () => {
    const [stand, cells] = exact(40, 40, 40, 10, true);
    const thing: Leaner = { longMm: 100, acrossMm: 8, grams: 7 };
    expect(tipOver(stand, [], thing, 3)).toBeNull();
    expect(tipOver({ ...stand, centre: { x: 50, y: 20, z: 5 } }, cells, thing, 3)).toBeNull();
    expect(
      tipOver(
        {
          ...stand,
          base: convexHull([
            { x: 0, y: 0 },
            { x: 9, y: 0 },
          ]),
        },
        cells,
        thing,
        3,
      ),
    ).toBeNull();
    // What lies within pushes nothing over.
    expect(tipOver(stand, cells, { ...thing, longMm: 20 }, 50)!.tipsFrom).toBeNull();
  });
});
