import * as z from 'zod';
import { type CreaseRow, onParts, type Place, type SheetPart, turnedPart } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import { type Point, point } from '../../measure/point';
import { extentOf } from '../../pattern/crease-pattern';
import type { Sheet } from '../../paper/sheet';
import { atHand } from '../at-hand';
import type { Folding } from '../form';
import { recordSteps } from '../record-steps';
import { pouchWords } from './words';

export const twistPouchParams = z.object({
  /** To which side all pleats are laid, seen from the coloured side. */
  mirror: z.enum(['right', 'left']).default('right'),
});

export type TwistPouchParams = z.infer<typeof twistPouchParams>;

export const QUARTERS = [0, 1, 2, 3] as const;
const T = 1 / Math.sqrt(3);
/** Corners of the base on the near middle line and on the diagonals beside it, as seen from the coloured side, in sides. */
export const A: Place = [1 / 2, T / 2];
const K = (Math.sqrt(3) - 1) / 2;
export const D0: Place = [K, K];
const D1: Place = [1 - K, K];
const STUB = 2 - Math.sqrt(3);

/** Signs as seen from the white side; the work is done from the coloured side, where they are the other way round. */
const SIDE_EAR: readonly CreaseRow[] = [
  ['slant', A, [0, T], -180],
  ['slant', A, [1, T], -180],
  ['middle', A, [1 / 2, 0], 180],
  ['slant', A, [1, 0], -180],
];
const CORNER_EAR: readonly CreaseRow[] = [
  ['slant', D0, [1, 0], -180],
  ['slant', D0, [0, 1], -180],
  ['diagonal', D0, [0, 0], 180],
  ['stub', D0, [STUB, 0], -180],
];
const TWISTED: readonly CreaseRow[] = [
  ['base', D0, A, -180],
  ['base', A, D1, -180],
  ['middle', A, [1 / 2, 0], -180],
  ['slant', A, [1, 0], 180],
  ['diagonal', D0, [0, 0], -180],
  ['stub', D0, [STUB, 0], 180],
];

const opened = (rows: readonly CreaseRow[]): CreaseRow[] => rows.map(([name, from, to]) => [name, from, to, 0]);

/** Where a quarter of the sheet lies as it is seen from the coloured side, pleats to the right. */
export function quarterOf(sheet: Sheet, { mirror }: TwistPouchParams, k: number): SheetPart {
  const side = extentOf(sheet.outline);
  const first: SheetPart = ([u, v]) => point(side * (mirror === 'right' ? 1 - u : u), side * v);
  return turnedPart(first, k, 1);
}

/** The moves of the pouch. */
export function fold(hand: Hand, sheet: Sheet, params: TwistPouchParams): Folding {
  const words = pouchWords(params.mirror);
  const parts = QUARTERS.map((k) => quarterOf(sheet, params, k));
  const [near] = parts;
  const at = (u: number, v: number): Point => near([u, v]);
  const centre = at(0.5, 0.5);
  const { onto, line, edgeOnto } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const crease = (name: string, p: Point, target: Point, pause: boolean): void => {
    hand.valley(name, onto(p, target));
    if (pause) hand.pause();
    hand.unfold(name);
  };

  step(words.over, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(
    words.diagonals,
    { creases: ['diagonal'], arrows: [{ kind: 'fold-and-unfold', grip: at(0, 0), to: at(1, 1) }] },
    () => {
      crease('diagonal', at(0, 0), at(1, 1), true);
      crease('diagonal', at(1, 0), at(0, 1), false);
    },
  );
  step(
    words.middles,
    { creases: ['middle'], arrows: [{ kind: 'fold-and-unfold', grip: at(0.5, 0), to: at(0.5, 1) }] },
    () => {
      crease('middle', at(0.5, 0), at(0.5, 1), true);
      crease('middle', at(0, 0.5), at(1, 0.5), false);
    },
  );
  /** From a corner, the next one swung up to the middle line between them. */
  const lowSlant = (part: SheetPart, pause: boolean): void => {
    hand.valley('slant', {
      kind: 'point-onto-line',
      point: hand.at(part([1, 0])),
      onto: line(part([0.5, 0]), part([0.5, 1])),
      through: hand.at(part([0, 0])),
      near: hand.at(part([0.5, 1])),
    });
    if (pause) hand.pause();
    hand.unfold('slant');
  };
  /** From a corner, its other edge laid on that crease. */
  const highSlant = (part: SheetPart, pause: boolean): void => {
    hand.valley('slant', edgeOnto([part([0, 0]), part([0, 1])], line(part([0, 0]), part([1, T])), part([0, 1])));
    if (pause) hand.pause();
    hand.unfold('slant');
  };
  const slants = [
    ['low', lowSlant, [1, 0], [0.5, Math.sqrt(3) / 2]],
    ['high', highSlant, [0, 1], [Math.sqrt(3) / 2, 0.5]],
  ] as const;
  for (const [which, made, grip, to] of slants) {
    step(
      words[`${which}Slant`],
      { creases: ['slant'], arrows: [{ kind: 'fold-and-unfold', grip: near(grip), to: near(to) }] },
      () => made(near, true),
    );
    step(
      words[`${which}Slants`],
      {
        creases: ['slant'],
        arrows: parts.slice(1).map((part) => ({ kind: 'fold-and-unfold', grip: part(grip), to: part(to) })),
      },
      () => parts.slice(1).forEach((part) => made(part, false)),
    );
  }
  const ears = [
    ['side', SIDE_EAR, [0.5, 0], [1, 0]],
    ['corner', CORNER_EAR, [0, 0], [STUB, 0]],
  ] as const;
  for (const [which, rows, grip, to] of ears) {
    const ear = (some: readonly SheetPart[]): void => {
      for (const part of some) {
        hand.collapse(onParts([part], rows), centre);
        hand.pause();
        hand.collapse(onParts([part], opened(rows)), centre);
      }
    };
    const arrows = (some: readonly SheetPart[]) =>
      some.map((part) => ({ kind: 'fold-and-unfold' as const, grip: part(grip), to: part(to) }));
    step(words[`${which}Ear`], { creases: ['slant', 'stub'], arrows: arrows([near]) }, () => ear([near]));
    step(words[`${which}Ears`], { creases: ['slant', 'stub'], arrows: arrows(parts.slice(1)) }, () =>
      ear(parts.slice(1)),
    );
  }
  step(
    words.directions,
    { creases: ['slant', 'stub'], arrows: parts.map((part) => ({ kind: 'fold-and-unfold', grip: part([1, 0]) })) },
    () => undefined,
  );
  step(
    words.twist,
    {
      creases: ['base', 'middle', 'diagonal'],
      arrows: parts.map((part) => ({ kind: 'push-in', grip: part([0.5, 0]) })),
    },
    () => hand.collapse(onParts(parts, TWISTED), centre),
  );
  const finished = hand.pose;
  step(words.open, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(words.close, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  return { steps, finished };
}
