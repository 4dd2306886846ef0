import * as z from 'zod';
import type { Hand } from '../../folding/hand';
import { flatExtent, layersAt } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import type { ShownUnit } from '../../measure/format-length';
import { between, distance, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import { choice } from '../choice';
import type { Folding, Form } from '../form';
import { POCKET } from '../../rooms/pocket';
import { type Limits, refuseUnsuited } from '../limits';
import { recordSteps } from '../record-steps';
import { DIAMOND_USE, diamondWords } from './words';

/** Width of the body as a share of the sheet's diagonal: below a third the wings stick out, above the wings lose their grip. */
export const BODY_SHARE = { min: 1 / 3, max: 0.44 } as const;

export const diamondEnvelopeParams = z.object({
  /** Width of the body in mm when it is measured; null for a third of the diagonal, which makes a square body. */
  widthMm: z.number().positive().nullable().default(null),
  /** How the thirds of a square body are found; another width is measured. */
  thirds: z.enum(['eye', 'ruler']).default('eye'),
  /** What holds the flap. */
  flap: z.enum(['sticker', 'glue', 'loose']).default('sticker'),
});

export type DiamondEnvelopeParams = z.infer<typeof diamondEnvelopeParams>;

const widthLimits = (side: number): Limits => [BODY_SHARE.min * side * Math.SQRT2, BODY_SHARE.max * side * Math.SQRT2];

/** The body's width as a share of the diagonal. */
function shareOf(side: number, widthMm: number | null): number {
  if (widthMm === null) return BODY_SHARE.min;
  refuseUnsuited('Width of the body', widthMm, widthLimits(side), side);
  return widthMm / (side * Math.SQRT2);
}

function fold(hand: Hand, sheet: Sheet, params: DiamondEnvelopeParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const { widthMm, thirds, flap } = params;
  const k = shareOf(side, widthMm);
  const marked = widthMm !== null || thirds === 'ruler';
  const words = diamondWords(marked ? k * side : null, flap, unit);
  const { steps, uses, step, use } = recordSteps(hand);
  const { through, onto } = atHand(hand);
  const [near, right, far, left, centre] = [on(0, 0), on(1, 0), on(1, 1), on(0, 1), on(0.5, 0.5)];

  step(words.turn, { arrows: [{ kind: 'rotate', grip: right }] }, () => {
    if (marked) {
      for (const at of [on(k, 0), on(0, k)]) hand.measured('sides', at, near);
      for (const at of [on(1, 1 - k), on(1 - k, 1)]) hand.measured('sides', at, far);
    }
    hand.rotate(45);
  });
  step(words.triangle, { creases: ['bottom'], arrows: [{ kind: 'fold', grip: near }] }, () =>
    hand.valley('bottom', onto(near, far)),
  );
  step(words.front, { creases: ['front'], arrows: [{ kind: 'fold', grip: near }] }, () =>
    hand.valley('front', onto(near, centre), { flap: near }),
  );
  // Marks a body's width from the near and the far corner, on the raw edges: the side creases run through them.
  step(
    words.right,
    {
      creases: ['right side'],
      arrows: [{ kind: 'fold', grip: right }],
      landmarks: [{ point: on(1, 1 - k), name: 'mark' }],
    },
    () => hand.valley('right side', through(on(k, 0), on(1, 1 - k), right)),
  );
  step(
    words.left,
    {
      creases: ['left side'],
      arrows: [{ kind: 'tuck', grip: left }],
      landmarks: [{ point: on(1 - k, 1), name: 'mark' }],
    },
    () => hand.tuck('left side', through(on(0, k), on(1 - k, 1), left), on(0.97, 0.06)),
  );
  const open = hand.pose;
  const opened = hand.remembered();
  step(words.flap, { creases: ['flap'], arrows: [{ kind: 'fold', grip: far }] }, () =>
    hand.valley('flap', through(on(1, 1 - k), on(1 - k, 1), far)),
  );
  const closed = hand.remembered();
  use(DIAMOND_USE.opened, { arrows: [{ kind: 'unfold', grip: far }] }, [closed, opened]);
  use(DIAMOND_USE.kept, { arrows: [{ kind: 'fold', grip: far }] }, [opened, closed]);
  return { steps, uses, finished: hand.pose, open };
}

/** A flat sleeve for a card: four triangles that meet, two of them tucked into each other. */
export const diamondEnvelope: Form<DiamondEnvelopeParams> = {
  id: 'square-card-envelope',
  name: 'Diamond envelope',
  family: 'envelopes and wraps',
  use: 'A greeting card, a photo or a token card, square or a little wider than high.',
  sheetShape: 'square',
  leastSheetMm: 80,
  params: diamondEnvelopeParams,
  fields: [
    {
      key: 'widthMm',
      label: 'Body width',
      why: 'A third of the diagonal makes a square; wider bodies are lower and suit cards laid crosswise.',
      input: {
        kind: 'length',
        folded: 'A third of the diagonal: a square body',
        range: ({ widthMm }) => widthLimits(widthMm),
      },
    },
    choice(
      'thirds',
      'Thirds of a square body',
      'By eye you lay one wing over the other and shift by a third of the gap: quick, and no mark shows.',
      { eye: 'By eye, then set right', ruler: 'With a ruler' },
    ),
    choice('flap', 'Flap', 'A sticker opens again; glue does not. Left loose, it will do for handing over.', {
      sticker: 'Held by a sticker or tape',
      glue: 'Glued down',
      loose: 'Left loose',
    }),
  ],
  rooms: ['pocket'],
  closure: () => ({
    kind: 'flap',
    words: 'its wings tuck into each other; the flap wants a sticker or a spot of glue',
  }),
  adhesive: () => 'optional',
  cuts: () => 'none',
  skill: 1,
  minutes: 5,
  papers: '70 to 120 g/m². Seven layers meet in the lower half, so card stock is too stiff in small sizes.',
  ceiling: { mm: 700, why: 'its flaps do not stay down' },
  cautions: [],
  fold,
  sizes({ finished, open }, sheet, { widthMm }, thicknessMm) {
    const { side, on } = squareFrame(sheet);
    const k = shareOf(side, widthMm);
    const at = (p: Point): Point => whereIs(finished, p);
    // Ends of the bottom fold, and the shoulders where the flap hinges.
    const corners = [on((1 - k) / 2, (1 + k) / 2), on((1 + k) / 2, (1 - k) / 2), on(1, 1 - k), on(1 - k, 1)].map((p) =>
      whereIs(finished, p),
    );
    const width = distance(corners[0], corners[1]);
    const height = distance(corners[1], corners[2]);
    const { widthMm: outerWidth, heightMm: outerHeight } = flatExtent(finished);
    const most = mostLayers(finished);
    const front = distance(at(on(0.25, 0.25)), at(on(0.5, 0.5)));
    return {
      rooms: [POCKET.of({ widthMm: width, heightMm: height }, corners)],
      outer: { lengthMm: outerWidth, widthMm: outerHeight, heightMm: most * thicknessMm },
      lengths: [
        { name: 'front of the pocket, from the bottom', mm: front },
        { name: 'flap over the front', mm: front - distance(at(on(1, 1)), at(on(0.5, 0.5))) },
        { name: 'wings over each other, along the bottom', mm: 2 * distance(at(on(1, 0)), corners[1]) - width },
      ],
      layers: [
        { name: 'thickest', count: most },
        { name: 'back of the pocket', count: layersAt(open ?? finished, between(corners[3], corners[2], 0.5)) || 1 },
      ],
    };
  },
};
