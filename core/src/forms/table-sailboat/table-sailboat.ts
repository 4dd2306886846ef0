import * as z from 'zod';
import type { Hand } from '../../folding/hand';
import { centreOfWeight } from '../../folding/centre-of-weight';
import { whereIs } from '../../folding/pose';
import { spanOf } from '../../folding/solid-measures';
import { mostLayers } from '../../folding/stack-depth';
import type { ShownUnit } from '../../measure/format-length';
import { between, distance, type Point } from '../../measure/point';
import { distance3, onWay } from '../../measure/vector3';
import type { Sheet } from '../../paper/sheet';
import { HOLDER } from '../../rooms/holder';
import { atHand, squareFrame } from '../at-hand';
import { NO_FLAMES } from '../../purpose/cautions';
import { choice } from '../choice';
import type { Folding, Form } from '../form';
import { type Limits, refuseUnsuited } from '../limits';
import { recordSteps } from '../record-steps';
import { sailboatWords } from './words';

const USUAL_STAND_DEG = 75;

export const tableSailboatParams = z.object({
  /** From the bottom corner to the fold of the foot; by folding alone half way to the hull's upper line. */
  footMm: z.number().positive().nullable().default(null),
  /** Angle between the boat and its foot. */
  standDeg: z.number().min(60).max(90).default(USUAL_STAND_DEG),
  /** Which face is the front. */
  face: z.enum(['hull', 'sails']).default('hull'),
});

type TableSailboatParams = z.infer<typeof tableSailboatParams>;

/** Half the hull triangle's height, of half the diagonal: where the corner lies that is brought to the hull's line. */
const FOLDED = 0.5;
/** A lower foot is too short to stand on, a higher one shows behind the sails. */
const [LOWEST, HIGHEST] = [0.3, 0.6];

const halfDiagonal = (side: number): number => side * Math.SQRT1_2;

const footLimits = (side: number): Limits => [(LOWEST * halfDiagonal(side)) / 2, (HIGHEST * halfDiagonal(side)) / 2];

