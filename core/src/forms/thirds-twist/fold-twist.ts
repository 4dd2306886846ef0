import * as z from 'zod';
import type { Alignment } from '../../folding/alignment';
import type { CreaseAngle } from '../../folding/collapse';
import { type CreaseRow, onParts, type SheetPart, turnedPart } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import { type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding } from '../form';
import { recordSteps } from '../record-steps';
import { TWIST_USE, twistWords } from './words';

export const thirdsTwistParams = z.object({
  /** How the thirds are found: with a ruler, by eye and set right, or by a crossing of two folds that divides exactly. */
  thirds: z.enum(['ruler', 'eye', 'folds']).default('ruler'),
});

export type ThirdsTwistParams = z.infer<typeof thirdsTwistParams>;

export const T = 1 / 3;

/** The moves of the letter. */
export function fold(hand: Hand, sheet: Sheet, { thirds }: ThirdsTwistParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const { through, onto, measured } = atHand(hand);
  const { steps, uses, step, use } = recordSteps(hand);
  const words = twistWords(thirds, side / 3, unit);
  /** A point of the sheet, turned by quarter turns about its middle. */
  const turned = (k: number, x: number, y: number): Point => turnedPart(([u, v]) => on(u, v), k, 1)([x, y]);

  const toMark = (p: Point, mark: string, near: Point): Alignment => ({
    kind: 'point-onto-point',
    point: hand.at(p),
    onto: hand.mark(mark, near),
  });
  if (thirds === 'folds')
    step(
      words.crossing,
      {
        creases: ['half', 'slant', 'diagonal'],
        arrows: [{ kind: 'fold-and-unfold', grip: on(0, 1), to: on(0.6, 0.2) }],
        landmarks: [{ point: on(T, T), name: 'a third' }],
      },
      () => {
        hand.pinch('half', onto(on(0, 0), on(1, 0)), { near: on(0.5, 0), lengthMm: side / 12 });
        hand.pinch(
          'slant',
          { kind: 'through-points', a: hand.at(on(0, 1)), b: hand.mark('half', on(0.5, 0)), moving: hand.at(on(0, 0)) },
          { near: on(T, T), lengthMm: side / 12 },
        );
        hand.pinch('diagonal', onto(on(1, 0), on(0, 1)), { near: on(T, T), lengthMm: side / 12 });
      },
    );
  // A guess is off by some e. What is left beside it, halved, is off by half of that the other way; halved again, by a quarter.
  if (thirds === 'eye')
    step(
      words.guess,
      {
        creases: ['guess', 'guess up', 'second', 'second up'],
        arrows: [
          { kind: 'fold-and-unfold', grip: on(1, 0), to: on(T, 0) },
          { kind: 'fold-and-unfold', grip: on(0, 1), to: on(0, T) },
        ],
        landmarks: [{ point: on(T, 0), name: 'guess' }],
      },
      () => {
        const lengthMm = side / 12;
        hand.pinch('guess', through(on(T, 0), on(T, 1), on(0, 0.5)), { near: on(T, 0), lengthMm });
        hand.pinch('guess up', through(on(0, T), on(1, T), on(0.5, 0)), { near: on(0, T), lengthMm });
        hand.pinch('second', toMark(on(1, 0), 'guess', on(T, 0)), { near: on(2 * T, 0), lengthMm });
        hand.pinch('second up', toMark(on(0, 1), 'guess up', on(0, T)), { near: on(0, 2 * T), lengthMm });
      },
    );
  /** The first third of each pair runs by the marks there are; the other one lays the opposite edge onto it. */
  const third = (
    name: string,
    [a, b]: readonly [Point, Point],
    corners: readonly [Point, Point],
    moving: Point,
    byEye: () => Alignment,
  ): void => {
    const marks = [
      { at: a, from: corners[0] },
      { at: b, from: corners[1] },
    ] as const;
    if (thirds === 'ruler') hand.valley(name, measured(name, marks, moving));
    else hand.valley(name, thirds === 'eye' ? byEye() : through(a, b, moving));
  };
  step(
    words.upright,
    {
      creases: ['left third', 'right third'],
      arrows: [
        { kind: 'fold-and-unfold', grip: on(0, 0.7) },
        { kind: 'fold-and-unfold', grip: on(1, 0.3) },
      ],
    },
    () => {
      third('left third', [on(T, 0), on(T, 1)], [on(0, 0), on(0, 1)], on(0, 0.5), () =>
        toMark(on(0, 0), 'second', on(2 * T, 0)),
      );
      third('right third', [on(1 - T, 0), on(1 - T, 1)], [on(1, 0), on(1, 1)], on(1, 0.5), () =>
        onto(on(1, 0), on(T, 0)),
      );
      hand.pause();
      hand.unfold('left third');
    },
  );
  step(
    words.across,
    {
      creases: ['bottom third', 'top third'],
      arrows: [
        { kind: 'fold-and-unfold', grip: on(0.3, 0) },
        { kind: 'fold-and-unfold', grip: on(0.7, 1) },
      ],
    },
    () => {
      third('bottom third', [on(0, T), on(1, T)], [on(0, 0), on(1, 0)], on(0.5, 0), () =>
        toMark(on(0, 0), 'second up', on(0, 2 * T)),
      );
      third('top third', [on(0, 1 - T), on(1, 1 - T)], [on(0, 1), on(1, 1)], on(0.5, 1), () =>
        onto(on(0, 1), on(0, T)),
      );
      hand.pause();
      hand.unfold('bottom third');
    },
  );
  step(
    words.corners,
    {
      creases: [0, 1, 2, 3].map((k) => `corner ${k + 1}`),
      arrows: [{ kind: 'fold-and-unfold', grip: on(1, 0), to: on(0, 1) }],
    },
    () => {
      for (const k of [0, 1, 2, 3]) {
        const [a, b] = k % 2 ? [on(0, 0), on(1, 1)] : [on(1, 0), on(0, 1)];
        hand.pinch(`corner ${k + 1}`, onto(a, b), { from: turned(k, 0, 0), to: turned(k, T, T) });
      }
    },
  );
  step(words.over, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(
    words.slants,
    {
      creases: [0, 1, 2, 3].map((k) => `slant ${k + 1}`),
      arrows: [{ kind: 'fold-and-unfold', grip: on(0, 0), to: turned(0, 2 * T, 2 * T) }],
    },
    () => {
      for (const k of [0, 1, 2, 3])
        hand.pinch(`slant ${k + 1}`, onto(turned(k, 0, 0), turned(k, 2 * T, 2 * T)), {
          from: turned(k, T, T),
          to: turned(k, 0, 2 * T),
        });
    },
  );
  step(words.back, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());

  const four = (rows: readonly CreaseRow[]): CreaseAngle[] =>
    onParts(
      [0, 1, 2, 3].map(
        (k): SheetPart =>
          ([x, y]) =>
            turned(k, x, y),
      ),
      rows,
    );
  const centre = on(0.5, 0.5);
  step(
    words.bowl,
    {
      view: 'space',
      creases: ['left third', 'right third', 'bottom third', 'top third'],
      arrows: [0, 1, 2, 3].map((k) => ({ kind: 'lift', grip: turned(k, 0.5, 0) })),
    },
    () =>
      hand.collapse(
        four([
          ['side', [T, T], [1 - T, T], 90],
          ['corner', [0, 0], [T, T], 180],
          ['outer', [T, T], [0, T], -45],
          ['outer', [T, T], [T, 0], -45],
        ]),
        centre,
      ),
  );
  step(
    words.twist,
    {
      view: 'space',
      creases: [0, 1, 2, 3].map((k) => `slant ${k + 1}`),
      arrows: [0, 2].map((k) => ({ kind: 'push-in', grip: turned(k, 0, 2 * T) })),
    },
    () =>
      hand.collapse(
        four([
          ['side', [T, T], [1 - T, T], 180],
          ['corner', [0, 0], [T, T], 180],
          ['slant', [T, T], [0, 2 * T], -180],
          ['outer', [T, T], [0, T], 0],
          ['outer', [T, T], [T, 0], 0],
        ]),
        centre,
      ),
  );
  const flat = hand.pose;
  const opened = hand.remembered();
  // Each corner square has become a vane that hinges on one side of the centre square and covers half of it.
  const vane = (k: number): Point => turned(k, 0.05, 0.02);
  for (const k of [0, 3, 2]) {
    const id = k === 0 ? 'vane1' : k === 3 ? 'vane2' : 'vane3';
    step(words[id], { creases: [id], arrows: [{ kind: 'fold', grip: turned(k, 0, 0) }] }, () =>
      hand.valley(id, through(turned(k, T, T), turned(k, T, 1 - T), vane(k)), { flap: vane(k) }),
    );
  }
  step(words.vane4, { creases: ['vane4'], arrows: [{ kind: 'tuck', grip: turned(1, 0, 0) }] }, () => {
    const [last, first] = [vane(1), vane(0)];
    hand.tuckAmong('vane4', through(turned(1, T, T), turned(1, T, 1 - T), last), { flap: last }, [
      { point: first, other: last, lies: 'under' },
    ]);
  });
  const closed = hand.remembered();
  use(TWIST_USE.opened, { arrows: [{ kind: 'pull-out', grip: turned(1, 0, 0) }] }, [closed, opened]);
  use(TWIST_USE.kept, { arrows: [0, 3, 2, 1].map((k) => ({ kind: 'fold', grip: turned(k, 0, 0) })) }, [opened, closed]);
  return { steps, uses, finished: hand.pose, flat };
}
