import * as fc from 'fast-check';
import {
  entriesOf,
  energyAt,
  allTogether,
  floatHull,
  foldMake,
  heeling,
  type HullShape,
  hullShapeOf,
  displacedMm3,
  hullOf,
  HULL,
  mostMoreG,
  type Point3,
  SHELF,
  submerged,
  unitOf,
} from '../../src/index';

const at = (x: number, y: number, z: number): Point3 => ({ x, y, z });
const RAD = Math.PI / 180;

/** A hull between two outlines, one over the other. */
function between(low: readonly Point3[], high: readonly Point3[]): HullShape {
  const around = low.map((p, k) => [p, high[k], high[(k + 1) % low.length], low[(k + 1) % low.length]].reverse());
  return {
    panels: [[...low].reverse(), ...around],
    rim: high,
    paperCentreMm: 0,
    floor: { heightMm: 0, alongMm: 1, acrossMm: 1 },
  };
}
const oblong = (l: number, b: number, z: number): Point3[] => [
  at(-l / 2, -b / 2, z),
  at(l / 2, -b / 2, z),
  at(l / 2, b / 2, z),
  at(-l / 2, b / 2, z),
];
const box = (l: number, b: number, h: number): HullShape => between(oblong(l, b, 0), oblong(l, b, h));

const length = fc.double({ min: 20, max: 200, noNaN: true });
const share = fc.double({ min: 0.05, max: 0.7, noNaN: true });
const near = (a: number, b: number, of = Math.max(1, Math.abs(b))): void =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-9 * of);

describe('a hull cut at the water', () => {
  it('of a box is a box, upright and heeled, in volume, middle and second moments', () => {
    fc.assert(
      fc.property(length, length, share, fc.double({ min: -0.2, max: 0.2, noNaN: true }), (l, b, deep, lean) => {
        const h = 4 * Math.max(l, b);
        const t = deep * h;
        // The water runs through the middle line at t, whatever the lean.
        const up = unitOf(at(0, -lean, 1));
        const { volume, centre, cut } = submerged(box(l, b, h).panels, { up, heightMm: up.z * t });
        near(volume, l * b * t);
        near(centre.y, (b * b * lean) / (12 * t));
        near(centre.z, t / 2 + (b * b * lean * lean) / (24 * t));
        const wide = b * Math.hypot(1, lean);
        near(cut.area, l * wide);
        near(cut.about(at(1, 0, 0)), (l * wide ** 3) / 12);
        near(cut.about(unitOf(at(0, 1, lean))), (wide * l ** 3) / 12);
      }),
    );
  });

  it('of a prism on its edge and of a wedge are what they are', () => {
    fc.assert(
      fc.property(length, length, length, share, (l, b, h, deep) => {
        const t = deep * h;
        const edge = between([at(-l / 2, 0, 0), at(l / 2, 0, 0), at(l / 2, 0, 0), at(-l / 2, 0, 0)], oblong(l, b, h));
        const prism = submerged(edge.panels, { up: at(0, 0, 1), heightMm: t });
        near(prism.volume, (l * b * t * t) / (2 * h));
        near(prism.centre.z, (2 * t) / 3);
        near(prism.cut.about(at(1, 0, 0)), (l * ((b * t) / h) ** 3) / 12);
        // A wedge: its keel runs up from one end to the water at the other.
        const keel = [at(-l / 2, -b / 2, 0), at(l / 2, -b / 2, h), at(l / 2, b / 2, h), at(-l / 2, b / 2, 0)];
        const wedge = submerged(between(keel, oblong(l, b, 2 * h)).panels, { up: at(0, 0, 1), heightMm: t });
        near(wedge.volume, (b * l * t * t) / (2 * h));
        near(wedge.centre.x, -l / 2 + (l * t) / (3 * h));
        near(wedge.centre.z, (2 * t) / 3);
      }),
    );
  });
});

