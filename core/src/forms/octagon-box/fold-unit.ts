import { onParts } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import type { Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand } from '../at-hand';
import type { Folding } from '../form';
import { recordSteps } from '../record-steps';
import { frameOf, Q, standing, type UnitKind } from './frame';
import { unitWords } from './words';

/** The moves of one unit of the base or the lid. */
export function foldUnit(hand: Hand, sheet: Sheet, kind: UnitKind): Folding {
  const { at } = frameOf(sheet);
  const words = unitWords(kind);
  const { onto, through, line } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const p = (u: number, v: number): Point => at([u, v]);
  const [north, east, south, west, centre] = [p(0, 1), p(1, 0), p(0, -1), p(-1, 0), p(0, 0)];
  const crease = (name: string, from: Point, target: Point, pause: boolean): void => {
    hand.valley(name, onto(from, target));
    if (pause) hand.pause();
    hand.unfold(name);
  };

  step(words.turn, { arrows: [{ kind: 'rotate', grip: p(0.5, 0.5) }] }, () => hand.rotate(45));
  step(
    words.diagonals,
    { creases: ['corner', 'wall'], arrows: [{ kind: 'fold-and-unfold', grip: east, to: west }] },
    () => {
      crease('corner', east, west, true);
      crease('wall', south, north, false);
    },
  );
  step(
    words.blintz,
    { creases: ['side'], arrows: [east, west].map((grip) => ({ kind: 'fold', grip, to: centre })) },
    () => {
      for (const tip of [east, west]) hand.valley('side', onto(tip, centre));
    },
  );
  const half = p(0.5, 0.5);
  step(words.kite, { creases: ['kite'], arrows: [{ kind: 'fold', grip: half }] }, () =>
    hand.valley('kite', {
      ...{ kind: 'point-onto-line', point: hand.at(half), onto: line(north, centre) },
      ...{ through: hand.at(north), near: hand.at(p(0, Q)) },
    }),
  );
  step(words.bottom, { creases: ['bottom'], arrows: [{ kind: 'fold', grip: south, to: half }] }, () =>
    hand.valley('bottom', onto(south, half)),
  );
  step(
    words.wall,
    { creases: ['wall'], arrows: [{ kind: 'fold-and-unfold', grip: p(0, -0.35), to: p(0, 0.35) }] },
    () => {
      hand.valley('wall', through(p(-0.4, 0), p(0.3, 0), p(0, -0.3)));
      hand.pause();
      hand.unfold('wall');
    },
  );
  step(
    words.half,
    { creases: ['corner'], arrows: [{ kind: 'fold-and-unfold', grip: p(-0.5, 0.2), to: p(0.3, 0.2) }] },
    () => {
      hand.valley('corner', through(p(0, 0.2), p(0, -0.2), p(-0.3, 0.2)));
      hand.pause();
      hand.unfold('corner');
    },
  );
  step(
    words.pleat,
    { creases: ['pleat'], arrows: [{ kind: 'fold-and-unfold', grip: p(-0.2, 0.2), to: p(0, 0.3) }] },
    () =>
      hand.pinch(
        'pleat',
        // The upright crease onto the raw edge of the left corner, which runs from the crossing.
        {
          kind: 'line-onto-line',
          line: line(centre, north),
          onto: line(centre, p(-0.5, 0.5)),
          moving: hand.at(p(0, 0.6)),
        },
        { from: centre, to: p(-Q, Math.SQRT1_2) },
        kind === 'base' ? 'behind' : 'over',
      ),
  );
  step(
    words.raise,
    { view: 'space', creases: ['wall', 'corner', 'pleat'], arrows: [{ kind: 'lift', grip: p(0, -0.35) }] },
    () => hand.collapse(onParts([at], standing(kind)), p(0.1, 0.5)),
  );
  return { steps, finished: hand.pose };
}
