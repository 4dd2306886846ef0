import type { CreaseAngle } from '../../folding/collapse';
import { type CreaseRow, onParts, type SheetPart } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import type { KnownLayers } from '../../folding/known-layers';
import type { ShownUnit } from '../../measure/format-length';
import type { Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand } from '../at-hand';
import type { Folding, StepArrow } from '../form';
import { recordSteps } from '../record-steps';
import { frameOf, halves, ridge, standing, stripIn, type TriangularPurseParams } from './frame';
import { purseWords } from './words';

/** The moves of the purse. */
export function fold(hand: Hand, sheet: Sheet, params: TriangularPurseParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { at, side, depth, strip, slant, leanDeg, p, d, q } = frame;
  const words = purseWords(frame, unit);
  const { onto, line } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const h = side / 2;
  const [front, back] = halves(frame);
  const centre = at([0, 0]);

  step(
    words.middle,
    { creases: ['middle'], arrows: [{ kind: 'fold-and-unfold', grip: at([-h, 0]), to: at([h, 0]) }] },
    () => {
      for (const y of [-h, h])
        hand.pinch('middle', onto(at([-h, y]), at([h, y])), { near: at([0, y]), lengthMm: 0.06 * side });
    },
  );
  step(
    words.quarters,
    { creases: ['quarter'], arrows: [-h, h].map((x) => ({ kind: 'fold-and-unfold', grip: at([x, 0]), to: centre })) },
    () => {
      for (const x of [-h, h]) {
        const mark = hand.mark('middle', at([0, -h]));
        hand.valley('quarter', { kind: 'point-onto-point', point: hand.at(at([x, -h])), onto: mark });
        if (x < 0) hand.pause();
        hand.unfold('quarter');
      }
    },
  );
  step(words.over, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(words.half, { creases: ['half'], arrows: [{ kind: 'fold', grip: at([0, -h]) }] }, () =>
    hand.valley('half', onto(at([0, -h]), at([0, h]))),
  );
  step(
    words.depth,
    { creases: ['base'], arrows: [{ kind: 'fold-and-unfold', grip: centre, to: at([0, -depth]) }] },
    () => {
      const mark = hand.measured('base', at([0, -depth]), centre);
      hand.valley('base', { kind: 'point-onto-point', point: hand.at(centre), onto: mark });
      hand.pause();
      hand.unfold('base');
    },
  );
  /** Pinches the slant of one quarter, its half's layer on top or underneath. */
  const slantOf = (part: SheetPart): void => {
    const [corner, crossing] = [part([h, 0]), part(p)];
    hand.pinch(
      'slant',
      {
        kind: 'point-onto-line',
        point: hand.at(corner),
        onto: line(crossing, part(q)),
        through: hand.at(crossing),
        near: hand.at(part(q)),
      },
      { from: crossing, to: part(d) },
    );
  };
  step(
    words.slants,
    { creases: ['slant'], arrows: front.map((part) => ({ kind: 'fold-and-unfold', grip: part([h, 0]), to: part(q) })) },
    () => {
      for (const part of [...front, ...back]) slantOf(part);
    },
  );
  step(
    words.again,
    { creases: ['base', 'slant'], arrows: [{ kind: 'fold-and-unfold', grip: at([0, h]), to: at([0, depth - h]) }] },
    () => {
      hand.unfold('half');
      hand.turnOver();
      hand.pause();
      hand.valley('base again', {
        kind: 'through-points',
        a: hand.at(back[0](p)),
        b: hand.at(back[1](p)),
        moving: hand.at(at([0, h])),
      });
      hand.pause();
      hand.unfold('base again');
      for (const part of back) slantOf(part);
    },
  );
  const rows = (parts: readonly SheetPart[], of: readonly CreaseRow[]): CreaseAngle[] => onParts(parts, of);
  const inSpace = (
    said: (typeof words)[keyof typeof words],
    arrows: readonly StepArrow[],
    creases: readonly string[],
    moves: () => void,
  ): void => step(said, { view: 'space', creases, arrows }, moves);
  inSpace(
    words.ends,
    front.map((part) => ({ kind: 'push-in', grip: part([h, 0]) })),
    ['base', 'end', 'end side', 'slant'],
    () => hand.collapse(rows([...front, ...back], standing(frame, 'out')), centre),
  );
  const flaps = (parts: readonly SheetPart[]): CreaseAngle[] => rows(parts, standing(frame, 'over'));
  const sideFlap = (part: SheetPart): StepArrow => ({ kind: 'fold', grip: part([h, (q[1] + d[1]) / 2]) });
  inSpace(words.frontFlaps, front.map(sideFlap), ['quarter'], () => hand.collapse(flaps(front), centre));
  inSpace(words.backFlaps, back.map(sideFlap), ['quarter'], () => hand.collapse(flaps(back), centre));

  /** The flap of a wall lies beneath its two side triangles. */
  const tucked = (parts: readonly SheetPart[]): KnownLayers[] =>
    parts.map((part) => ({
      point: part([h - 0.05 * side, 0.1 * slant]),
      other: part([q[0] - 0.03 * side, q[1] + 0.03 * depth]),
      lies: 'on its white side',
    }));
  const top = (parts: readonly SheetPart[]): Point => parts[0]([0, h - strip / 2]);
  const closed = (parts: readonly SheetPart[]): void =>
    hand.collapse(rows(parts, ridge(frame, 180)), centre, tucked(parts));
  inSpace(
    words.ridge,
    [{ kind: 'fold-and-unfold', grip: top(front), to: front[0]([0, q[1] - depth / 2]) }],
    ['ridge'],
    () => {
      hand.collapse(rows(front, ridge(frame, 180)), centre);
      hand.pause();
      hand.collapse(rows(front, ridge(frame, leanDeg)), centre);
    },
  );
  if (strip)
    inSpace(words.strip, [{ kind: 'fold', grip: front[0]([0, h]) }], ['strip'], () =>
      hand.collapse(rows(front, stripIn(frame)), centre),
    );
  inSpace(words.tuck, [{ kind: 'tuck', grip: top(front) }], ['ridge'], () => closed(front));
  inSpace(words.backRidge, [{ kind: 'tuck', grip: top(back) }], strip ? ['strip', 'ridge'] : ['ridge'], () => {
    if (strip) {
      hand.collapse(rows(back, stripIn(frame)), centre);
      hand.pause();
    }
    closed(back);
  });
  const finished = hand.pose;
  inSpace(
    words.fill,
    front.map((part) => ({ kind: 'push-in', grip: part([q[0], 0]) })),
    [],
    () => undefined,
  );
  inSpace(words.away, [{ kind: 'push-in', grip: front[0]([q[0], 0]) }], [], () => undefined);
  return { steps, finished };
}
