import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import type { KnownLayers } from '../../folding/known-layers';
import { layersThrough } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import type { ShownUnit } from '../../measure/format-length';
import { distance, point, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, Form, StepWords } from '../form';
import { choice } from '../choice';
import { BOX } from '../../rooms/box';
import { recordSteps } from '../record-steps';
import { cubeWords } from './words';

export const closingCubeParams = z.object({
  /** Which way round the gussets and the lid turn. */
  turning: z.enum(['left', 'right']).default('left'),
  /** How an edge is divided in three. */
  thirds: z.enum(['eye', 'ruler']).default('eye'),
});

type ClosingCubeParams = z.infer<typeof closingCubeParams>;

const SIDES = [0, 1, 2, 3] as const;

/** Points of one side in sixths of the sheet; the other sides are quarter turns of it. */
const [B1, B2, P, Q, L, K, N, W] = [
  [3, 2],
  [2, 3],
  [2, 1],
  [1, 2],
  [1, 0],
  [0, 1],
  [3, 0],
  [0, 3],
] as const;

type Row = readonly [name: string, from: readonly [number, number], to: readonly [number, number], angleDeg: number];

/** One wall raised; above the rim its plane goes on. */
const WALL: readonly Row[] = [['base', B1, B2, 90]];

/** The gusset between a wall and the next, folded in and laid on the wall: the wall's creases, then the next one's. */
const GUSSET: readonly Row[] = [
  ['wall to gusset', B1, P, 180],
  ['wall to gusset', P, L, 180],
  ['gusset', B1, N, -180],
];
const GUSSET_NEXT: readonly Row[] = [
  ['next wall', B2, Q, 90],
  ['next wall', Q, K, 90],
];

/** Where a wall has no neighbour yet its gusset stands with it, and the line of its base goes straight on. */
const FREE_END: readonly Row[] = GUSSET_NEXT;
const FREE_START: readonly Row[] = [
  ['wall to gusset', B1, P, 90],
  ['wall to gusset', P, L, 90],
];

/** The four flaps lie in a ring, their tips outside. */
const TWISTED: readonly Row[] = [
  ['base', B1, B2, 90],
  ['wall to gusset', B1, P, 180],
  ['next wall', B2, Q, 90],
  ['gusset', B1, N, -180],
  ['rim', P, Q, 90],
  ['rim', P, N, -90],
  ['rim', Q, W, 90],
  ['wall to gusset', P, L, 180],
  ['flap', Q, L, -180],
  ['next wall', Q, K, 180],
];

const TIPS: readonly Row[] = [['tip', K, L, -180]];

interface CubeFrame {
  readonly side: number;
  /** A point of side k, in sixths; the side after it is the next one in the turning. */
  readonly at: (k: number, p: readonly [number, number]) => Point;
}

function frameOf(sheet: Sheet, turning: ClosingCubeParams['turning']): CubeFrame {
  const { side } = squareFrame(sheet);
  const u = side / 6;
  const at = (k: number, [x, y]: readonly [number, number]): Point =>
    k === 0 ? point((turning === 'left' ? x : 6 - x) * u, y * u) : at(k - 1, [6 - y, x]);
  return { side, at };
}

/**
 * Three slots open at the rim where a tip goes in. In the deepest, right on the panel that hinges on that wall, it also
 * clamps its neighbour's turned-back panel: the slot that locks.
 * @param wall the side on whose wall the tip of side k goes in
 */
function deepSlot({ at }: CubeFrame, k: number, wall: number): KnownLayers[] {
  const other = at(k, [0.5, 0.2]);
  return [
    { point: at(wall, [1.35, 1.3]), other, lies: 'over' },
    { point: at(wall, [0.65, 1.3]), other, lies: 'under' },
  ];
}

