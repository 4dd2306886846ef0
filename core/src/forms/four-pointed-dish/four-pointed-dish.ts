import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import type { KnownLayers } from '../../folding/known-layers';
import { sideOfFace } from '../../folding/layer-order';
import { faceAt, type Pose, whereIs, whiteUp } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { between, distance, lineThrough, type Point, point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import type { ShownUnit } from '../../measure/format-length';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, Form, StepWords } from '../form';
import { BOX } from '../../rooms/box';
import { type Limits, refuseUnsuited } from '../limits';
import { recordSteps } from '../record-steps';
import { dishWords } from './words';

/** Half the sine of 22.5°: the rim then runs through the corners of the little pockets and needs no measuring. */
const USUAL_WALL = Math.sqrt(2 - Math.SQRT2) / 4;
export const DISH_WALL = { min: USUAL_WALL, max: 0.3 } as const;

export const fourPointedDishParams = z.object({
  /** Slant height of the walls in mm; null for the height that the pockets show. */
  wallMm: z.number().positive().nullable().default(null),
});

type DishParams = z.infer<typeof fourPointedDishParams>;

const SIDES = [0, 1, 2, 3] as const;
const Q = 1 - Math.SQRT1_2;
const G = (Math.SQRT2 - 1) / 2;
/** Where the squash meets the raw edge, from its middle: tan 33.75° of the kite's short half. */
const POCKET = G * Math.tan((33.75 * Math.PI) / 180);
const WALL_DEG = (Math.acos(Math.SQRT2 - 1) * 180) / Math.PI;
const SPINE_DEG = (Math.acos((Math.SQRT2 - 1) ** 2) * 180) / Math.PI;

/** Points of the east side, as shares of the sheet; the other sides are quarter turns. */
interface Frame {
  readonly side: number;
  readonly w: number;
  /** A point of side k; `m` mirrors it to the other half of that side. */
  readonly at: (k: number, x: number, y: number, m?: boolean) => Point;
}

const wallLimits = (side: number): Limits => [DISH_WALL.min * side, DISH_WALL.max * side];

function frameOf(sheet: Sheet, { wallMm }: DishParams): Frame {
  const { side } = squareFrame(sheet);
  const w = wallMm === null ? USUAL_WALL : wallMm / side;
  refuseUnsuited('Walls', w * side, wallLimits(side), side);
  const at = (k: number, x: number, y: number, m = false): Point => {
    if (m) return at(k, x, 1 - y);
    return k === 0 ? point(x * side, y * side) : at(k - 1, 1 - y, x);
  };
  return { side, w, at };
}

type Row = readonly [name: string, from: readonly [number, number], to: readonly [number, number], angleDeg: number];

/** Rows written for the upper half of the east side, on both halves of one side. */
function onSide({ at }: Frame, k: number, rows: readonly Row[]): CreaseAngle[] {
  return rows.flatMap(([name, from, to, angleDeg]) =>
    [false, true].map((m) => ({ name, from: at(k, ...from, m), to: at(k, ...to, m), angleDeg })),
  );
}

const BASE = [0.5 + Q, 0.5] as const;
const PLEAT: readonly Row[] = [
  ['pleat', BASE, [1, 1], -180],
  ['pocket', BASE, [1, 0.5 + POCKET], 180],
];

function rim(w: number): {
  readonly d: readonly [number, number];
  readonly m: readonly [number, number];
  readonly mid: readonly [number, number];
} {
  const d = [0.5 + Q + (Math.SQRT2 - 1) * w, 0.5 + w] as const;
  return { d, m: [1, 0.5 + w], mid: [(d[0] + d[1]) / 2, (d[0] + d[1]) / 2] };
}

