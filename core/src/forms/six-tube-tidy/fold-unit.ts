import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import type { Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, StepArrow } from '../form';
import { recordSteps } from '../record-steps';
import { UNIT_WORDS as words } from './words';

/** The moves of one unit: a tube with three sides, one end in the pockets of the other. */
export function foldUnit(hand: Hand, sheet: Sheet): Folding {
  const { on } = squareFrame(sheet);
  const { onto } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const centre = on(0.5, 0.5);
  const crease = (name: string, p: Point, target: Point, pause = false): void => {
    hand.valley(name, onto(p, target));
    if (pause) hand.pause();
    hand.unfold(name);
  };
  const creased = (grip: Point, to: Point): StepArrow => ({ kind: 'fold-and-unfold', grip, to });
  const fold = (grip: Point, to: Point): StepArrow => ({ kind: 'fold', grip, to });

  step(
    words.upright,
    { creases: ['upright', 'side'], arrows: [creased(on(0, 0.5), on(1, 0.5)), creased(on(1, 0.5), centre)] },
    () => {
      crease('upright', on(0, 0.5), on(1, 0.5), true);
      crease('side', on(0, 0.5), centre);
      crease('side', on(1, 0.5), centre);
    },
  );
  step(
    words.level,
    { creases: ['middle', 'end'], arrows: [creased(on(0.5, 0), on(0.5, 1)), creased(on(0.5, 1), centre)] },
    () => {
      crease('middle', on(0.5, 0), on(0.5, 1), true);
      crease('end', on(0.5, 0), centre);
      crease('end', on(0.5, 1), centre);
    },
  );
  const corners = [0, 1].flatMap((x) => [0, 1].map((y) => [on(x, y), on(x ? 0.75 : 0.25, y ? 0.75 : 0.25)] as const));
  step(words.corners, { creases: ['corner'], arrows: corners.map(([p, q]) => fold(p, q)) }, () => {
    for (const [corner, target] of corners) hand.valley('corner', onto(corner, target));
  });
  step(words.sides, { creases: ['side'], arrows: [fold(on(0, 0.5), centre), fold(on(1, 0.5), centre)] }, () => {
    for (const x of [0, 1]) hand.valley('side', onto(on(x, 0.5), centre));
  });
  const ends = [on(0.5, 0), on(0.5, 1)];
  step(
    words.ends,
    { creases: ['end'], arrows: [{ kind: 'turn-over' }, ...ends.map((end) => creased(end, centre))] },
    () => {
      hand.turnOver();
      ends.forEach((end, k) => hand.valley(`end ${k}`, onto(end, centre)));
      hand.pause();
      hand.unfold('end 0');
    },
  );
  /** The three bends across the strip: on its back, and on the flaps that lie on it. */
  const bent = (endDeg: number, middleDeg: number): CreaseAngle[] =>
    [0.25, 0.5, 0.75].flatMap((y) => {
      const deg = y === 0.5 ? middleDeg : endDeg;
      const row = (a: number, b: number, angleDeg: number): CreaseAngle => ({
        ...{ name: y === 0.5 ? 'middle' : 'end', from: on(a, y), to: on(b, y), angleDeg },
      });
      return [row(0, 0.25, deg), row(0.25, 0.75, -deg), row(0.75, 1, deg)];
    });
  const wall = on(0.5, 0.4);
  step(words.tube, { view: 'space', creases: ['middle', 'end'], arrows: [{ kind: 'push-in', grip: centre }] }, () =>
    // Short of closed: the ends do not touch yet.
    hand.collapse(bent(80, 80), wall),
  );
  step(words.glue, { view: 'space', arrows: [{ kind: 'tuck', grip: on(0.5, 0) }] }, () => {
    const [tab, back, flap] = [on(0.4, 0.12), on(0.4, 0.88), on(0.2, 0.8)];
    hand.collapse(bent(120, 120), wall, [
      { point: back, other: tab, lies: 'on its white side' },
      { point: flap, other: tab, lies: 'on its white side' },
    ]);
    // Upright, its open ends up and down.
    hand.setDown({
      along: [[on(0.25, 0.25)], [on(0.25, 0.75)]],
      across: [on(0.25, 0.25), on(0.25, 0.5)],
      above: on(0.75, 0.5),
    });
  });
  const finished = hand.pose;
  step(words.stand, { view: 'space', arrows: [{ kind: 'push-in', grip: centre }] }, () => undefined);
  return { steps, finished };
}
