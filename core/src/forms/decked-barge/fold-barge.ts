import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import type { Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand } from '../at-hand';
import type { Folding, StepArrow, StepWords } from '../form';
import { recordSteps } from '../record-steps';
import { beaked, type DeckedBargeParams, decked, endUp, frameOf, onBothSides, sidesUp, tabsOut } from './frame';
import { bargeWords } from './words';

/** The moves of the barge. */
export function fold(hand: Hand, sheet: Sheet, params: DeckedBargeParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { at, g, h, b, d } = frame;
  const ruled = params.sideMm !== null || params.deckMm !== null;
  const words = bargeWords({ ...frame, ruled, tabs: params.tabs, bow: params.bow }, unit);
  const { onto, through } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const p = (x: number, y: number): Point => at([x, y]);
  const centre = p(0, 0);
  const crease = (name: string, from: Point, target: Point, pause = false): void => {
    hand.valley(name, onto(from, target));
    if (pause) hand.pause();
    hand.unfold(name);
  };
  /** A crease square to the axis so far from the middle: by the ruler from the blintz line, or by a tip laid on a mark. */
  const acrossAt = (name: string, x: number, tip: number, pause = false): void => {
    const mark = ruled ? hand.measured(name, p(x, 0), p(4 * g * Math.sign(x), 0)) : hand.at(p(x, 0));
    hand.valley(name, {
      ...{ kind: 'perpendicular', through: mark, moving: hand.at(p(tip, 0)) },
      to: { at: mark, along: axis() },
    });
    if (pause) hand.pause();
    hand.unfold(name);
  };
  const axis = (): Point => {
    const [a, c] = [hand.at(p(-g, 0)), hand.at(p(g, 0))];
    const length = Math.hypot(c.x - a.x, c.y - a.y);
    return { x: (c.x - a.x) / length, y: (c.y - a.y) / length };
  };
  const fold = (from: Point): StepArrow => ({ kind: 'fold', grip: from });
  const creased = (grip: Point, to: Point): StepArrow => ({ kind: 'fold-and-unfold', grip, to });

  step(words.turn, { arrows: [{ kind: 'rotate', grip: p(8 * g, 0) }] }, () => hand.rotate(-45));
  step(words.diagonals, { creases: ['axis', 'middle'], arrows: [creased(p(0, 8 * g), p(0, -8 * g))] }, () => {
    crease('axis', p(0, 8 * g), p(0, -8 * g), true);
    crease('middle', p(8 * g, 0), p(-8 * g, 0));
  });
  const corners = [p(0, 8 * g), p(0, -8 * g), p(8 * g, 0), p(-8 * g, 0)];
  step(words.blintz, { creases: ['near', 'far', 'bow', 'stern'], arrows: corners.map(fold) }, () =>
    ['far', 'near', 'bow', 'stern'].forEach((name, k) => hand.valley(name, onto(corners[k], centre))),
  );
  step(words.ends, { arrows: [corners[2], corners[3]].map((grip) => ({ kind: 'unfold', grip })) }, () =>
    hand.unfold('bow'),
  );
  const sides = [1, -1] as const;
  step(
    words.floors,
    { creases: ['floor'], arrows: sides.map((s) => creased(p(0, s * 4 * g), p(0, s * (2 * b - 4 * g)))) },
    () => {
      for (const s of sides) {
        const [m, n] = [-2 * g, 2 * g].map((x) =>
          ruled ? hand.measured('floor', p(x, s * b), p(x, s * 4 * g)) : hand.at(p(x, s * b)),
        );
        hand.valley('floor', { kind: 'through-points', a: m, b: n, moving: hand.at(p(0, s * 3.9 * g)) });
        if (s > 0) hand.pause();
        hand.unfold('floor');
      }
    },
  );
  step(words.bowLines, { creases: ['end rim', 'lock', 'beak'], arrows: [creased(p(8 * g, 0), p(4 * g, 0))] }, () => {
    acrossAt('lock', 4 * g + 2 * h, 8 * g, true);
    acrossAt('end rim', 4 * g + h, 8 * g);
    acrossAt('beak', 4 * g + 3 * h, 8 * g);
  });
  step(
    words.sternLines,
    { creases: ['end rim', 'front', 'foot'], arrows: [creased(p(-8 * g, 0), p(-4 * g, 0))] },
    () => {
      acrossAt('front', -(4 * g + h + d), -8 * g, true);
      acrossAt('end rim', -(4 * g + h), -8 * g);
      acrossAt('foot', -(4 * g + 2 * h + d), -8 * g);
    },
  );
  const quarters = sides.flatMap((x) => sides.map((y) => [x, y] as const));
  step(
    words.corners,
    {
      creases: ['corner'],
      arrows: quarters.map(([x, y]) => creased(p(x * (4 * g + h), y * b), p(x * 4 * g, y * (4 * g - h)))),
    },
    () => {
      for (const [x, y] of quarters) {
        const [inner, outer] = [p(x * 4 * g, y * b), p(x * (4 * g + h), y * (4 * g - h))];
        hand.pinch('corner', through(inner, outer, p(x * (4 * g + h), y * b)), { from: inner, to: outer });
      }
    },
  );
  step(words.rims, { creases: ['rim'], arrows: sides.map((s) => fold(p(0, s * 4 * g))) }, () => {
    for (const s of sides) hand.valley('rim', onto(p(0, s * 4 * g), p(0, s * b)));
  });
  step(words.pack, { creases: ['floor'], arrows: sides.map((s) => fold(p(0, s * (4 * g - h)))) }, () => {
    for (const s of sides) hand.valley('packed', through(p(-2 * g, s * b), p(2 * g, s * b), p(0, s * (b + 0.9 * h))));
  });
  const flat = hand.pose;
  const standing = (
    said: StepWords,
    creases: readonly string[],
    arrows: readonly StepArrow[],
    moves: () => void,
  ): void => step(said, { view: 'space', creases, arrows }, moves);
  const act = (rows: ReturnType<typeof endUp>): void => hand.collapse(onBothSides(frame, rows), centre);
  standing(words.stern, ['end'], [{ kind: 'lift', grip: p(-8 * g, 0) }], () => {
    act(sidesUp(frame));
    hand.pause();
    act(endUp(frame, -1));
  });
  standing(words.seat, ['end rim', 'front', 'foot'], [fold(p(-8 * g, 0))], () => act(decked(frame)));
  standing(words.bow, ['end', 'lock', 'beak'], [{ kind: 'lift', grip: p(8 * g, 0) }], () => {
    act(endUp(frame, 1));
    hand.pause();
    act(beaked(frame, params.bow));
  });
  if (params.tabs === 'out')
    standing(
      words.tabs,
      ['tab', 'tab rim'],
      sides.map((s) => ({ kind: 'pull-out', grip: p(0, s * 7.5 * g) })),
      () => act(tabsOut(frame)),
    );
  const finished = hand.pose;
  standing(words.load, [], [{ kind: 'push-in', grip: centre }], () => undefined);
  standing(words.away, [], [{ kind: 'push-in', grip: p(0, b) }], () => undefined);
  return { steps, finished, flat: flat };
}
