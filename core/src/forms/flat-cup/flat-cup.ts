import * as z from 'zod';
import type { Hand } from '../../folding/hand';
import { flatExtent } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, Form } from '../form';
import { choice } from '../choice';
import { COMFORT_SHARE, POUCH } from '../../rooms/pouch';
import { recordSteps } from '../record-steps';
import { openPouch } from '../../bodies/pouch';
import { CUP_USE, CUP_WORDS as words } from './words';
import { SMALL_PARTS } from '../../purpose/cautions';

export const flatCupParams = z.object({
  /** `tucked`: into the pocket of the last corner, which makes the front firmer; `over`: laid over the front. */
  front: z.enum(['tucked', 'over']).default('tucked'),
  /** `up`: left standing as a lid. */
  back: z.enum(['behind', 'up']).default('behind'),
  /** How the one mark is made: pinched at the edge, or creased all the way. */
  mark: z.enum(['pinched', 'creased']).default('pinched'),
});

type FlatCupParams = z.infer<typeof flatCupParams>;

/** Share of the most that a pouch can hold, with the stiffness of office paper, level with the lowest spot of its rim. */
const BRIM_SHARE = 0.77;

/** Where the mark lies on a raw edge, as a share of the side: the tangent of an eighth of a turn's half. */
const K = Math.SQRT2 - 1;

