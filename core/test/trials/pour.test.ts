import engine from '@dimforge/rapier3d-deterministic-compat';
import * as fc from 'fast-check';
import {
  estimateFilled,
  estimatePoured,
  FILLED,
  heapMm3,
  type Poured,
  type PourAsked,
  POURED_THINGS,
  pouredTogether,
  pouring,
  roomUpTo,
  sidesOf,
  thingVolumeMm3,
  type Vessel,
  vesselOf,
} from '../../src/index';
import { DEEP, someOf } from '../runs';
import { filledShare } from './filled-share';
import { openBox as box } from './open-box';

const pour = (vessel: Vessel, asked: PourAsked): Poured => {
  const work = pouring(engine, vessel, asked);
  let next = work.next();
  while (!next.done) next = work.next(false);
  return next.value!;
};

beforeAll(async () => engine.init());

describe('the room of an open piece', () => {
  it('is that of a box, whatever its walls’ order, and what leaks holds nothing', () => {
    const side = fc.double({ min: 20, max: 120, noNaN: true });
    fc.assert(
      fc.property(side, side, side, (l, w, h) => {
        const vessel = vesselOf(box(l, w, h))!;
        expect(vessel.rimMm).toBeCloseTo(h, 1);
        expect(vessel.floorMm).toBeCloseTo(0, 1);
        expect(Math.abs(roomUpTo(vessel) / (l * w * h) - 1)).toBeLessThan(0.04);
        expect(roomUpTo(vessel, 0.5) / roomUpTo(vessel)).toBeCloseTo(0.5, 2);
      }),
      { numRuns: 5 },
    );
    expect(vesselOf(box(40, 40, 40).slice(0, -1))).toBeNull();
    expect(vesselOf([])).toBeNull();
  });

  it('ends at the lowest place of its rim', () => {
    const faces = box(60, 50, 40);
    const low = faces[1].map((p) => (p.z > 0 ? { ...p, z: 25 } : p));
    expect(vesselOf([faces[0], low, ...faces.slice(2)])!.rimMm).toBeCloseTo(25, 0);
  });
});

describe('things dropped into a box', () => {
  const vessel = vesselOf(box(60, 50, 40))!;
  const dice = POURED_THINGS[0];

  it('come out the same when the same is asked, and otherwise by another seed', () => {
    const [one, same, other] = [3, 3, 4].map((seed) => pour(vessel, { thing: dice, shaken: false, seed }));
    expect(same).toEqual(one);
    expect(other.bodies).not.toEqual(one.bodies);
  });

  it('lie under the rim where they count as level, and no more of them than there is room for', () => {
    for (const thing of [dice, POURED_THINGS[4]]) {
      const { comfortable, level, heaped, full } = pour(vessel, { thing, shaken: false, seed: 2 });
      expect(full).toBe(true);
      expect(comfortable).toBeLessThanOrEqual(level);
      expect(level).toBeLessThanOrEqual(heaped);
      expect(level * thingVolumeMm3(thing)).toBeLessThan(0.75 * 60 * 50 * 40);
      const { least, most } = estimatePoured(vessel, thing);
      expect(level).toBeGreaterThan(0.55 * least);
      expect(level).toBeLessThan(1.25 * most);
    }
  });

  it('are estimated for each mark, as the room there grows', () => {
    for (const thing of POURED_THINGS) {
      const { comfortable, level, heaped } = estimateFilled(vessel, thing);
      expect(comfortable.likely).toBeLessThanOrEqual(level.likely);
      expect(heaped.likely).toBeGreaterThan(level.likely);
    }
    // A heap over a round mouth is a cone.
    const mouth = Array.from({ length: 100 }, () => ({ x: 0, y: 0 }));
    const radius = Math.sqrt(100 / Math.PI);
    expect(heapMm3({ mouth, cellMm: 1 })).toBeCloseTo((Math.PI * radius ** 3 * Math.tan(Math.PI / 6)) / 3, 9);
  });

  it('are as many as there are when those do not fill it', () => {
    expect(pour(vessel, { thing: dice, shaken: false, seed: 1, count: 5 })).toMatchObject({
      ...{ inside: 5, spilled: 0, heaped: 5, full: false },
    });
  });

  it('can be stopped, and several pours give a range', () => {
    const work = pouring(engine, vessel, { thing: dice, shaken: true, seed: 1 });
    work.next();
    expect(work.next(true)).toEqual({ done: true, value: null });
    const poured = (level: number): Poured => ({
      ...{ inside: level + 2, spilled: 0, comfortable: level - 1, level, heaped: level + 2, full: true },
      bodies: new Float32Array(),
    });
    expect(pouredTogether([poured(8), poured(12), poured(9)])).toMatchObject({
      level: { least: 8, likely: 9, most: 12 },
      heaped: { least: 10, likely: 11, most: 14 },
    });
  });
});

describe('things poured into a large box fill as much of it as is published of such things', () => {
  const SHAPES = {
    ball: { thing: { name: 'Balls', shape: 'ball', mm: [10] }, published: [0.55, 0.64] },
    block: { thing: { name: 'Cubes', shape: 'block', mm: [10, 10, 10] }, published: [0.54, 0.68] },
    disc: { thing: { name: 'Thick discs', shape: 'disc', mm: [12, 5] }, published: [0.53, 0.7] },
  } as const;
  const asked = Object.values(SHAPES).flatMap((one) => [false, true].map((shaken) => ({ ...one, shaken })));

  // Friction is FRICTION's. The deep tests take a box of eight by eight; in a smaller one cubes lie looser near its walls.
  const [side, count, near] = DEEP ? [84, 340, 0.03] : [52, 110, 0.1];
  const tall = vesselOf(box(side, side, 110))!;
  it.each(someOf(asked, 1))('$thing.name, shaken $shaken', ({ thing, shaken, published: [least, most] }) => {
    const { bodies } = pour(tall, { thing, shaken, seed: 9, count });
    const inner = [11, side - 11] as const;
    const share = filledShare(bodies, thing, { x: inner, y: inner, low: 8 });
    expect(share).toBeGreaterThan(DEEP ? least : least - 0.06);
    expect(share).toBeLessThan(most);
    expect(Math.abs(share - FILLED[thing.shape][shaken ? 'shaken' : 'poured'])).toBeLessThan(near);
  });

  it('has sizes that go together', () => {
    for (const thing of POURED_THINGS) {
      const [a, b, c] = sidesOf(thing);
      expect(thingVolumeMm3(thing)).toBeLessThanOrEqual(a * b * c + 1e-9);
      expect(a).toBeGreaterThanOrEqual(c);
    }
  });
});
