import * as fc from 'fast-check';
import { CATCH, foldMake, GUTTER, placedOutline, type Pose, proveState, whereIs } from '../../src/index';
import { lengthOf, made, roomIn, sheet } from './made';

/** Heights of all corners over the table. */
const heights = (pose: Pose): number[] =>
  pose.pattern.faces.flatMap((_, f) => placedOutline(pose, f).map(({ z }) => z));

describe('straight bead track', () => {
  it.each([
    ['eight', 'usual', 8, 3 / 8, 1 / 16, 1 / 8],
    ['six', 'usual', 6, 3 / 8, 1 / 16, 1 / 8],
    ['twelve', 'usual', 12, 3 / 8, 1 / 24, 1 / 8],
    ['eight', 'wide', 8, 1 / 2, 1 / 16, 3 / 32],
  ] as const)('%s strips, body %s: stands as its closed form says', (strips, body, n, w, p, h0) =>
    fc.assert(
      fc.property(sheet, (s) => {
        const track = made('bead-track-straight', s, { strips, body });
        const [eps, delta] = [p / Math.sqrt(1 - (2 * p) / w), 1 / n];
        const [S, d] = [Math.hypot(w, eps), Math.sqrt(delta * delta - eps * eps)];
        const drop = d * Math.sin(Math.atan((h0 * delta) / d));
        const gutter = roomIn(GUTTER, track);
        expect(gutter.dropMm / s).toBeCloseTo(drop, 9);
        expect(gutter.segmentMm / s).toBeCloseTo(Math.hypot(w, delta), 9);
        expect(lengthOf(track, 'exit, from the middle') / s).toBeGreaterThan(0.4 * S);
        // All feet lie on the table, none beneath.
        expect(Math.min(...heights(track.folding.finished)) / s).toBeCloseTo(0, 9);
        expect(track.folding.finished.residual).toBeLessThan(1e-9);
      }),
      { numRuns: 2 },
    ),
  );

  it('pushed on it is a flat bar', () => {
    const { flat } = made('bead-track-straight', 170).folding;
    const [low, high] = [Math.min(...flat!.placed.map((m) => Math.abs(m[8] - flat!.placed[0][8]) % 2)), 0];
    expect(low).toBeCloseTo(high, 6);
  });
});

describe('bead track', () => {
  /** From the fact sheet, in shares of the sheet: strips, mark, height, path, exit's height. */
  it.each([
    ['eight', 'eighth', 0.325, 4.52, 0.0533],
    ['six', 'eighth', 0.325, 3.45, null],
    ['ten', 'eighth', 0.312, 5.85, null],
    ['eight', 'sixteenth', 0.329, 4.73, null],
    ['eight', 'quarter', 0.319, 4.07, null],
  ] as const)(
    '%s strips, mark at an %s: stands on both edges as the fact sheet has it',
    (strips, mark, high, path, exit) => {
      const s = 1000;
      const track = made('bead-track', s, { strips, mark });
      expect(track.sizes.outer.heightMm / s).toBeCloseTo(high, 2);
      expect(lengthOf(track, 'path') / s).toBeCloseTo(path, 1);
      if (exit) expect(roomIn(GUTTER, track).exitMm / s).toBeCloseTo(exit, 4);
      const { finished } = track.folding;
      expect(finished.residual).toBeLessThan(1e-9);
      // Both raw edges lie on the table, from end to end.
      for (const y of [0, s])
        for (let k = 0; k <= 8; k++) expect(whereIs(finished, { x: (k * s) / 8, y }).z).toBeCloseTo(0, 6);
    },
  );

  it('begins with a corner landed on the middle line nine tenths across, the edge through the mark', () => {
    const { steps } = made('bead-track', 170).folding;
    const landed = steps.find(({ id }) => id === 'leg-line')!.poses.at(-1)!;
    const corner = whereIs(landed, { x: 170, y: 0 });
    expect(corner.x).toBeCloseTo(153, 8);
    expect(corner.y).toBeCloseTo(85, 8);
  });

  it.each(['bead-track', 'bead-track-straight'])('%s takes a tray at its exit without touching it', (formId) => {
    const { assembly } = foldMake({
      formId,
      params: { tray: 'with' },
      entries: {
        track: { sheet: { widthMm: 180, heightMm: 180 }, thicknessMm: 0.1 },
        tray: { sheet: { widthMm: 110, heightMm: 110 }, thicknessMm: 0.1 },
      },
    });
    expect(() => proveState(assembly.states.closed, assembly.joints)).not.toThrow();
    expect(assembly.states.closed).toHaveLength(2);
  });
});

describe('bead catch tray', () => {
  it('has floor, walls and lip of its fact sheet', () =>
    fc.assert(
      fc.property(
        sheet,
        fc.double({ min: 1 / 32, max: 1 / 8, noNaN: true }),
        fc.integer({ min: 20, max: 60 }),
        (s, f, deg) => {
          const room = roomIn(CATCH, made('bead-catch-tray', s, { lipMm: f * s, lipDeg: deg }));
          expect(room.widthMm / s).toBeCloseTo(1 / 2, 9);
          expect(room.lengthMm / s).toBeCloseTo(3 / 4 - f, 9);
          expect(room.wallMm / s).toBeCloseTo(1 / 4, 9);
          expect(room.lipMm / s).toBeCloseTo(f * Math.sin((deg * Math.PI) / 180), 9);
        },
      ),
      { numRuns: 10 },
    ));
});
