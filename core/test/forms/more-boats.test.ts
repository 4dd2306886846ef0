import * as fc from 'fast-check';
import {
  afloat,
  centreOfWeight,
  HAT,
  HULL,
  hullOf,
  make,
  PAPER_CENTRE_TWIN,
  placedOutline,
  TWIN_HULL,
  twinVolume,
} from '../../src/index';
import { lengthOf, made, roomIn, sheet } from './made';

describe('decked barge', () => {
  it('has hull, beam and volume of its fact sheet at any height of its sides and depth of its deck', () =>
    fc.assert(
      fc.property(
        sheet,
        fc.double({ min: 0.5, max: 1.3, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (s, h, share) => {
          const g = s / (8 * Math.SQRT2);
          const d = h + share * (3.9 - 3 * h);
          const barge = made('decked-barge', s, { sideMm: h * g, deckMm: d * g });
          const room = roomIn(HULL, barge);
          expect(room.floorLengthMm / g).toBeCloseTo(8, 8);
          expect(room.floorWidthMm / g).toBeCloseTo(8 - 4 * h, 8);
          expect(room.sideMm / g).toBeCloseTo(h, 8);
          expect(room.deckMm / g).toBeCloseTo(d, 8);
          expect((1000 * barge.sizes.volumes![1].ml) / g ** 3).toBeCloseTo(8 * (8 - 4 * h) * h, 6);
        },
      ),
      { numRuns: 5 },
    ));

  it('floats as Archimedes has it for a box: the fact sheet’s example', () => {
    const s = 170;
    const hull = hullOf({ kind: HULL.id, sizes: roomIn(HULL, made('decked-barge', s)) });
    const floats = afloat(hull, { grams: 15, centreMm: 12 }, 80e-6 * s * s)!;
    expect(floats.draughtMm).toBeCloseTo(2.4, 1);
    expect(floats.freeboardMm).toBeCloseTo(12.6, 1);
    // Metacentre 127 over the floor, the weights 11.2: a little more or less by where the paper's own weight is taken to act.
    expect(Math.abs(floats.stabilityMm - (127 - 11.2))).toBeLessThan(1.5);
  });

  it('is no longer and no wider than its hull when beak and tabs lie on the floor', () => {
    const { sizes } = made('decked-barge', 200, { tabs: 'floor', bow: 'floor' });
    const { floorLengthMm, floorWidthMm } = roomIn(HULL, { sizes });
    expect(sizes.outer.lengthMm).toBeCloseTo(floorLengthMm, 6);
    expect(sizes.outer.widthMm).toBeCloseTo(floorWidthMm, 6);
  });
});

describe('hat boat', () => {
  it('has the weight of its paper as high as its stability takes it to be', () => {
    const boat = made('hat-boat', 200, { stage: 'boat' });
    const { finished } = boat.folding;
    const keel = Math.min(...finished.pattern.faces.flatMap((_, f) => placedOutline(finished, f).map(({ z }) => z)));
    const share = (centreOfWeight(finished).z - keel) / roomIn(TWIN_HULL, boat).topMm;
    expect(share).toBeCloseTo(PAPER_CENTRE_TWIN, 3);
  });

  /** From its lowest points to the middle of the rim, in short sides, so far pulled and spread: the fact sheet's formula. */
  const depthAt = (pullDeg: number, spreadDeg: number): number => {
    const [pull, spread] = [pullDeg, spreadDeg].map((deg) => (deg * Math.PI) / 180);
    const keel = (1 + Math.tan(pull / 2)) / (2 * Math.SQRT2);
    return (keel * Math.SQRT1_2) / Math.cos(spread) - Math.cos(spread) / 2;
  };

  it.each([
    [60, 34, 0.0611],
    [50, 38, 0.0712],
    [45, 40, 0.0785],
  ])('pulled to %d degrees it spreads a little beyond %d, whatever the sheet', (pullDeg, spreadDeg, depth) => {
    expect(depthAt(pullDeg, spreadDeg)).toBeCloseTo(depth, 3);
    fc.assert(
      fc.property(fc.double({ min: 1.12, max: 1.85, noNaN: true }), (long) => {
        const boat = make('hat-boat', {
          sheet: { widthMm: 200 * long, heightMm: 200 },
          params: { pullDeg, spread: 100 },
          paper: { thicknessMm: 0 },
        });
        const room = roomIn(TWIN_HULL, boat);
        expect(room.depthMm / 200).toBeGreaterThan(depth);
        expect(room.depthMm / 200).toBeLessThan(depthAt(pullDeg, spreadDeg + 2));
        expect(lengthOf(boat, 'flat boat, long') / 200).toBeCloseTo(Math.sin((pullDeg * Math.PI) / 180), 9);
        // The tips have sunk to the middle of the rim: at the widest spread they are as high.
        const { finished } = boat.folding;
        const heights = finished.pattern.faces.flatMap((_, f) => placedOutline(finished, f).map(({ z }) => z));
        expect(Math.min(...heights)).toBeCloseTo(0, 6);
      }),
      { numRuns: 2 },
    );
  });

  it('displaces two pyramids: the fact sheet’s volume at its own depth and beam', () => {
    // 60 degrees spread to 34: corners as the fact sheet lists them, in short sides.
    const [rim, beam] = [0.0611, 0.5592];
    const [keel, tip, top] = [0.2911, { x: 0.4138, z: 0.0853 }, 0.4757];
    const out = keel + (rim / tip.z) * (tip.x - keel);
    const inner = keel * (1 - rim / top);
    const volume = twinVolume({ depthMm: rim, beamMm: beam, pocketMm: out - inner, topMm: top });
    expect(volume).toBeCloseTo(0.001428, 5);
  });

  it('as a hat is twice the short side round and half of it high', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const hat = made('hat-boat', s, { stage: 'hat' });
        const room = roomIn(HAT, hat);
        expect(room.roundMm / s).toBeCloseTo(2, 9);
        expect(room.heightMm / s).toBeCloseTo(1 / 2, 9);
        // Worn, it stands level on its rim.
        const { finished } = hat.folding;
        const low = finished.pattern.faces
          .flatMap((_, f) => placedOutline(finished, f))
          .filter(({ z }) => z < 1e-6 * s);
        expect(low.length).toBeGreaterThan(8);
      }),
      { numRuns: 3 },
    ));
});
