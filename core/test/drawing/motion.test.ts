import * as fc from 'fast-check';
import {
  CLOSURE,
  distance3,
  FoldRefused,
  FORMS,
  formById,
  make,
  motionBetween,
  movingPictures,
  piercingFaces,
  placedOutline,
  point,
  type Pose,
  rectangleSheet,
  startSheet,
} from '../../src/index';
import { made, usualSheet } from '../forms/made';
import { someOf } from '../runs';

const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
const moment = fc.double({ min: 0.001, max: 0.999, noNaN: true });

/** Rigid paper that does not go through itself: it closes, and every edge keeps its length. */
function expectRigid(pose: Pose): void {
  expect(pose.residual).toBeLessThan(CLOSURE);
  expect(piercingFaces(pose.pattern, pose.placed)).toBeNull();
  pose.pattern.faces.forEach(({ vertices }, f) => {
    const lying = placedOutline(pose, f);
    vertices.forEach((v, k) => {
      const w = vertices[(k + 1) % vertices.length];
      const [a, b] = [pose.pattern.vertices[v], pose.pattern.vertices[w]];
      const length = Math.hypot(b.x - a.x, b.y - a.y);
      expect(Math.abs(distance3(lying[k], lying[(k + 1) % vertices.length]) - length)).toBeLessThan(
        1e-9 * pose.pattern.size,
      );
    });
  });
}

describe('how paper moves', () => {
  it('in any fold that turns all of it over a line: begins and ends as it lies, rigid in between, straight up half-way', () =>
    fc.assert(
      fc.property(share, share, share, share, fc.boolean(), moment, (a, b, c, d, over, t) => {
        const hand = startSheet(rectangleSheet(100, 70));
        const onto = { kind: 'point-onto-point', point: point(100 * a, 70 * b), onto: point(100 * c, 70 * d) } as const;
        let poses: readonly Pose[] = [];
        try {
          poses = hand.watch(() => (over ? hand.valley('fold', onto) : hand.mountain('fold', onto)));
        } catch (error) {
          if (!(error instanceof FoldRefused)) throw error;
          return;
        }
        const motion = motionBetween(poses[0], poses[1])!;
        expect(motion).not.toBeNull();
        expect(motion(0)).toBe(poses[0]);
        expect(motion(1)).toBe(poses[1]);
        expectRigid(motion(t));
        const heights = motion(0.5).pattern.faces.flatMap((_, f) => placedOutline(motion(0.5), f).map(({ z }) => z));
        const [low, high] = [Math.min(...heights), Math.max(...heights)];
        expect(over ? high : -low).toBeGreaterThan(1e-6);
        expect(over ? low : -high).toBeGreaterThan(-1e-6);
      }),
    ));

  it('is not claimed where a flap slips under another layer: it would go through it', () => {
    const hand = startSheet(rectangleSheet(100, 100));
    hand.valley('right', { kind: 'point-onto-point', point: point(100, 50), onto: point(40, 50) });
    const left = { kind: 'point-onto-point', point: point(0, 50), onto: point(60, 50) } as const;
    const tucked = hand.watch(() => hand.tuck('left', left, point(80, 50)));
    expect(motionBetween(tucked[0], tucked[1])).toBeNull();
    const other = startSheet(rectangleSheet(100, 100));
    other.valley('right', { kind: 'point-onto-point', point: point(100, 50), onto: point(40, 50) });
    const laid = other.watch(() => other.valley('left', left));
    expect(motionBetween(laid[0], laid[1])).not.toBeNull();
  });

  it('when it is turned, or turned over, is that of one stiff thing: the way round by the shorter arc, over by half a turn', () =>
    fc.assert(
      fc.property(fc.double({ min: -170, max: 170, noNaN: true }), moment, (deg, t) => {
        const hand = startSheet(rectangleSheet(90, 50));
        hand.valley('corner', { kind: 'point-onto-point', point: point(0, 0), onto: point(30, 20) });
        const turned = hand.watch(() => hand.rotate(deg));
        const motion = motionBetween(turned[0], turned[1])!;
        expectRigid(motion(t));
        for (const { z } of placedOutline(motion(t), 0)) expect(z).toBeCloseTo(0, 9);
        const end = motion(1);
        end.placed[0].forEach((v, k) => expect(v).toBeCloseTo(turned[1].placed[0][k], 6));
        const over = hand.watch(() => hand.turnOver());
        const flip = motionBetween(over[0], over[1])!;
        expectRigid(flip(t));
        flip(1).placed[0].forEach((v, k) => expect(v).toBeCloseTo(over[1].placed[0][k], 6));
        // Half-way it stands on edge.
        expect(Math.abs(flip(0.5).placed[0][8])).toBeLessThan(1e-9);
      }),
      { numRuns: 20 },
    ));

  it.each(someOf(FORMS, 4).map(({ id }) => [id]))('of %s is rigid at any moment, wherever it is told', (id) =>
    fc.assert(
      fc.property(fc.double({ min: 150, max: 400, noNaN: true }), moment, (side, t) => {
        const widthMm = side * usualSheet(formById(id));
        const { steps } = make(id, {
          sheet: { widthMm, heightMm: side },
          params: {},
          paper: { thicknessMm: 0 },
        }).folding;
        let told = 0;
        for (const { poses } of steps)
          poses.slice(1).forEach((pose, k) => {
            const motion = motionBetween(poses[k], pose);
            if (!motion) return;
            told += 1;
            expectRigid(motion(t));
          });
        expect(told).toBeGreaterThan(steps.length / 3);
      }),
      { numRuns: 2 },
    ),
  );

  it('is drawn at one scale from before to after, and not at all where it is not known', () => {
    const { steps } = made('flat-folding-cup', 150).folding;
    const frames = movingPictures(steps[1])!;
    expect(frames.length).toBe(17);
    for (const { box } of frames) {
      expect(box.width).toBeCloseTo(frames[0].box.width, 9);
      expect(box.height).toBeCloseTo(frames[0].box.height, 9);
    }
    // Its flap goes into a pocket.
    const tucks = steps.find(({ arrows }) => arrows.some(({ kind }) => kind === 'tuck'))!;
    expect(movingPictures(tucks)).toBeNull();
  });
});
