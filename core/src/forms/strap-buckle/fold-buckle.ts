import { type CreaseRow, onParts, type SheetPart } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import type { Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, StepArrow } from '../form';
import { recordSteps } from '../record-steps';
import {
  BASE_LINES,
  ends,
  frameOf,
  KITES,
  POINTS,
  SIDE_FLAPS,
  SQUARED,
  type StrapBuckleParams,
  TUNNEL_ROWS,
} from './frame';
import { buckleWords } from './words';

/** The moves of the buckle. */
export function fold(hand: Hand, sheet: Sheet, params: StrapBuckleParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { quarters, side, turnedIn } = frame;
  const { on } = squareFrame(sheet);
  const words = buckleWords({ lengthMm: params.lengthMm, turnedInMm: turnedIn * side, front: params.front }, unit);
  const { onto } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const crease = (name: string, p: Point, target: Point, pause = false): void => {
    hand.valley(name, onto(p, target));
    if (pause) hand.pause();
    hand.unfold(name);
  };
  const all = (rows: readonly CreaseRow[], parts: readonly SheetPart[] = quarters) => onParts(parts, rows);
  const lie = on(0.3, 0.5);
  const fold = (grip: Point, to?: Point): StepArrow => ({ kind: 'fold', grip, ...(to && { to }) });

  step(
    words.middles,
    { creases: ['upright', 'level'], arrows: [{ kind: 'fold-and-unfold', grip: on(1, 0.5), to: on(0, 0.5) }] },
    () => {
      crease('upright', on(1, 0.5), on(0, 0.5), true);
      crease('level', on(0.5, 0), on(0.5, 1));
    },
  );
  step(
    words.quarters,
    {
      creases: ['quarter'],
      arrows: [on(0, 0.5), on(1, 0.5), on(0.5, 0), on(0.5, 1)].map((grip) => ({
        ...{ kind: 'fold-and-unfold', grip, to: on(0.5, 0.5) },
      })),
    },
    () => {
      for (const edge of [on(0, 0.5), on(1, 0.5), on(0.5, 0), on(0.5, 1)])
        crease('quarter', edge, on(0.5, 0.5), edge.x === 0);
    },
  );
  step(words.strip, { creases: ['lower', 'upper'], arrows: [fold(on(0.5, 0)), fold(on(0.5, 1))] }, () => {
    hand.valley('lower', onto(on(0.5, 0), on(0.5, 0.5)));
    hand.valley('upper', onto(on(0.5, 1), on(0.5, 0.5)));
  });
  const reversed = (part: SheetPart): void =>
    hand.insideReverse('corner line', onto(part([0, 0.25]), part([0.25, 0.5])), part([0.04, 0.26]));
  step(words.corner, { creases: ['corner line'], arrows: [{ kind: 'push-in', grip: quarters[0]([0, 0.25]) }] }, () =>
    reversed(quarters[0]),
  );
  step(
    words.corners,
    {
      creases: ['corner line'],
      arrows: quarters.slice(1).map((part) => ({ kind: 'push-in', grip: part([0, 0.25]) })),
    },
    () => quarters.slice(1).forEach(reversed),
  );
  step(words.half, { creases: ['upright'], arrows: [fold(on(1, 0.5))] }, () =>
    hand.valley('upright', onto(on(1, 0.5), on(0, 0.5))),
  );
  step(words.wing, { creases: ['quarter'], arrows: [fold(on(1, 0.5))] }, () =>
    // The wing and the corners turned in behind it hinge on one line: both go.
    hand.collapse(all(BASE_LINES, quarters.slice(2)), lie),
  );
  const squashed = (parts: readonly SheetPart[]): void => hand.collapse(all(SQUARED, parts), lie);
  const flapArrow = (part: SheetPart): StepArrow => ({ kind: 'lift', grip: part([0, 0]) });
  step(words.square, { creases: ['square edge', 'squash'], arrows: [flapArrow(quarters[0])] }, () => {
    const [part] = quarters;
    // Creased through both layers first: its tip to the corner where the flap hinges.
    hand.valley('squash', onto(part([0, 0]), part([0.25, 0.25])), { flap: part([0.06, 0.02]) });
    hand.pause();
    hand.unfold('squash');
    squashed([part]);
  });
  step(words.squares, { creases: ['square edge', 'squash'], arrows: quarters.slice(1).map(flapArrow) }, () =>
    squashed(quarters.slice(1)),
  );
  step(
    words.sides,
    { creases: ['side flap'], arrows: [on(0, 0.5), on(1, 0.5)].map((grip) => ({ kind: 'fold-behind', grip })) },
    () => hand.collapse(all(SIDE_FLAPS), lie),
  );
  step(words.tunnel, { creases: ['tunnel side'], arrows: [{ kind: 'push-in', grip: on(0.5, 0.5) }] }, () =>
    hand.collapse(all(TUNNEL_ROWS), on(0.2, 0.45)),
  );
  if (params.front === 'star') {
    step(
      words.kites,
      { creases: ['kite'], arrows: quarters.map((part) => fold(part([0, 0.11]), part([0.11, 0.11]))) },
      () => hand.collapse(all(KITES), on(0.2, 0.45)),
    );
    step(
      words.points,
      { creases: ['point'], arrows: quarters.map((part) => ({ kind: 'lift', grip: part([0.01, 0.12]) })) },
      () => hand.collapse(all(POINTS), on(0.2, 0.45)),
    );
  }
  const tube = [on(0.5, 0.25), on(0.5, 0.75)];
  step(words.ends, { creases: ['end'], arrows: tube.map((grip) => ({ kind: 'tuck', grip })) }, () =>
    hand.collapse(all(ends(turnedIn)), on(0.2, 0.5)),
  );
  const finished = hand.pose;
  step(words.thread, { arrows: tube.map((grip) => ({ kind: 'push-in', grip })) }, () => undefined);
  step(words.away, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  return { steps, finished };
}