describe('a boat in still water', () => {
  it('heels under a load off its middle as a box does, to the last digit', () => {
    fc.assert(
      fc.property(length, share, share, share, (b, deep, aside, kg) => {
        const [l, h] = [3 * b, 2 * b];
        const t = 0.5 * b * (0.4 + deep);
        const grams = 0.001 * l * b * t;
        const z = kg * 0.2 * b;
        const bm = (b * b) / (12 * t) + t / 2 - z;
        fc.pre(bm > 0.02 * b);
        const y = 0.05 * aside * Math.min(bm, 0.3 * b);
        const found = floatHull(box(l, b, h), [{ grams, at: at(0, y, z) }], 0);
        if (found.sinks) throw new Error('It floats.');
        // Up is (0, -sin, cos): the weights stand over the middle of the water.
        const tan = Math.tan(found.heelDeg * RAD);
        const side = (b * b * tan) / (12 * t);
        const depth = t / 2 + (b * b * tan * tan) / (24 * t);
        near(y - side, -tan * (z - depth), b);
        expect(found.heelDeg).toBeGreaterThan(0);
        expect(Math.abs(found.trimDeg)).toBeLessThan(1e-4);
        near(found.draughtMm + found.freeboardMm, Math.cos(found.heelDeg * RAD) * h, h);
      }),
    );
  });

  it('that has its metacentre where it should be is told so upright', () => {
    fc.assert(
      fc.property(length, share, (b, deep) => {
        const [l, t] = [2 * b, 0.1 * b * (1 + deep)];
        const found = floatHull(box(l, b, b), [{ grams: 0.001 * l * b * t, at: at(0, 0, 0) }], 0);
        if (found.sinks) throw new Error('It floats.');
        near(found.draughtMm, t, b);
        near(found.metacentreMm, (b * b) / (12 * t) + t / 2, b);
      }),
    );
  });

  it('lies where no other lean has less energy: forces and energy agree', () => {
    for (const [x, y, z] of [
      [0, 0, 4],
      [9, 3, 6],
      [-14, -5, 2],
    ]) {
      const hull = folded('square-canoe', 200);
      const loads = [{ grams: 12, at: at(x, y, z) }];
      const found = floatHull(hull, loads, 3);
      if (found.sinks) throw new Error('It floats.');
      const weight = allTogether([...loads, { grams: 3, at: at(0, 0, hull.paperCentreMm) }]);
      const lowest = energyAt(hull, weight, found.up)!;
      for (let k = 0; k < 12; k++)
        for (const by of [0.02, 0.002]) {
          const turn = (k * Math.PI) / 6;
          const up = unitOf(at(found.up.x + by * Math.cos(turn), found.up.y + by * Math.sin(turn), found.up.z));
          expect(energyAt(hull, weight, up) ?? Infinity).toBeGreaterThan(lowest);
        }
    }
  });

  it('carries at a place what brings its rim to the water there, and no more', () => {
    const hull = folded('square-canoe', 200);
    const place = at(6, 0, 5);
    const more = mostMoreG(hull, [], 3, place);
    const full = floatHull(hull, [{ grams: more, at: place }], 3);
    if (full.sinks) throw new Error('It just floats.');
    expect(full.freeboardMm).toBeGreaterThanOrEqual(0);
    expect(full.freeboardMm).toBeLessThan(0.01);
    expect(floatHull(hull, [{ grams: 1.01 * more, at: place }], 3).sinks).toBe(true);
    expect(mostMoreG(hull, [], 3, at(0, 0, 5))).toBeGreaterThan(more);
    expect(floatHull(hull, [{ grams: 1e5, at: at(0, 0, 0) }], 3)).toMatchObject({ sinks: true });
  });

  it('rights itself until water comes in or it tips, first of all as its metacentre says', () => {
    const hull = folded('square-canoe', 200);
    const [low, high] = [2, 60].map((z) => heeling(hull, [{ grams: 15, at: at(0, 0, z) }], 3));
    expect(low.arms[0].armMm).toBeCloseTo(0, 9);
    const afloat = floatHull(hull, [{ grams: 15, at: at(0, 0, 2) }], 3);
    if (afloat.sinks) throw new Error('It floats.');
    expect(low.arms[1].armMm / Math.sin(RAD)).toBeCloseTo(afloat.metacentreMm, 1);
    expect(low.lost.deg).toBeGreaterThan(high.lost.deg);
    expect(high.lost.by).toBe('tipping');
  });

  it.each(['square-canoe', 'oblong-canoe', 'pod-boat', 'decked-barge', 'hat-boat'])(
    '%s floats as folded, its volume as its room tells it',
    (formId) => {
      const hull = folded(formId, 210);
      const found = floatHull(hull, [{ grams: 5, at: at(0, 0, hull.floor.heightMm) }], 4);
      if (found.sinks) throw new Error('It floats.');
      expect(found.under.volume).toBeCloseTo(9000, 4);
      expect(found.freeboardMm).toBeGreaterThan(0);
      expect(Math.abs(found.heelDeg)).toBeLessThan(0.1);
    },
  );

  it('is the hull that sizing reckons with, cut by other means', () => {
    const room = roomOf('square-canoe', 200);
    const hull = hullShapeOf(room)!;
    const own = hullOf({ ...room, sizes: HULL.schema.parse(room).sizes });
    for (const heightMm of [2, 7, 12])
      near(submerged(hull.panels, { up: at(0, 0, 1), heightMm }).volume, displacedMm3(own, heightMm));
    expect(hullShapeOf({ kind: 'box', sizes: {} })).toBeNull();
  });
});

function roomOf(formId: string, mm: number) {
  const form = SHELF.form(formId);
  const [entry] = entriesOf(form, {});
  const longer = form.sheetShape === 'square' ? 1 : form.sheetShape.longPerShort[0];
  const sheet = { widthMm: Math.round(mm * Math.max(1.2, longer)), heightMm: mm };
  const { entries } = foldMake({
    formId,
    params: {},
    entries: {
      [entry.key]: { sheet: form.sheetShape === 'square' ? { widthMm: mm, heightMm: mm } : sheet, thicknessMm: 0.1 },
    },
  });
  return entries.get(entry.key)!.sizes.rooms[0];
}

function folded(formId: string, mm: number): HullShape {
  return hullShapeOf(roomOf(formId, mm))!;
}