function fold(hand: Hand, sheet: Sheet, { turning, thirds }: ClosingCubeParams, unit?: ShownUnit): Folding {
  const { side, on } = squareFrame(sheet);
  const words = cubeWords(thirds === 'ruler' ? side / 3 : null, unit);
  const frame = frameOf(sheet, turning);
  const { at } = frame;
  const { onto, through } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const sixth = (x: number, y: number): Point => on(x / 6, y / 6);
  const crease = (name: string, p: Point, target: Point, pause = false): void => {
    hand.valley(name, onto(p, target));
    if (pause) hand.pause();
    hand.unfold(name);
  };

  step(words.over, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(
    words.thirds,
    { creases: ['third', 'two thirds'], arrows: [{ kind: 'fold-and-unfold', grip: sixth(0, 0), to: sixth(4, 0) }] },
    () => {
      const length = 0.06 * side;
      hand.pinch('third', through(sixth(2, 0), sixth(2, 6), sixth(0, 0)), { near: sixth(2, 0), lengthMm: length });
      hand.pinch('two thirds', through(sixth(4, 0), sixth(4, 6), sixth(6, 0)), { near: sixth(4, 0), lengthMm: length });
    },
  );
  step(
    words.upright,
    {
      creases: ['x 2', 'x 4'],
      arrows: [
        { kind: 'fold-and-unfold', grip: sixth(0, 4), to: sixth(4, 4) },
        { kind: 'fold-and-unfold', grip: sixth(6, 2), to: sixth(2, 2) },
      ],
    },
    () => {
      crease('x 2', sixth(0, 3), sixth(4, 3), true);
      crease('x 4', sixth(6, 3), sixth(2, 3));
    },
  );
  step(words.diagonal, { creases: ['diagonal'], arrows: [{ kind: 'fold-and-unfold', grip: sixth(6, 0) }] }, () =>
    crease('diagonal', sixth(6, 0), sixth(0, 6), true),
  );
  step(
    words.across,
    {
      creases: ['y 2', 'y 4'],
      arrows: [
        { kind: 'fold-and-unfold', grip: sixth(2, 0), to: sixth(2, 4) },
        { kind: 'fold-and-unfold', grip: sixth(4, 6), to: sixth(4, 2) },
      ],
    },
    () => {
      crease('y 2', sixth(3, 0), sixth(3, 4), true);
      crease('y 4', sixth(3, 6), sixth(3, 2));
    },
  );
  step(
    words.sixthsUpright,
    {
      creases: ['x 1', 'x 3', 'x 5'],
      arrows: [{ kind: 'fold-and-unfold', grip: sixth(0, 3), to: sixth(6, 3) }],
    },
    () => {
      crease('x 3', sixth(0, 3), sixth(6, 3), true);
      crease('x 1', sixth(0, 3), sixth(2, 3));
      crease('x 5', sixth(6, 3), sixth(4, 3));
    },
  );
  step(
    words.sixthsAcross,
    {
      creases: ['y 1', 'y 3', 'y 5'],
      arrows: [{ kind: 'fold-and-unfold', grip: sixth(3, 0), to: sixth(3, 6) }],
    },
    () => {
      crease('y 3', sixth(3, 0), sixth(3, 6), true);
      crease('y 1', sixth(3, 0), sixth(3, 2));
      crease('y 5', sixth(3, 6), sixth(3, 4));
    },
  );
  step(words.back, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  const corner = (k: number): Point => at(k, [0, 0]);
  step(
    words.farSlants,
    {
      creases: SIDES.map((k) => `far slant ${k}`),
      arrows: [{ kind: 'fold-and-unfold', grip: corner(0), to: at(0, [5, 5]) }],
      landmarks: [{ point: at(0, [5, 5]), name: 'target' }],
    },
    () => {
      for (const k of SIDES) crease(`far slant ${k}`, corner(k), at(k, [5, 5]), k === 0);
    },
  );
  step(
    words.nearSlants,
    {
      creases: SIDES.map((k) => `near slant ${k}`),
      arrows: [{ kind: 'fold-and-unfold', grip: corner(0), to: on(0.5, 0.5) }],
    },
    () => {
      for (const k of SIDES) crease(`near slant ${k}`, corner(k), on(0.5, 0.5), k === 0);
    },
  );
  const rowsAt = (k: number, rows: readonly Row[]): CreaseAngle[] =>
    rows.map(([name, from, to, angleDeg]) => ({ name, from: at(k, from), to: at(k, to), angleDeg }));
  const four = (rows: readonly Row[]): CreaseAngle[] => SIDES.flatMap((k) => rowsAt(k, rows));
  const centre = on(0.5, 0.5);
  const wall = (said: StepWords, raised: readonly number[], creases: readonly CreaseAngle[]): void =>
    step(
      said,
      {
        view: 'space',
        creases: raised.map((k) => `far slant ${k}`),
        arrows: raised.map((k) => ({ kind: 'lift', grip: at(k, [1.5, 1.5]) })),
      },
      () => hand.collapse(creases, centre),
    );
  const gusset = (k: number): CreaseAngle[] => [...rowsAt(k, GUSSET), ...rowsAt((k + 1) % 4, GUSSET_NEXT)];
  wall(
    words.twoWalls,
    [0, 1],
    [...rowsAt(0, WALL), ...rowsAt(1, WALL), ...rowsAt(3, FREE_START), ...gusset(0), ...rowsAt(2, FREE_END)],
  );
  wall(words.thirdWall, [2], [...rowsAt(2, WALL), ...gusset(1), ...rowsAt(3, FREE_END)]);
  wall(words.lastWall, [3], [...rowsAt(3, WALL), ...gusset(2), ...gusset(3)]);
  const open = hand.pose;
  step(words.lid, { view: 'space', arrows: SIDES.map((k) => ({ kind: 'push-in', grip: at(k, [0.2, 0.2]) })) }, () =>
    hand.collapse(four(TWISTED), centre),
  );
  const tuck = (said: StepWords, tips: readonly number[]): void =>
    step(said, { view: 'space', creases: ['tip'], arrows: tips.map((k) => ({ kind: 'tuck', grip: corner(k) })) }, () =>
      hand.collapse(
        tips.flatMap((k) => rowsAt(k, TIPS)),
        centre,
        tips.flatMap((k) => deepSlot(frame, k, k + 1)),
      ),
    );
  tuck(words.firstTip, [0]);
  tuck(words.tips, [1, 2, 3]);
  return { steps, finished: hand.pose, open };
}

/** A cube in one piece, its lid a ring of four flaps. */
export const closingCube: Form<ClosingCubeParams> = {
  id: 'closing-cube',
  name: 'Closing cube',
  family: 'closing boxes',
  use: 'A ring, a watch, a handful of dice: a cube that opens and closes again, with nothing to lose.',
  sheetShape: 'square',
  leastSheetMm: 85,
  params: closingCubeParams,
  fields: [
    choice('turning', 'Turns to the', 'Both are equally good; left-handed folders often find the right one easier.', {
      left: 'Left',
      right: 'Right',
    }),
    choice('thirds', 'Thirds', 'By eye leaves no pencil mark; a ruler is surer on thick paper.', {
      eye: 'By eye: a flat S, then set right',
      ruler: 'With a ruler',
    }),
  ],
  rooms: ['box'],
  closure: () => ({ kind: 'tucked', words: 'its own lid of four flaps and four tucked tips' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 3,
  minutes: 25,
  papers: '70 to 120 g/m², crisp. Nine layers lie in the lid; a paper with two colours gives a contrasting top.',
  cautions: ['Dice and rings are small: keep them from small children.'],
  fold,
  floor: (sheet, { turning }) => SIDES.map((k) => frameOf(sheet, turning).at(k, B1)),
  sizes({ finished }, sheet, { turning }, thicknessMm) {
    const frame = frameOf(sheet, turning);
    const { at } = frame;
    const placed = (k: number, p: readonly [number, number]) => whereIs(finished, at(k, p));
    const length = distance(placed(0, B1), placed(0, B2));
    const width = distance(placed(1, B1), placed(1, B2));
    const height = placed(0, P).z - placed(0, B1).z;
    // A wall has its gusset on one half only: on either side of its diagonal.
    const wall = Math.max(...[1.8, 2.2].map((x) => layersThrough(finished, at(0, [x, 4.1 - x]))));
    const lid = layersThrough(finished, at(0, [1.4, 1.1]));
    const floor = layersThrough(finished, at(0, [3.1, 3.05]));
    return {
      rooms: [
        BOX.of({
          lengthMm: length - 2 * wall * thicknessMm,
          widthMm: width - 2 * wall * thicknessMm,
          depthMm: height - (lid + floor) * thicknessMm,
        }),
      ],
      outer: { lengthMm: length + thicknessMm, widthMm: width + thicknessMm, heightMm: height + lid * thicknessMm },
      lengths: [
        { name: 'edge of the cube', mm: length },
        { name: 'grid to crease', mm: distance(at(0, [0, 0]), at(0, L)) },
      ],
      layers: [
        { name: 'thickest', count: mostLayers(finished) },
        { name: 'lid', count: lid },
        { name: 'walls', count: wall },
        { name: 'floor', count: floor },
      ],
    };
  },
};