function fold(hand: Hand, sheet: Sheet, params: DishParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { side, w, at } = frame;
  const { on } = squareFrame(sheet);
  const words = dishWords(params.wallMm, unit);
  const { steps, step } = recordSteps(hand);
  const { onto } = atHand(hand);
  const [near, right, far, left, centre] = [on(0, 0), on(1, 0), on(1, 1), on(0, 1), on(0.5, 0.5)];
  const opened = (name: string, p: Point, target: Point, pause = false): void => {
    hand.valley(name, onto(p, target));
    if (pause) hand.pause();
    hand.unfold(name);
  };

  step(words.over, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(
    words.diagonals,
    {
      creases: ['diagonal', 'other diagonal'],
      arrows: [
        { kind: 'fold-and-unfold', grip: near, to: far },
        { kind: 'fold-and-unfold', grip: right, to: left },
      ],
    },
    () => {
      opened('diagonal', right, left, true);
      opened('other diagonal', near, far);
    },
  );
  step(words.back, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(
    words.halves,
    {
      creases: ['half across', 'half up'],
      arrows: [
        { kind: 'fold-and-unfold', grip: on(0.3, 0), to: on(0.3, 1) },
        { kind: 'fold-and-unfold', grip: on(0, 0.3), to: on(1, 0.3) },
      ],
    },
    () => {
      opened('half across', on(0.5, 0), on(0.5, 1), true);
      opened('half up', on(0, 0.5), on(1, 0.5));
    },
  );
  step(words.turn, { arrows: [{ kind: 'rotate', grip: right }] }, () => hand.rotate(45));
  step(
    words.packet,
    {
      creases: ['half across', 'half up', 'diagonal'],
      arrows: [left, right, far].map((grip) => ({ kind: 'fold', grip })),
    },
    () =>
      hand.collapse(
        [
          ...SIDES.map((k) => ({ name: 'half', from: centre, to: at(k, 1, 0.5), angleDeg: 180 })),
          ...[right, left].map((to) => ({ name: 'diagonal', from: centre, to, angleDeg: -180 })),
        ],
        on(0.2, 0.2),
      ),
  );
  step(words.round, { arrows: [{ kind: 'rotate', grip: near }] }, () => hand.rotate(180));

  const kite = (which: 'right' | 'left'): void => {
    const [tip, closed] = [hand.at(near), hand.at(centre)];
    const corner = SIDES.map((k) => hand.at(at(k, 1, 0.5))).reduce((best, p) =>
      (which === 'right') === p.x > best.x ? p : best,
    );
    hand.valley(
      `${which} kite`,
      {
        kind: 'line-onto-line',
        line: lineThrough(tip, corner),
        onto: lineThrough(tip, closed),
        moving: corner,
      },
      { top: 2 },
    );
  };
  const flapOf = (which: 'right' | 'left'): number => hand.decide(() => topFlap(hand.pose, frame, which));
  for (const face of ['front', 'rear'] as const) {
    if (face === 'rear') step(words.overKite, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
    step(
      face === 'front' ? words.kite : words.kiteRear,
      {
        creases: ['right kite', 'left kite'],
        arrows: (['right', 'left'] as const).map((which) => ({ kind: 'fold', grip: at(flapOf(which), 1, 0.5) })),
      },
      () => {
        kite('right');
        kite('left');
      },
    );
  }
  /** The flap's lower doubled edge is opened and laid along the side of the kite; then what sticks out goes behind. */
  const squash = (which: 'right' | 'left'): number => {
    const k = flapOf(which);
    hand.squash(
      `pocket ${k}`,
      between(at(k, ...BASE), at(k, 1, 0.5), 0.9),
      lineThrough(hand.at(at(k, ...BASE)), hand.at(near)),
    );
    return k;
  };
  const tuck = (k: number): void =>
    hand.collapse(
      [...onSide(frame, k, PLEAT), { name: 'spine', from: at(k, ...BASE), to: at(k, 1, 0.5), angleDeg: 180 }],
      at(k, 0.5 + 0.5 * Q, 0.5 + 0.1 * Q),
    );
  let squashed = 0;
  step(
    words.squash,
    {
      creases: [0, 1, 2, 3].map((k) => `pocket ${k}`),
      arrows: [{ kind: 'push-in', grip: at(flapOf('right'), 1, 0.5) }],
    },
    () => {
      squashed = squash('right');
    },
  );
  step(words.behind, { creases: ['pleat'], arrows: [{ kind: 'fold-behind', grip: at(squashed, 1, 0.1) }] }, () =>
    tuck(squashed),
  );
  step(
    words.squashLeft,
    {
      creases: [0, 1, 2, 3].map((k) => `pocket ${k}`),
      arrows: [{ kind: 'push-in', grip: at(flapOf('left'), 1, 0.5) }],
    },
    () => tuck(squash('left')),
  );
  step(words.overPocket, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(
    words.squashRear,
    {
      creases: [0, 1, 2, 3].map((k) => `pocket ${k}`),
      arrows: (['right', 'left'] as const).map((which) => ({
        kind: 'push-in',
        grip: at(flapOf(which), 1, 0.5),
      })),
    },
    () => {
      tuck(squash('right'));
      tuck(squash('left'));
    },
  );
  const { d, m, mid } = rim(w);
  const rims = (deg: number): Row[] => [
    ['rim', d, mid, -deg],
    ['rim', d, m, deg],
  ];
  const quarters = (rows: readonly Row[]): CreaseAngle[] => SIDES.flatMap((k) => onSide(frame, k, rows));
  /** A point of the sheet's rim and the two sides that its halves belong to. */
  const halvesOf = (k: number) =>
    [
      [k, false],
      [(k + 1) % 4, true],
    ] as const;
  const pointDown = (k: number): CreaseAngle[] =>
    halvesOf(k).flatMap(([side, m]) =>
      rims(180).map(([name, from, to, angleDeg]) => ({
        name,
        from: at(side, ...from, m),
        to: at(side, ...to, m),
        angleDeg,
      })),
    );
  /** Its halves hang outside the little pockets; they could also be slipped into them. */
  const outside = (k: number, lies: KnownLayers['lies']): KnownLayers[] =>
    halvesOf(k).map(([side, m]) => ({ point: at(side, 0.95, 0.52, m), other: at(side, 0.93, 0.9, m), lies }));
  const body = at(0, 0.5 + 0.5 * Q, 0.5 + 0.1 * Q);
  /** Of two points on either side of the packet, the one on top. */
  const upper = (pair: readonly number[]): number =>
    hand.decide(() =>
      topmost(hand.pose, pair, (k) => [at(k, 0.76, 0.75), at(k, 0.75, 0.76)].map((p) => faceAt(hand.pose.pattern, p))),
    );
  const foldDown = (said: StepWords, points: readonly number[]): void =>
    step(said, { creases: ['rim'], arrows: points.map((k) => ({ kind: 'fold', grip: at(k, 1, 1) })) }, () => {
      const [top, ...behind] = points;
      hand.collapse(pointDown(top), body, outside(top, 'over'));
      for (const k of behind) hand.collapse(pointDown(k), body, outside(k, 'under'));
    });
  // The points whose diagonals lie flat are the outermost: one on either side of the packet.
  const first = upper([0, 2]);
  foldDown(words.point, [first]);
  step(words.overPoint, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  foldDown(words.pointRear, [2 - first]);
  /** Turned like pages, the two bodies that were outermost close, and the two between them lie open. */
  const pages: CreaseAngle[] = [
    ...[0, 2].flatMap((k): CreaseAngle[] => [
      { name: 'diagonal', from: centre, to: at(k, ...mid), angleDeg: -180 },
      { name: 'diagonal', from: at(k, ...mid), to: at(k, 1, 1), angleDeg: 180 },
    ]),
    ...[1, 3].map((k) => ({ name: 'diagonal', from: centre, to: at(k, 1, 1), angleDeg: 0 })),
  ];
  step(words.pages, { arrows: [{ kind: 'fold', grip: at(3 - first, ...BASE) }] }, () => hand.collapse(pages, body));
  const hidden = upper([1, 3]);
  foldDown(words.hiddenPoints, [hidden, 4 - hidden]);
  const flat = hand.pose;
  step(
    words.base,
    { creases: ['base'], arrows: [{ kind: 'fold-and-unfold', grip: centre, to: at(0, ...mid) }] },
    () => {
      const edge = SIDES.map((k) => hand.at(at(k, ...BASE))).sort((p, q) => p.x - q.x);
      hand.valley('base', { kind: 'through-points', a: edge[0], b: edge[3], moving: hand.at(centre) });
      hand.pause();
      hand.unfold('base');
    },
  );
  step(words.open, { view: 'space', creases: ['base'], arrows: [{ kind: 'push-in', grip: centre }] }, () => {
    hand.collapse(
      [
        ...quarters([['base', BASE, [0.5 + Q / 2, 0.5 + Q / 2], 180 - WALL_DEG], ...PLEAT, ...rims(180 - WALL_DEG)]),
        ...SIDES.flatMap((k): CreaseAngle[] => [
          { name: 'spine', from: at(k, ...BASE), to: at(k, 1, 0.5), angleDeg: SPINE_DEG },
          { name: 'half', from: centre, to: at(k, ...BASE), angleDeg: 0 },
          { name: 'diagonal', from: centre, to: at(k, 1, 1), angleDeg: 0 },
        ]),
      ],
      point(0.51 * side, 0.52 * side),
    );
    // Its floor was the underside of the packet.
    hand.turnOver();
  });
  return { steps, finished: hand.pose, flat };
}

/** Whether one flat face lies over another, for the viewer. */
function isOver(pose: Pose, face: number, other: number): boolean {
  return sideOfFace(pose.order, other, face) * Math.sign(whiteUp(pose, other)) > 0;
}

/** Of the two flaps on a side, told apart by where their kites hinge, the one on top. */
function topFlap(pose: Pose, { at }: Frame, which: 'right' | 'left'): number {
  const middle = whereIs(pose, at(0, 0.5, 0.5)).x;
  const here = SIDES.filter((k) => whereIs(pose, at(k, ...BASE)).x > middle === (which === 'right'));
  return topmost(pose, here, (k) => [faceAt(pose.pattern, at(k, 0.97, 0.47)), faceAt(pose.pattern, at(k, 0.97, 0.53))]);
}

function topmost(pose: Pose, flaps: readonly number[], facesOf: (k: number) => readonly number[]): number {
  const top = flaps.find((k) =>
    flaps.every((o) => o === k || facesOf(k).some((f) => facesOf(o).some((g) => isOver(pose, f, g)))),
  );
  return top ?? flaps[0];
}

/** An open dish with four points round its rim. */
export const fourPointedDish: Form<DishParams> = {
  id: 'four-pointed-dish',
  name: 'Four-pointed dish',
  family: 'open boxes and lids',
  use: 'Sweets, clips, washers: an open dish that stands by itself, with four points round its rim.',
  sheetShape: 'square',
  leastSheetMm: 90,
  params: fourPointedDishParams,
  fields: [
    {
      key: 'wallMm',
      label: 'Walls, along their slant',
      why: 'Higher walls lean in further: the opening gets smaller than the base.',
      input: {
        kind: 'length',
        folded: 'Up to the corners of the little pockets, found by folding',
        range: ({ widthMm }) => wallLimits(widthMm),
      },
    },
  ],
  rooms: ['box'],
  closure: () => ({ kind: 'open', words: 'nothing: it is open, and a little narrower above than below' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 2,
  minutes: 15,
  papers:
    '60 to 90 g/m². Twenty thin layers lie at two corners while it is folded, so thick paper does not press flat.',
  cautions: ['Small pieces and small children do not go together.'],
  fold,
  floor: (sheet, params) => SIDES.map((k) => frameOf(sheet, params).at(k, ...BASE)),
  sizes({ finished, flat }, sheet, params, thicknessMm) {
    const frame = frameOf(sheet, params);
    const { at, w } = frame;
    const { d } = rim(w);
    const base = distance(whereIs(finished, at(0, ...BASE)), whereIs(finished, at(1, ...BASE)));
    const rimAt = (k: number) => whereIs(finished, at(k, ...d));
    const opening = distance(rimAt(0), rimAt(1));
    const depth = Math.abs(rimAt(0).z - whereIs(finished, at(0, ...BASE)).z);
    const tips = SIDES.map((k) => whereIs(finished, at(k, 1, 1)));
    const span = Math.max(...tips.map((p) => distance(p, tips[0])));
    const most = mostLayers(flat!);
    return {
      rooms: [
        BOX.of({
          lengthMm: opening - thicknessMm,
          widthMm: opening - thicknessMm,
          depthMm: depth - thicknessMm,
        }),
      ],
      outer: {
        lengthMm: span,
        widthMm: span,
        heightMm: depth + thicknessMm,
      },
      lengths: [
        { name: 'base', mm: base },
        { name: 'opening', mm: opening },
        { name: 'tip to tip', mm: span },
      ],
      // Base and opening are alike squares: a frustum.
      volumes: [{ name: 'to the rim', ml: ((depth / 3) * (base ** 2 + base * opening + opening ** 2)) / 1000 }],
      layers: [
        { name: 'thickest', count: mostLayers(finished) },
        { name: 'thickest while it is flat', count: most },
      ],
    };
  },
};
