import * as z from 'zod';
import type { Hand } from '../../folding/hand';
import { flatExtent } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import type { ShownUnit } from '../../measure/format-length';
import { distance, type Point, reflect } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, Form, SheetSize } from '../form';
import { choice } from '../choice';
import { POCKET } from '../../rooms/pocket';
import { recordSteps } from '../record-steps';
import { tuckFlapWords } from './words';

export const tuckFlapParams = z.object({
  /** Width of the hem, which is how deep the flap tucks, in mm; null for an eighth of the sheet. */
  hemMm: z.number().positive().nullable().default(null),
  /** Width of each side fold, which is the height of the pocket's front, in mm; null for three sixteenths. */
  sideMm: z.number().positive().nullable().default(null),
  /** Marks found by folding: pinched at the edges only, or creased all the way. */
  marks: z.enum(['pinched', 'creased']).default('pinched'),
});

export type TuckFlapParams = z.infer<typeof tuckFlapParams>;

interface Shares {
  /** Hem, and side, as shares of the sheet. */
  readonly c: number;
  readonly p: number;
}

/** @throws RangeError when hem and side do not go together */
function sharesOf(side: number, { hemMm, sideMm }: TuckFlapParams): Shares {
  const c = hemMm === null ? 1 / 8 : hemMm / side;
  const p = sideMm === null ? 3 / 16 : sideMm / side;
  const slack = 1e-9;
  const refuse = (why: string): never => {
    throw new RangeError(`Hem ${(c * side).toFixed(1)} mm and sides ${(p * side).toFixed(1)} mm: ${why}`);
  };
  if (c < 1 / 16 - slack) refuse('a hem under a sixteenth of the sheet does not hold the flap.');
  if (c > p + slack) refuse('the hem must not be wider than the sides, or its raw edge shows at the bottom.');
  if (p > 1 / 4 + slack) refuse('sides over a quarter of the sheet close the pocket.');
  if (2 * c > 1 - 4 * p + slack)
    refuse('the flap would be wider than the gap between the sides; make one of them smaller.');
  return { c, p };
}

function fold(hand: Hand, sheet: Sheet, params: TuckFlapParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const { c, p } = sharesOf(side, params);
  const measured = params.hemMm !== null || params.sideMm !== null;
  const words = tuckFlapWords(
    measured ? { hemMm: c * side, bottomMm: (c + p) * side, flapMm: (0.5 + p) * side } : null,
    params.marks,
    unit,
  );
  const { steps, step } = recordSteps(hand);
  const { through, onto, edgeOnto, line } = atHand(hand);
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
        ? through(on(0, c), on(1, c), on(0.5, 0))
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
        ? through(on(0, bottom), on(1, bottom), on(0.5, c))
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
        ? through(on(0, flapAt), on(1, flapAt), on(0.5, 1))
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
  return { steps, finished: hand.pose, open };
}

const lengthRange =
  (least: number, most: (other: number) => number, other: string, otherShare: number) =>
  ({ widthMm }: SheetSize, params: Readonly<Record<string, unknown>>): readonly [number, number] => {
    const given = params[other];
    const share = typeof given === 'number' ? given / widthMm : otherShare;
    return [least * widthMm, most(share) * widthMm];
  };

/** An envelope that closes itself: the flap's tip slides behind a hemmed pocket. */
export const tuckFlapEnvelope: Form<TuckFlapParams> = {
  id: 'tuck-flap-envelope',
  name: 'Tuck-flap envelope',
  family: 'envelopes and wraps',
  use: 'A note, spare buttons on a card, a repair ticket: closed without glue, opened and closed again.',
  sheetShape: 'square',
  leastSheetMm: 110,
  params: tuckFlapParams,
  fields: [
    choice(
      'marks',
      'Marks found by folding',
      'Pinched marks hardly show; whole creases are easier to line up, and show on the back.',
      { pinched: 'Pinched at the edges', creased: 'Creased all the way' },
    ),
    {
      key: 'hemMm',
      label: 'Hem',
      why: 'The flap tucks in as deep as the hem is wide.',
      input: {
        kind: 'length',
        folded: 'An eighth of the sheet, found by folding',
        range: lengthRange(1 / 16, (p) => Math.min(p, (1 - 4 * p) / 2), 'sideMm', 3 / 16),
      },
    },
    {
      key: 'sideMm',
      label: 'Side folds',
      why: 'Narrow sides make a wide envelope with a low pocket.',
      input: {
        kind: 'length',
        folded: 'Three sixteenths of the sheet, found by folding',
        range: lengthRange(1 / 8, (c) => Math.min(1 / 4, (1 - 2 * c) / 4), 'hemMm', 1 / 8),
      },
    },
  ],
  rooms: ['pocket'],
  closure: () => ({ kind: 'flap', words: 'its own flap, tucked in' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 2,
  minutes: 9,
  papers: '60 to 100 g/m². Beside the pocket up to nine layers meet, so stiff paper wants scoring.',
  cautions: [],
  fold,
  sizes({ finished }, sheet, params, thicknessMm) {
    const { side, on } = squareFrame(sheet);
    const { c, p } = sharesOf(side, params);
    const corners = [on(p, c + p), on(1 - p, c + p), on(1 - p, 0.5 + p), on(p, 0.5 + p)].map((q) =>
      whereIs(finished, q),
    );
    const edge = whereIs(finished, on(0.5, c));
    const tip = whereIs(finished, on(0.5, 1));
    const { widthMm, heightMm } = flatExtent(finished);
    const most = mostLayers(finished);
    return {
      rooms: [
        POCKET.of({ widthMm: distance(corners[0], corners[1]), heightMm: distance(corners[1], corners[2]) }, corners),
      ],
      outer: { lengthMm: widthMm, widthMm: heightMm, heightMm: most * thicknessMm },
      lengths: [
        { name: 'front of the pocket', mm: distance(edge, whereIs(finished, on(0.5, c + p))) },
        { name: 'flap tucked in', mm: distance(edge, tip) },
        { name: 'each side over the front', mm: whereIs(finished, on(0, 0.6)).x - corners[0].x },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
