import type { Alignment } from '../../folding/alignment';
import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import { type Point, reflect } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, type RulerMark, squareFrame } from '../at-hand';
import type { Folding } from '../form';
import { recordSteps } from '../record-steps';
import { TUCK_USE, tuckFlapWords } from './words';
import { sharesOf, type TuckFlapParams } from './shares';

/** The moves of the envelope. */
export function fold(hand: Hand, sheet: Sheet, params: TuckFlapParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const { c, p } = sharesOf(side, params);
  const measured = params.hemMm !== null || params.sideMm !== null;
  const words = tuckFlapWords(
    measured ? { hemMm: c * side, pocketMm: p * side, flapMm: (0.5 - c) * side } : null,
    params.marks,
    unit,
  );
  const { steps, uses, step, use } = recordSteps(hand);
  const { measured: byRuler, onto, edgeOnto, line } = atHand(hand);
  /** A level crease through marks on both side edges, each as far up from another level. */
  const level = (name: string, y: number, from: number, moving: Point): Alignment =>
    byRuler(name, [0, 1].map((x) => ({ at: on(x, y), from: on(x, from) })) as [RulerMark, RulerMark], moving);
  const [bottom, flapAt] = [c + p, 0.5 + p];
  const pinch = (name: string, x: number, target: Point, y: number): void =>
    hand.pinch(
      name,
      { kind: 'point-onto-point', point: hand.at(on(x, 0)), onto: target },
      params.marks === 'pinched' ? { near: on(x, y), lengthMm: 0.07 * side } : { from: on(x, y), to: on(0.5, y) },
    );

  if (!measured) {
    step(
      words.half,
      { creases: ['half left', 'half right'], arrows: [{ kind: 'fold-and-unfold', grip: on(0.5, 0), to: on(0.5, 1) }] },
      () => {
        pinch('half left', 0, hand.at(on(0, 1)), 0.5);
        pinch('half right', 1, hand.at(on(1, 1)), 0.5);
      },
    );
    step(
      words.quarter,
      {
        creases: ['quarter left', 'quarter right'],
        arrows: [{ kind: 'fold-and-unfold', grip: on(0.5, 0), to: on(0.5, 0.5) }],
      },
      () => {
        pinch('quarter left', 0, hand.mark('half left', on(0, 0.5)), 0.25);
        pinch('quarter right', 1, hand.mark('half right', on(1, 0.5)), 0.25);
      },
    );
  }
  step(words.hem, { creases: ['hem'], arrows: [{ kind: 'fold', grip: on(0.5, 0) }] }, () =>
    hand.valley(
      'hem',
      measured
        ? level('hem', c, 0, on(0.5, 0))
        : edgeOnto(
            [on(0, 0), on(1, 0)],
            { at: hand.mark('quarter left', on(0, 0.25)), along: { x: 1, y: 0 } },
            on(0.5, 0),
          ),
    ),
  );
  step(words.pocket, { creases: ['bottom'], arrows: [{ kind: 'fold', grip: on(0.5, c) }] }, () =>
    hand.valley(
      'bottom',
      measured
        ? level('bottom', bottom, c, on(0.5, c))
        : {
            kind: 'line-onto-line',
            line: hand.crease('hem'),
            onto: { at: hand.mark('half left', on(0, 0.5)), along: { x: 1, y: 0 } },
            moving: hand.at(on(0.5, c)),
          },
    ),
  );
  step(words.flapCrease, { creases: ['flap'], arrows: [{ kind: 'fold-and-unfold', grip: on(0.5, 1) }] }, () => {
    hand.valley(
      'flap',
      measured
        ? level('flap', flapAt, bottom, on(0.5, 1))
        : {
            kind: 'line-onto-line',
            line: line(on(0, 1), on(1, 1)),
            // The quarter pinch has come to lie on the pocket's front.
            onto: { at: hand.mark('quarter left', on(0, 0.25)), along: { x: 1, y: 0 } },
            moving: hand.at(on(0.5, 1)),
          },
    );
    hand.pause();
    hand.unfold('flap');
  });
  for (const [x, name] of [
    [0, 'left'],
    [1, 'right'],
  ] as const)
    step(words[`${name}Corner`], { creases: [`${name} corner`], arrows: [{ kind: 'fold', grip: on(x, bottom) }] }, () =>
      hand.valley(`${name} corner`, {
        kind: 'point-onto-line',
        point: hand.at(on(x, bottom)),
        onto: line(on(0.2, c), on(0.8, c)),
        through: hand.at(on(x, c)),
        near: hand.at(on(0.5, c)),
      }),
    );
  const sideOver = (x: 0 | 1, name: string): void =>
    hand.valley(`${name} side`, {
      kind: 'perpendicular',
      to: line(on(0.4, bottom), on(0.6, bottom)),
      through: hand.at(on(x === 0 ? p : 1 - p, bottom)),
      moving: hand.at(on(x, 0.8)),
    });
  const top = (x: 0 | 1, name: string): void =>
    hand.valley(`${name} top`, onto(on(x === 0 ? p : 1 - p, 1), on(0.5, flapAt)));
  step(words.left, { creases: ['left side'], arrows: [{ kind: 'fold', grip: on(0, 0.8) }] }, () => sideOver(0, 'left'));
  step(words.right, { creases: ['right side'], arrows: [{ kind: 'fold', grip: on(1, 0.8) }] }, () =>
    sideOver(1, 'right'),
  );
  step(words.leftTop, { creases: ['left top'], arrows: [{ kind: 'fold', grip: on(p, 1) }] }, () => top(0, 'left'));
  step(words.rightTop, { creases: ['right top'], arrows: [{ kind: 'fold', grip: on(1 - p, 1) }] }, () =>
    top(1, 'right'),
  );
  let open = hand.pose;
  let opened = hand.remembered();
  step(
    words.fill,
    {
      creases: ['left side', 'right side'],
      arrows: [
        { kind: 'unfold', grip: on(0, 0.8) },
        { kind: 'unfold', grip: on(1, 0.8) },
      ],
    },
    () => {
      hand.unfold('left side');
      open = hand.pose;
      opened = hand.remembered();
      hand.pause();
      sideOver(0, 'left');
      sideOver(1, 'right');
      top(0, 'left');
      top(1, 'right');
    },
  );
  step(words.tuck, { creases: ['flap'], arrows: [{ kind: 'tuck', grip: on(0.5, 1) }] }, () =>
    hand.rework({
      creases: [{ from: on(0, flapAt), to: on(1, flapAt), name: 'flap' }],
      lands: [{ point: on(0.5, 1), at: reflect(line(on(p, flapAt), on(1 - p, flapAt)), hand.at(on(0.5, 1))) }],
      stays: on(0.5, 0.5),
      // The tip goes behind the pocket's front and before its back.
      known: [
        { point: on(0.5, 1 - 1e-3), other: on(0.5, c + 1e-3), lies: 'over' },
        { point: on(0.5, 1 - 1e-3), other: on(0.5, 0.5), lies: 'under' },
      ],
    }),
  );
  const closed = hand.remembered();
  use(TUCK_USE.opened, { arrows: [{ kind: 'pull-out', grip: on(0.5, 1) }] }, [closed, opened]);
  use(TUCK_USE.kept, { arrows: [{ kind: 'tuck', grip: on(0.5, 1) }] }, [opened, closed]);
  return { steps, uses, finished: hand.pose, open };
}
