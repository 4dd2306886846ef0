import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import { type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, StepWords } from '../form';
import { recordSteps } from '../record-steps';
import { CUBE_USE, cubeWords } from './words';
import { type CreaseRow, onParts, type SheetPart } from '../../folding/crease-rows';
import {
  type ClosingCubeParams,
  deepSlot,
  FREE_END,
  FREE_START,
  frameOf,
  GUSSET,
  GUSSET_NEXT,
  SIDES,
  TIPS,
  TWISTED,
  WALL,
} from './frame';

/** The moves of the cube. */
export function fold(hand: Hand, sheet: Sheet, { mirror, thirds }: ClosingCubeParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const words = cubeWords(mirror, thirds === 'ruler' ? side / 3 : null, unit);
  const frame = frameOf(sheet, mirror);
  const { at } = frame;
  const { onto, through } = atHand(hand);
  const { steps, uses, step, use } = recordSteps(hand);
  const sixth = (x: number, y: number): Point => on(x / 6, y / 6);
  const crease = (name: string, p: Point, target: Point, pause = false): void => {
    hand.valley(name, onto(p, target));
    if (pause) hand.pause();
    hand.unfold(name);
  };

  step(words.over, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(
    words.thirds,
    { creases: ['third', 'two thirds'], arrows: [{ kind: 'fold-and-unfold', grip: sixth(0, 0), to: sixth(4, 0) }] },
    () => {
      const length = 0.06 * side;
      for (const [name, x, corner] of [
        ['third', 2, sixth(0, 0)],
        ['two thirds', 4, sixth(6, 0)],
      ] as const) {
        if (thirds === 'ruler') hand.measured(name, sixth(x, 0), corner);
        hand.pinch(name, through(sixth(x, 0), sixth(x, 6), corner), { near: sixth(x, 0), lengthMm: length });
      }
    },
  );
  step(
    words.upright,
    {
      creases: ['x 2', 'x 4'],
      arrows: [
        { kind: 'fold-and-unfold', grip: sixth(0, 4), to: sixth(4, 4) },
        { kind: 'fold-and-unfold', grip: sixth(6, 2), to: sixth(2, 2) },
      ],
    },
    () => {
      crease('x 2', sixth(0, 3), sixth(4, 3), true);
      crease('x 4', sixth(6, 3), sixth(2, 3));
    },
  );
  step(words.diagonal, { creases: ['diagonal'], arrows: [{ kind: 'fold-and-unfold', grip: sixth(6, 0) }] }, () =>
    crease('diagonal', sixth(6, 0), sixth(0, 6), true),
  );
  step(
    words.across,
    {
      creases: ['y 2', 'y 4'],
      arrows: [
        { kind: 'fold-and-unfold', grip: sixth(2, 0), to: sixth(2, 4) },
        { kind: 'fold-and-unfold', grip: sixth(4, 6), to: sixth(4, 2) },
      ],
    },
    () => {
      crease('y 2', sixth(3, 0), sixth(3, 4), true);
      crease('y 4', sixth(3, 6), sixth(3, 2));
    },
  );
  step(
    words.sixthsUpright,
    {
      creases: ['x 1', 'x 3', 'x 5'],
      arrows: [{ kind: 'fold-and-unfold', grip: sixth(0, 3), to: sixth(6, 3) }],
    },
    () => {
      crease('x 3', sixth(0, 3), sixth(6, 3), true);
      crease('x 1', sixth(0, 3), sixth(2, 3));
      crease('x 5', sixth(6, 3), sixth(4, 3));
    },
  );
  step(
    words.sixthsAcross,
    {
      creases: ['y 1', 'y 3', 'y 5'],
      arrows: [{ kind: 'fold-and-unfold', grip: sixth(3, 0), to: sixth(3, 6) }],
    },
    () => {
      crease('y 3', sixth(3, 0), sixth(3, 6), true);
      crease('y 1', sixth(3, 0), sixth(3, 2));
      crease('y 5', sixth(3, 6), sixth(3, 4));
    },
  );
  step(words.back, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  const corner = (k: number): Point => at(k, [0, 0]);
  step(
    words.farSlants,
    {
      creases: SIDES.map((k) => `far slant ${k}`),
      arrows: [{ kind: 'fold-and-unfold', grip: corner(0), to: at(0, [5, 5]) }],
      landmarks: [{ point: at(0, [5, 5]), name: 'target' }],
    },
    () => {
      for (const k of SIDES) crease(`far slant ${k}`, corner(k), at(k, [5, 5]), k === 0);
    },
  );
  step(
    words.nearSlants,
    {
      creases: SIDES.map((k) => `near slant ${k}`),
      arrows: [{ kind: 'fold-and-unfold', grip: corner(0), to: on(0.5, 0.5) }],
    },
    () => {
      for (const k of SIDES) crease(`near slant ${k}`, corner(k), on(0.5, 0.5), k === 0);
    },
  );
  const partAt =
    (k: number): SheetPart =>
    (place) =>
      at(k, place);
  const rowsAt = (k: number, rows: readonly CreaseRow[]): CreaseAngle[] => onParts([partAt(k)], rows);
  const four = (rows: readonly CreaseRow[]): CreaseAngle[] => onParts(SIDES.map(partAt), rows);
  const centre = on(0.5, 0.5);
  const wall = (said: StepWords, raised: readonly number[], creases: readonly CreaseAngle[]): void =>
    step(
      said,
      {
        view: 'space',
        creases: raised.map((k) => `far slant ${k}`),
        arrows: raised.map((k) => ({ kind: 'lift', grip: at(k, [1.5, 1.5]) })),
      },
      () => hand.collapse(creases, centre),
    );
  const gusset = (k: number): CreaseAngle[] => [...rowsAt(k, GUSSET), ...rowsAt((k + 1) % 4, GUSSET_NEXT)];
  wall(
    words.twoWalls,
    [0, 1],
    [...rowsAt(0, WALL), ...rowsAt(1, WALL), ...rowsAt(3, FREE_START), ...gusset(0), ...rowsAt(2, FREE_END)],
  );
  wall(words.thirdWall, [2], [...rowsAt(2, WALL), ...gusset(1), ...rowsAt(3, FREE_END)]);
  wall(words.lastWall, [3], [...rowsAt(3, WALL), ...gusset(2), ...gusset(3)]);
  const open = hand.pose;
  const opened = hand.remembered();
  step(words.lid, { view: 'space', arrows: SIDES.map((k) => ({ kind: 'push-in', grip: at(k, [0.2, 0.2]) })) }, () =>
    hand.collapse(four(TWISTED), centre),
  );
  const tuck = (said: StepWords, tips: readonly number[]): void =>
    step(said, { view: 'space', creases: ['tip'], arrows: tips.map((k) => ({ kind: 'tuck', grip: corner(k) })) }, () =>
      hand.collapse(
        tips.flatMap((k) => rowsAt(k, TIPS)),
        centre,
        tips.flatMap((k) => deepSlot(frame, k, k + 1)),
      ),
    );
  tuck(words.firstTip, [0]);
  tuck(words.tips, [1, 2, 3]);
  const closed = hand.remembered();
  const tugs = SIDES.map((k) => ({ kind: 'pull-out' as const, grip: corner(k) }));
  use(CUBE_USE.opened, { view: 'space', arrows: tugs }, [closed, opened]);
  const pushes = SIDES.map((k) => ({ kind: 'push-in' as const, grip: at(k, [0.2, 0.2]) }));
  use(CUBE_USE.kept, { view: 'space', arrows: pushes }, [opened, closed]);
  return { steps, uses, finished: hand.pose, open };
}
