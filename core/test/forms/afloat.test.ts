import * as fc from 'fast-check';
import { afloat, carriedG, displacedMm3, HULL, hullOf, make, rimOf, volumeBelow } from '../../src/index';

const hullAt = (id: string, s: number) => {
  const { sizes } = make(id, { sheet: { widthMm: s, heightMm: s }, params: {}, paper: { thicknessMm: 0 } });
  return hullOf(HULL.schema.parse(sizes.rooms[0]));
};
const paperG = (s: number): number => 80 * s * s * 1e-6;

describe('a boat afloat', () => {
  it('of 170 mm lies and stands as its fact sheet has worked out', () => {
    const hull = hullAt('pod-boat', 170);
    const light = afloat(hull, { grams: 20, centreMm: 5 }, paperG(170))!;
    expect(light.draughtMm).toBeCloseTo(6.5, 1);
    expect(light.freeboardMm).toBeCloseTo(11.1, 0);
    expect(light.stabilityMm).toBeCloseTo(14.5, 0);
    expect(afloat(hull, { grams: 40, centreMm: 8 }, paperG(170))!.stabilityMm).toBeCloseTo(7, 0);
    expect(afloat(hull, { grams: 20, centreMm: 25 }, paperG(170))!.stabilityMm).toBeLessThan(0);
  });

  it('pushes aside its weight in water, and sinks when it weighs more than it can', () => {
    const hull = hullAt('pod-boat', 200);
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), (share) => {
        const grams = carriedG(hull, share * rimOf(hull)) - 1;
        const afloatAt = afloat(hull, { grams, centreMm: 3 }, 1);
        expect(afloatAt!.draughtMm / (afloatAt!.draughtMm + afloatAt!.freeboardMm)).toBeCloseTo(share, 6);
        expect(carriedG(hull, afloatAt!.draughtMm)).toBeCloseTo(grams + 1, 6);
      }),
    );
    expect(afloat(hull, { grams: carriedG(hull, rimOf(hull)) + 0.01, centreMm: 3 }, 0)).toBeNull();
  });

  it('displaces below rim and tips what its panels enclose, worked out from their pieces', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('square-canoe', 'pod-boat'),
        fc.integer({ min: 120, max: 400 }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        (id, s, share) => {
          const hull = hullAt(id, s);
          const mm = share * rimOf(hull);
          expect(displacedMm3(hull, mm) / volumeBelow(hull, mm)).toBeCloseTo(1, 9);
        },
      ),
      { numRuns: 10 },
    ));

  it('a box hull has the metacentre of the textbooks: draught / 2 + beam² / (12 draught)', () => {
    // Sides upright, ends upright: the tip lies right over the floor’s end.
    const hull = { chine: { x: 100, y: 20, z: 0 }, rim: { x: 100, y: 20, z: 30 }, tip: { x: 100, y: 0, z: 30 } };
    for (const grams of [20, 60, 90]) {
      const { draughtMm, stabilityMm } = afloat(hull, { grams, centreMm: 0 }, 0)!;
      expect(draughtMm).toBeCloseTo(grams / 0.001 / (200 * 40), 6);
      expect(stabilityMm).toBeCloseTo(draughtMm / 2 + 40 ** 2 / (12 * draughtMm), 3);
    }
  });
});
