import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import type { Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand } from '../at-hand';
import type { Folding, StepArrow } from '../form';
import { recordSteps } from '../record-steps';
import {
  type Bends,
  bent,
  BOAT_FLAT,
  cornerUp,
  frameOf,
  HAT_FLAT,
  type HatBoatParams,
  spreadBends,
  SQUARE,
  UNPULLED,
  unpulled,
  wornBends,
} from './frame';
import { hatBoatWords } from './words';

/** The moves of the hat, and of the boat that is made of it. */
export function fold(hand: Hand, sheet: Sheet, params: HatBoatParams): Folding {
  const frame = frameOf(sheet, params);
  const { t, at: place } = frame;
  const words = hatBoatWords();
  const { onto, through, line } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const p = (x: number, v: number): Point => place([x, v]);
  const top = p(0.5, 0);
  const raw = 0.5 + t;
  const arrow = (grip: Point, to?: Point): StepArrow => ({ kind: 'fold', grip, ...(to && { to }) });
  const lie = p(0.4, 0.25);
  const open = (creases: readonly CreaseAngle[]): void => hand.collapse(creases, lie);

  step(words.middle, { creases: ['middle'], arrows: [{ kind: 'fold-and-unfold', grip: p(0, 0), to: p(1, 0) }] }, () => {
    hand.valley('middle', onto(p(0, 0), p(1, 0)));
    hand.pause();
    hand.unfold('middle');
  });
  step(words.half, { creases: ['half'], arrows: [arrow(p(0.5, raw))] }, () =>
    hand.valley('half', onto(p(0.5, raw), p(0.5, -raw))),
  );
  step(words.corners, { creases: ['corner'], arrows: [arrow(p(0, 0)), arrow(p(1, 0))] }, () => {
    for (const x of [0, 1])
      hand.valley('corner', {
        ...{ kind: 'point-onto-line', point: hand.at(p(x, 0)), onto: line(top, p(0.5, 0.5)) },
        ...{ through: hand.at(top), near: hand.at(p(0.5, 0.5)) },
      });
  });
  const band = (name: string, s: 1 | -1): void =>
    hand.valley(name, through(p(0, s / 2), p(1, s / 2), p(0.5, s * raw)), { flap: p(0.5, s * raw) });
  step(words.front, { creases: ['front brim'], arrows: [arrow(p(0.5, raw))] }, () => band('front brim', 1));
  const ends = (s: 1 | -1): Point[] => [0, 1].map((x) => p(x, s * raw));
  const endOf = (x: 0 | 1, s: 1 | -1): Parameters<typeof through> => [top, p(x, s / 2), p(x, s * raw)];
  step(
    words.frontEnds,
    { creases: ['brim end'], arrows: [{ kind: 'turn-over' }, ...ends(1).map((grip) => arrow(grip))] },
    () => {
      hand.turnOver();
      hand.pause();
      for (const x of [0, 1] as const) hand.valley('brim end', through(...endOf(x, 1)), { flap: p(x, raw) });
    },
  );
  step(words.back, { creases: ['back brim'], arrows: [arrow(p(0.5, -raw))] }, () => band('back brim', -1));
  step(
    words.backEnds,
    { creases: ['brim end'], arrows: ends(-1).map((grip) => ({ kind: 'fold-behind', grip })) },
    () => {
      for (const x of [0, 1] as const) hand.mountain('brim end', through(...endOf(x, -1)), { flap: p(x, -raw) });
    },
  );
  const hat = hand.pose;
  const layFlat = (bends: Bends): void => {
    open(bent(frame, bends));
    hand.setDown({ along: [[p(0.45, 0.3)], [p(0.55, 0.3)]], across: [p(0.5, 0.5), top] });
  };
  const pulled: readonly StepArrow[] = [p(0.5, 0.5), p(0.5, -0.5)].map((grip) => ({ kind: 'pull-out', grip }));
  if (params.stage === 'hat') {
    step(words.wear, { view: 'space', arrows: pulled }, () => {
      open(bent(frame, wornBends()));
      hand.setDown({ along: [[p(0, 0.5)], [p(1, 0.5)]], across: [p(0.5, -0.5), p(0.5, 0.5)], above: top });
    });
    const finished = hand.pose;
    step(words.hatAway, { view: 'space', arrows: [{ kind: 'push-in', grip: p(0.5, 0.5) }] }, () => layFlat(HAT_FLAT));
    return { steps, finished, flat: hat };
  }
  step(words.square, { arrows: pulled }, () => {
    open(bent(frame, SQUARE));
    // Its top corner away from you.
    hand.rotate(-45);
  });
  const up = (side: 'left' | 'right'): void => open(cornerUp(frame, side));
  step(words.firstUp, { creases: ['lower edge'], arrows: [arrow(p(1, 0.5), top)] }, () => up('right'));
  step(words.secondUp, { creases: ['lower edge'], arrows: [{ kind: 'turn-over' }, arrow(p(0, 0.5), top)] }, () => {
    hand.turnOver();
    hand.pause();
    up('left');
  });
  step(words.again, { arrows: pulled }, () => {
    open(bent(frame, BOAT_FLAT, UNPULLED));
    hand.rotate(-45);
  });
  step(
    words.pull,
    { creases: ['lower edge'], arrows: [p(0, 0.5), p(1, 0.5)].map((grip) => ({ kind: 'pull-out', grip })) },
    () => open([...unpulled(frame), ...bent(frame, BOAT_FLAT)]),
  );
  const flat = hand.pose;
  step(words.spread, { view: 'space', arrows: pulled }, () => {
    open(bent(frame, spreadBends(params)));
    const { u } = frame;
    hand.setDown({ along: [[p(0.5 - u, u)], [p(0.5 + u, u)]], across: [p(0.5, -0.5), p(0.5, 0.5)], above: top });
  });
  const finished = hand.pose;
  step(words.float, { view: 'space', arrows: [{ kind: 'push-in', grip: p(0.2, 0.3) }] }, () => undefined);
  step(words.away, { view: 'space', arrows: [{ kind: 'push-in', grip: p(0.5, 0.5) }] }, () =>
    open(bent(frame, BOAT_FLAT)),
  );
  return { steps, finished, flat };
}