function fold(hand: Hand, sheet: Sheet, { front, back, mark }: FlatCupParams): Folding {
  const { side, on } = squareFrame(sheet);
  const { onto, line } = atHand(hand);
  const { steps, uses, step, use } = recordSteps(hand);
  const [near, right, far, left] = [on(0, 0), on(1, 0), on(1, 1), on(0, 1)];

  step(words.turn, { arrows: [{ kind: 'rotate', grip: right }] }, () => hand.rotate(45));
  step(words.triangle, { creases: ['bottom'], arrows: [{ kind: 'fold', grip: near }] }, () =>
    hand.valley('bottom', onto(near, far)),
  );
  step(
    mark === 'pinched' ? words.mark : words.markCreased,
    {
      creases: ['mark'],
      arrows: [{ kind: 'fold-and-unfold', grip: near, to: on(0.5, 0.5) }],
      landmarks: [{ point: on(K, 0), name: 'mark' }],
    },
    () => {
      // The front layer's left raw edge goes onto the bottom fold; only the far end of the crease is needed.
      hand.pinch(
        'mark',
        {
          kind: 'line-onto-line',
          line: line(left, near),
          onto: line(left, right),
          moving: hand.at(on(0, 0.5)),
        },
        mark === 'pinched' ? { near: on(K, 0), lengthMm: 0.09 * side } : { from: left, to: on(K, 0) },
      );
    },
  );
  const markAt = (): { x: number; y: number } => hand.mark('mark', on(K, 0));
  step(
    words.left,
    { creases: ['left side'], arrows: [{ kind: 'fold', grip: left }], landmarks: [{ point: on(K, 0), name: 'mark' }] },
    () => hand.valley('left side', { kind: 'point-onto-point', point: hand.at(left), onto: markAt() }),
  );
  step(words.right, { creases: ['right side'], arrows: [{ kind: 'fold', grip: right }] }, () =>
    // The mark's mirror image is the upper end of the first corner's fold.
    hand.valley('right side', onto(right, on(1 - K, 1))),
  );
  const rim = [on(0, K), on(K, 0)] as const;
  const backRim = [on(1 - K, 1), on(1, 1 - K)] as const;
  const over = (ends: readonly [typeof near, typeof near], tip: typeof near) => ({
    kind: 'through-points' as const,
    a: hand.at(ends[0]),
    b: hand.at(ends[1]),
    moving: hand.at(tip),
  });
  step(
    words[front === 'tucked' ? 'frontTucked' : 'frontOver'],
    { creases: ['front rim'], arrows: [{ kind: front === 'tucked' ? 'tuck' : 'fold', grip: near }] },
    () => {
      if (front === 'tucked') hand.tuck('front rim', over(rim, near), on(0.97, 0.06), { flap: near });
      else hand.valley('front rim', over(rim, near), { flap: near });
    },
  );
  const open = hand.pose;
  const opened = hand.remembered();
  if (back === 'behind') {
    step(words.turnOver, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
    step(words.back, { creases: ['back rim'], arrows: [{ kind: 'fold', grip: far }] }, () =>
      hand.valley('back rim', over(backRim, far), { flap: far }),
    );
    step(words.turnBack, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  } else
    step(
      words[front === 'tucked' ? 'lidTucked' : 'lidOver'],
      { creases: ['back rim'], arrows: [{ kind: front === 'tucked' ? 'tuck' : 'fold', grip: far }] },
      () => {
        if (front === 'tucked') hand.tuck('back rim', over(backRim, far), on(0.97, 0.06), { flap: far });
        else hand.valley('back rim', over(backRim, far), { flap: far });
      },
    );
  const kept = hand.remembered();
  if (back === 'behind') use(CUP_USE.emptied, { arrows: [left, right].map((grip) => ({ kind: 'pull-out', grip })) });
  else {
    use(CUP_USE.opened, { arrows: [{ kind: 'unfold', grip: far }] }, [kept, opened]);
    use(CUP_USE.kept, { arrows: [{ kind: front === 'tucked' ? 'tuck' : 'fold', grip: far }] }, [opened, kept]);
  }
  return { steps, uses, finished: hand.pose, open };
}

/** A cup or pouch that folds flat, without a raw edge below its rim. */
export const flatCup: Form<FlatCupParams> = {
  id: 'flat-folding-cup',
  name: 'Flat-folding cup',
  family: 'cups',
  use: 'A scoop for screws or seeds, a pouch for coins, a cup for a sip of water: flat until it is needed.',
  sheetShape: 'square',
  leastSheetMm: 90,
  params: flatCupParams,
  fields: [
    choice('front', 'Front flap', 'Tucked in, the front is firmer and the flap does not come loose.', {
      tucked: 'Tucked into the front',
      over: 'Laid over the front',
    }),
    choice(
      'mark',
      'The mark',
      'A pinch leaves the front clean; a whole crease is easier, and leaves a trace across it.',
      { pinched: 'Pinched at the edge', creased: 'Creased all the way' },
    ),
    choice('back', 'Back flap', 'Left up, it closes the pouch as a lid that slips into the front.', {
      behind: 'Folded behind',
      up: 'Left up as a lid',
    }),
  ],
  rooms: ['pouch'],
  closure({ back, front }) {
    if (back !== 'up') return { kind: 'open', words: 'does not close' };
    return front === 'tucked'
      ? { kind: 'tucked', words: 'its own back flap, tucked into the front' }
      : { kind: 'flap', words: 'its own back flap, laid over the front' };
  },
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 1,
  minutes: 4,
  papers:
    'For dry things any paper up to 120 g/m². For water 70 to 100 g/m², uncoated, or greaseproof; the white side is the inside.',
  ceiling: { mm: 400, why: 'its rim no longer stays open' },
  cautions: [
    {
      kind: 'food',
      words:
        'Drink only from plain paper that is sold for food, its plain side inside, cold drinks, and for a few minutes only: never from inked, metallised or recycled paper.',
    },
    SMALL_PARTS,
  ],
  fold,
  sizes({ finished }, sheet, _params, thicknessMm) {
    const { on } = squareFrame(sheet);
    const at = (x: number, y: number) => whereIs(finished, on(x, y));
    const [footLeft, footRight, rimRight, rimLeft] = [at(K, 1 - K), at(1 - K, K), at(1, 1 - K), at(1 - K, 1)];
    const mouth = distance(rimLeft, rimRight);
    const bottom = distance(footLeft, footRight);
    const depth = Math.sqrt(distance(footLeft, rimLeft) ** 2 - ((mouth - bottom) / 2) ** 2);
    const most = mostLayers(finished);
    const { widthMm, heightMm } = flatExtent(finished);
    return {
      rooms: [
        POUCH.of({
          mouthMm: mouth - 2 * thicknessMm,
          bottomMm: bottom - 2 * thicknessMm,
          depthMm: depth - thicknessMm,
        }),
      ],
      outer: { lengthMm: widthMm, widthMm: heightMm, heightMm: most * thicknessMm },
      lengths: [
        { name: 'bottom', mm: bottom },
        {
          name: 'height of a flap',
          mm: distance(at(0, 0), { x: (at(0, K).x + at(K, 0).x) / 2, y: (at(0, K).y + at(K, 0).y) / 2 }),
        },
        { name: 'round mouth, across', mm: (2 * mouth) / Math.PI },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
  *opened({ rooms: [room] }) {
    const { vertices, triangles, volumeMm3 } = yield* openPouch(POUCH.schema.parse(room).sizes);
    const most = volumeMm3 / 1000;
    return {
      vertices,
      triangles,
      volumes: [
        { name: 'most, if the paper were limp', ml: most },
        { name: 'to the brim, about', ml: BRIM_SHARE * most },
        { name: 'comfortably, about', ml: COMFORT_SHARE * most },
      ],
      shownMl: COMFORT_SHARE * most,
      note: 'The most is worked out from the opened shape, within about 2 %. The other two are estimates for office paper, within a tenth or two: try one cup and write down what it holds.',
    };
  },
};