function fold(hand: Hand, sheet: Sheet, params: TableSailboatParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const { footMm, standDeg, face } = params;
  if (footMm !== null) refuseUnsuited('Foot, from its point to its fold', footMm, footLimits(side), side);
  const words = sailboatWords(params, unit);
  const { onto, through, line } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const [near, right, far, left] = [on(0, 0), on(1, 0), on(1, 1), on(0, 1)];
  const [middle, hullTop] = [on(0.5, 0.5), on(0.25, 0.25)];
  const fold = (grip: Point, to?: Point) => ({ kind: 'fold' as const, grip, ...(to && { to }) });

  step(words.turn, { arrows: [{ kind: 'rotate', grip: right }] }, () => hand.rotate(45));
  step(words.triangle, { creases: ['base'], arrows: [fold(far)] }, () => {
    hand.valley('base', onto(far, near));
    hand.pause();
    hand.rotate(180);
  });
  step(
    words.sides,
    {
      creases: ['right side', 'left side'],
      arrows: [left, right].map((grip) => ({ kind: 'fold-and-unfold', grip, to: near })),
    },
    () => {
      // Turned by half a turn, the sheet's left corner lies on the right.
      for (const [name, corner] of [
        ['right side', left],
        ['left side', right],
      ] as const) {
        hand.valley(name, onto(corner, near));
        if (name === 'right side') hand.pause();
        hand.unfold(name);
      }
    },
  );
  step(words.front, { creases: ['front'], arrows: [fold(far)] }, () =>
    hand.valley('front', onto(far, middle), { flap: far }),
  );
  step(words.sails, { creases: ['right side', 'left side'], arrows: [fold(left), fold(right)] }, () => {
    hand.valley('right side', through(middle, on(0, 0.5), left));
    hand.valley('left side', through(middle, on(0.5, 0), right));
  });
  step(words.hull, { creases: ['hull'], arrows: [{ kind: 'turn-over' }, fold(near)] }, () => {
    hand.turnOver();
    hand.pause();
    hand.valley('hull', onto(near, middle), { flap: near });
  });
  if (face === 'sails') step(words.over, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(words.foot, { creases: ['foot'], arrows: [{ kind: 'fold-behind', grip: middle }] }, () => {
    if (footMm === null) {
      hand.mountain('foot', onto(middle, hullTop));
      return;
    }
    const axis = line(middle, hullTop);
    const through = hand.measured('foot', between(middle, hullTop, footMm / distance(middle, hullTop)), middle);
    hand.mountain('foot', { kind: 'perpendicular', to: axis, through, moving: hand.at(middle) });
  });
  const flat = hand.pose;
  step(words.stand, { view: 'space', arrows: [{ kind: 'lift', grip: hullTop }] }, () =>
    hand.open3d({ foot: 180 - standDeg }, between(middle, hullTop, 0.1)),
  );
  const finished = hand.pose;
  step(words.card, { view: 'space', arrows: [{ kind: 'push-in', grip: on(0, 0.5) }] }, () => undefined);
  step(words.away, { view: 'space', arrows: [{ kind: 'fold-behind', grip: near }] }, () =>
    hand.open3d({ foot: 180 }, between(middle, hullTop, 0.1)),
  );
  return { steps, finished, flat };
}

/** A small boat of two sails that stands on a table and holds a card. */
export const tableSailboat: Form<TableSailboatParams> = {
  id: 'table-sailboat',
  name: 'Table sailboat',
  family: 'boats',
  use: 'A place card, a name or a number on a table: it stands on its own foot. It does not float.',
  sheetShape: 'square',
  leastSheetMm: 70,
  params: tableSailboatParams,
  fields: [
    {
      key: 'footMm',
      label: 'Foot, from its point to its fold',
      why: 'A deeper foot stands surer and leaves a shallower pocket.',
      input: {
        kind: 'length',
        folded: 'its point laid on the hull’s upper line',
        range: ({ widthMm }) => footLimits(widthMm),
      },
    },
    {
      key: 'standDeg',
      label: 'Angle to its foot',
      why: 'A smaller angle leans it back: surer on a table that is knocked. At 90 degrees it tips forward easily.',
      input: { kind: 'angle', min: 60, max: 90 },
    },
    choice('face', 'Front', 'The white hull can be written on; the sails show more colour.', {
      hull: 'The hull, sails behind it',
      sails: 'The sails',
    }),
  ],
  rooms: ['holder'],
  closure: () => ({ kind: 'open', words: 'does not close' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 1,
  minutes: 5,
  papers:
    '70 to 160 g/m²: thin two-coloured paper for small ones, card above 150 mm. Not for water: it falls over at once.',
  ceiling: { mm: 450, why: 'its sails bend' },
  cautions: [NO_FLAMES],
  fold,
  sizes({ finished, flat }, sheet, { footMm }, thicknessMm) {
    const { side, on } = squareFrame(sheet);
    const at = (x: number, y: number) => whereIs(finished, on(x, y));
    const share = footMm === null ? FOLDED : (2 * footMm) / halfDiagonal(side);
    const sideCrease = (x: number, y: number) => {
      const p = between(on(0.5, 0.5), on(x, y), share);
      return whereIs(finished, p);
    };
    const mouth = [at(0, 0.5), at(0.5, 0)] as const;
    const bottom = [sideCrease(0, 0.5), sideCrease(0.5, 0)] as const;
    const [mouthMiddle, bottomMiddle] = [onWay(...mouth, 0.5), onWay(...bottom, 0.5)];
    const outer = spanOf(finished);
    const most = mostLayers(flat!);
    return {
      rooms: [
        HOLDER.of(
          {
            mouthMm: distance3(...mouth),
            bottomMm: distance3(...bottom),
            depthMm: distance3(mouthMiddle, bottomMiddle),
            overBottomMm: distance3(at(1, 0), bottomMiddle),
          },
          [...mouth, bottom[1], bottom[0]],
        ),
      ],
      outer: { lengthMm: outer.x, widthMm: outer.y + most * thicknessMm, heightMm: outer.z },
      lengths: [
        { name: 'hull, high', mm: distance3(mouthMiddle, bottomMiddle) },
        { name: 'foot, wide', mm: distance3(...bottom) },
        { name: 'foot, deep', mm: distance3(at(0.5, 0.5), bottomMiddle) },
        { name: 'weight, behind the foot’s fold', mm: Math.abs(centreOfWeight(finished).y - bottomMiddle.y) },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
