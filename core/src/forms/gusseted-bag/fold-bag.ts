import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import { point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, type RulerMark } from '../at-hand';
import type { Folding, StepArrow } from '../form';
import { recordSteps } from '../record-steps';
import { BAG_USE, bagWords } from './words';
import { type CreaseRow } from '../../folding/crease-rows';
import { type BagParams, frameOf, onEdges, pleatsOf, refusePleats } from './frame';

/** The moves of the bag. */
export function fold(hand: Hand, sheet: Sheet, params: BagParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { width, height, o, f, q, d, a, l, x1, x2 } = frame;
  refusePleats(params, frame);
  const { pleatMm, top, join } = params;
  const pleats = pleatsOf(params, a);
  const words = bagWords({ seamMm: o, foldUpMm: f, lapMm: q, flapMm: l, pleatMm, pleats, top, join }, unit);
  const { steps, uses, step, use } = recordSteps(hand);
  const { through, measured } = atHand(hand);
  const mid = width / 2;
  const back = point(mid, 0.6 * height);
  const seamEdge = -x1;
  /** The back from edge to edge: its creases are mirror images of themselves. */
  const whole = x2 - x1;

  step(
    words.middle,
    { creases: ['middle'], arrows: [{ kind: 'fold-and-unfold', grip: point(width, 0), to: point(0, 0) }] },
    () =>
      hand.pinch(
        'middle',
        { kind: 'point-onto-point', point: hand.at(point(width, 0)), onto: hand.at(point(0, 0)) },
        { near: point(mid, 0), lengthMm: 0.06 * width },
      ),
  );
  step(words.right, { creases: ['right side'], arrows: [{ kind: 'fold', grip: point(width, height / 2) }] }, () => {
    const lands = hand.measured('right side', point(mid - o / 2, 0), point(mid, 0));
    hand.valley('right side', { kind: 'point-onto-point', point: hand.at(point(width, 0)), onto: lands });
  });
  step(words.left, { creases: ['left side'], arrows: [{ kind: 'fold', grip: point(0, height / 2) }] }, () => {
    const lands = hand.measured('left side', point(mid + o / 2, 0), point(mid, 0));
    hand.valley('left side', { kind: 'point-onto-point', point: hand.at(point(0, 0)), onto: lands });
    hand[join](point(o / 2, 0.7 * height), point(width - o / 2, 0.7 * height));
  });
  step(words.bottom, { creases: ['bottom'], arrows: [{ kind: 'fold-and-unfold', grip: point(mid, 0) }] }, () => {
    const marks = [x1, x2].map((x) => ({ at: point(x, f), from: point(x, 0) })) as [RulerMark, RulerMark];
    hand.valley('bottom', measured('bottom', marks, point(mid, 0)));
    hand.pause();
    hand.unfold('bottom');
  });
  const diagonals: readonly CreaseRow[] = [
    ['corner', [0, f], [-f, 0], 180],
    ['corner', [0, f], [f, 0], 180],
  ];
  step(
    words.squash,
    { creases: ['bottom', 'corner'], arrows: [x1, x2].map((x) => ({ kind: 'push-in', grip: point(x, 0) })) },
    () =>
      hand.collapse(
        onEdges(frame, [
          ...diagonals,
          ['left side', [0, 0], [0, f], 0],
          ['bottom', [seamEdge, f], [0, f], -180],
          ['bottom', [0, f], [whole, f], 0],
        ]),
        back,
      ),
  );
  const flap = (s: 1 | -1): CreaseRow[] => [
    ['base flap', [(s * d) / 2, l], [s > 0 ? whole - d / 2 : seamEdge, l], 180],
    ['base flap end', [(s * d) / 2, 0], [(s * d) / 2, l], -180],
  ];
  step(words.upperFlap, { creases: ['base flap'], arrows: [{ kind: 'fold', grip: point(0.25 * x1, 0) }] }, () => {
    hand.measured('base flap', point(0.25 * x1, l), point(0.25 * x1, 0));
    hand.collapse(onEdges(frame, flap(-1)), back);
  });
  step(words.lowerFlap, { creases: ['base flap'], arrows: [{ kind: 'fold', grip: point(mid, 0) }] }, () => {
    hand.measured('base flap', point(mid, l), point(mid, 0));
    hand.collapse(onEdges(frame, flap(1)), back);
    // In the middle, clear of the folded corners.
    hand[join](point(o / 2, q / 2), point(mid, q / 2));
  });
  step(
    words.sides,
    {
      creases: ['right gusset', 'left gusset'],
      arrows: [point(x2, 0.7 * height), point(x1, 0.7 * height)].map((grip) => ({ kind: 'fold-and-unfold', grip })),
    },
    () => {
      for (const [name, x, s] of [
        ['right gusset', x2, -1],
        ['left gusset', x1, 1],
      ] as const) {
        const at = x + (s * d) / 2;
        hand.valley(
          name,
          through(point(at, 0.6 * height), point(at, 0.9 * height), point(x + (s * d) / 8, 0.7 * height)),
        );
        if (s < 0) hand.pause();
        hand.unfold(name);
      }
    },
  );
  const standing: readonly CreaseRow[] = [
    ['left gusset', [-d / 2, l], [-d / 2, height], 90],
    ['left gusset', [d / 2, l], [d / 2, height], 90],
    ['left side', [0, f], [0, height], 0],
    ['bottom', [seamEdge, f], [0, f], 0],
    ['corner', [0, f], [-d / 2, l], 0],
    ['corner', [0, f], [d / 2, l], 0],
    ['base flap', [seamEdge, l], [-d / 2, l], 90],
    ['base flap', [-d / 2, l], [d / 2, l], 90],
    ['base flap', [d / 2, l], [whole - d / 2, l], 90],
  ];
  const base = point(mid, q / 4);
  step(
    words.open,
    { view: 'space', arrows: [x1, x2].map((x) => ({ kind: 'pull-out', grip: point(x, 0.7 * height) })) },
    () => {
      hand.collapse(onEdges(frame, standing), base);
      hand.turnOver();
    },
  );
  const finished = hand.pose;
  const stood = hand.remembered();
  const pressed: readonly CreaseRow[] = [
    ['left gusset', [-d / 2, l], [-d / 2, height], 180],
    ['left gusset', [d / 2, l], [d / 2, height], 180],
    ['left side', [0, f], [0, height], -180],
    ['bottom', [seamEdge, f], [-d / 2, f], -180],
    ['bottom', [-d / 2, f], [0, f], 180],
    ['corner', [0, f], [-d / 2, l], -180],
    ['corner', [0, f], [d / 2, l], -180],
    ['base flap', [seamEdge, l], [-d / 2, l], 180],
    ['base flap', [-d / 2, l], [d / 2, l], 180],
    ['base flap', [d / 2, l], [whole - d / 2, l], 180],
  ];
  step(
    words.flat,
    { view: 'space', arrows: [x1, x2].map((x) => ({ kind: 'push-in', grip: point(x, 0.6 * height) })) },
    () => {
      hand.collapse(onEdges(frame, pressed), base);
    },
  );
  let flat = hand.pose;
  if (pleats > 0)
    step(words.pleats, { creases: ['pleat'], arrows: [{ kind: 'fold-behind', grip: point(mid, height) }] }, () => {
      for (let j = 1; j <= pleats; j++) {
        const y = height - j * pleatMm;
        const marks = [-0.1, 0.1].map((share) => ({
          at: point(mid + share * whole, y),
          from: point(mid + share * whole, y + pleatMm),
        })) as [RulerMark, RulerMark];
        const line = measured('pleat', marks, point(mid, y + 0.9 * pleatMm));
        if (j % 2) hand.mountain('pleat', line);
        else hand.valley('pleat', line);
        if (j === 1) hand.pause();
      }
      flat = hand.pose;
    });
  const kept = hand.remembered();
  const sides = (kind: 'pull-out' | 'push-in'): StepArrow[] =>
    [x1, x2].map((x) => ({ kind, grip: point(x, 0.65 * height) }));
  // Pleats are opened and closed again by their own step.
  if (!pleats) use(BAG_USE.setUp, { view: 'space', arrows: sides('pull-out') }, [kept, stood]);
  use(BAG_USE.emptied, { view: 'space', arrows: sides('push-in') }, pleats ? undefined : [stood, kept]);
  return { steps, uses, finished, flat, open: finished };
}
