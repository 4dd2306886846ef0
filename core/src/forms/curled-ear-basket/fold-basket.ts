import { onParts } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import { between, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding } from '../form';
import { recordSteps } from '../record-steps';
import { type CurledEarBasketParams, frameOf, pinched, raised, rolled, sideIn, SIDES } from './frame';
import { basketWords } from './words';

/** The first quarter mark of a side. */
const quarterMark = (k: number): string => `quarter ${k}`;

/** The moves of the basket. */
export function fold(hand: Hand, sheet: Sheet, params: CurledEarBasketParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { turns, side, base, h, c } = frame;
  const { on } = squareFrame(sheet);
  const { gusset, mirror, rodMm, baseMm } = params;
  const words = basketWords({ lineMm: baseMm === null ? null : c, baseMm: base, rodMm, mirror, gusset }, unit);
  const { onto, through, edgeOnto, line } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const at = (k: number, x: number, y: number): Point => turns[k % 4]([x, y]);
  const centre = on(0.5, 0.5);
  const pinch = (name: string, k: number, from: number, to: number): void =>
    hand.pinch(name, onto(at(k, from, 0), at(k, to, 0)), {
      near: at(k, (from + to) / 2, 0),
      lengthMm: 0.05 * side,
    });

  if (baseMm === null) {
    step(
      words.middles,
      { creases: ['middle'], arrows: [{ kind: 'fold-and-unfold', grip: at(0, side, 0), to: at(0, 0, 0) }] },
      () => SIDES.forEach((k) => pinch('middle', k, 0, side)),
    );
    step(
      words.quarters,
      {
        creases: ['quarter', ...SIDES.map(quarterMark)],
        arrows: [{ kind: 'fold-and-unfold', grip: at(0, side, 0), to: at(0, side / 2, 0) }],
      },
      () =>
        SIDES.forEach((k) => {
          pinch(quarterMark(k), k, 0, side / 2);
          pinch('quarter', k, side, side / 2);
        }),
    );
  }
  step(
    words.lines,
    {
      creases: ['base'],
      arrows: [{ kind: 'fold-and-unfold', grip: at(0, side / 2, 0), to: at(0, side / 2, 2 * c) }],
    },
    () => {
      for (const k of SIDES) {
        if (baseMm === null) {
          // The edge onto the far quarter mark of the edge beside it.
          const mark = hand.mark(quarterMark((k + 3) % 4), at(k, 0, 2 * c));
          hand.valley('base', { kind: 'point-onto-point', point: hand.at(at(k, 0, 0)), onto: mark });
        } else {
          const [a, b] = [0, side].map((x) => hand.measured('base', at(k, x, c), at(k, x, 0)));
          hand.valley('base', { kind: 'through-points', a, b, moving: hand.at(at(k, side / 2, 0)) });
        }
        if (k === 0) hand.pause();
        hand.unfold('base');
      }
    },
  );
  step(
    words.diagonals,
    {
      creases: ['diagonal'],
      arrows: SIDES.map((k) => ({ kind: 'fold-and-unfold', grip: at(k, 0, 0), to: at(k, c, c) })),
    },
    () => {
      for (const k of SIDES)
        hand.pinch('diagonal', through(at(k, 0, 0), at(k, c, c), at(k, c, 0)), {
          from: at(k, 0, 0),
          to: at(k, 0.98 * c, 0.98 * c),
        });
    },
  );
  step(
    words.strips,
    {
      creases: ['rim'],
      arrows: SIDES.map((k) => ({ kind: 'fold-and-unfold', grip: at(k, side / 2, 0), to: at(k, side / 2, c) })),
    },
    () => {
      for (const k of SIDES) {
        hand.valley(
          'rim',
          edgeOnto([at(k, 0, 0), at(k, side, 0)], line(at(k, c, c), at(k, side - c, c)), at(k, side / 2, 0)),
        );
        if (k === 0) hand.pause();
        hand.unfold('rim');
      }
    },
  );
  const rows = (k: number, of: Parameters<typeof onParts>[1]) => onParts([turns[k % 4]], of);
  step(
    words.firstCorner,
    {
      creases: ['rim', 'ear', 'arm'],
      arrows: [
        { kind: 'fold', grip: at(0, side / 2, 0) },
        { kind: 'fold', grip: at(0, 0, side / 2) },
      ],
    },
    () => {
      // Both sides at once, each straight on at its other end; the corner between them becomes the flap.
      hand.collapse(
        [...rows(0, sideIn(frame, 0, 180)), ...rows(3, sideIn(frame, 180, 0)), ...rows(0, pinched(frame))],
        centre,
      );
    },
  );
  step(
    words.corners,
    { creases: ['rim', 'ear', 'arm'], arrows: [1, 2].map((k) => ({ kind: 'fold', grip: at(k, side / 2, 0) })) },
    () => {
      hand.collapse(
        [...rows(0, sideIn(frame, 0, 0)), ...rows(1, sideIn(frame, 0, 180)), ...rows(1, pinched(frame))],
        centre,
      );
      hand.pause();
      // The last side lies over the far one's end, from beneath which its ear is pulled out.
      hand.collapse(
        [
          ...rows(1, sideIn(frame, 0, 0)),
          ...rows(2, sideIn(frame, 0, 180)),
          ...rows(3, sideIn(frame, -180, 0)),
          ...rows(2, pinched(frame)),
        ],
        centre,
      );
      hand.pause();
      hand.collapse(
        [...rows(2, sideIn(frame, 0, 0)), ...rows(3, sideIn(frame, 0, 0)), ...rows(3, pinched(frame))],
        centre,
      );
    },
  );
  const flat = hand.pose;
  step(
    words.firstWall,
    { view: 'space', creases: ['base'], arrows: [{ kind: 'lift', grip: at(0, side / 2, h) }] },
    () => {
      const [left, right] = [c, side - c].map((x) => hand.at(at(0, x, c)));
      // Past both ends of the base, to where the pinwheel ends.
      const [from, to] = [between(left, right, -c / base), between(right, left, -c / base)];
      hand.stand([], [{ from, to, angleDeg: 90, except: [], name: 'base' }], centre);
    },
  );
  step(
    words.walls,
    {
      view: 'space',
      creases: ['base', 'gusset', 'wall'],
      arrows: [1, 2, 3].map((k) => ({ kind: 'lift', grip: at(k, side / 2, h) })),
    },
    () => hand.collapse(onParts(turns, raised(frame, gusset)), centre),
  );
  step(words.roll, { view: 'space', arrows: SIDES.map((k) => ({ kind: 'fold-behind', grip: at(k, 0, 0) })) }, () =>
    hand.collapse(onParts(turns, rolled(frame, rodMm, gusset)), centre),
  );
  const finished = hand.pose;
  step(words.fill, { view: 'space', arrows: [{ kind: 'push-in', grip: centre }] }, () => undefined);
  return { steps, finished, flat };
}
