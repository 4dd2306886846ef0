import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import { layersThrough } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import type { KnownLayers } from '../../folding/known-layers';
import type { ShownUnit } from '../../measure/format-length';
import { distance, point, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, Form, SheetSize } from '../form';
import { BOX } from '../../rooms/box';
import { recordSteps } from '../record-steps';
import { bandedWords } from './words';

export const bandedBoxParams = z.object({
  /** Half the band's width in mm; null for a sixteenth of the sheet's diagonal, which folding alone gives. */
  halfBandMm: z.number().positive().nullable().default(null),
  /** Height in mm; null for an eighth of the diagonal. */
  heightMm: z.number().positive().nullable().default(null),
});

type BandedBoxParams = z.infer<typeof bandedBoxParams>;

interface Frame {
  readonly side: number;
  /** A sixteenth of the diagonal. */
  readonly u: number;
  readonly b: number;
  readonly h: number;
  readonly a: number;
  /** From the middle to base edge and rim: across the pleats, and along the band. */
  readonly x3: number;
  readonly x4: number;
  readonly y1: number;
  readonly y2: number;
  /** A sheet point by its place along the sheet's diagonals, from the middle. */
  readonly on: (xi: number, eta: number) => Point;
}

/** @throws RangeError when band and height do not go together on this sheet */
function frameOf(sheet: Sheet, { halfBandMm, heightMm }: BandedBoxParams): Frame {
  const { side } = squareFrame(sheet);
  const u = (side * Math.SQRT2) / 16;
  const b = halfBandMm ?? u;
  const h = heightMm ?? 2 * u;
  const a = 8 * u - 2 * b - h;
  const slack = 1e-9 * side;
  if (2 * b > a / 2 + slack)
    throw new RangeError(
      `A band ${(2 * b).toFixed(1)} mm wide is too wide for a base of ${a.toFixed(1)} mm: at most half of it.`,
    );
  if (h > a + slack)
    throw new RangeError(
      `Walls of ${h.toFixed(1)} mm are too high for a base of ${a.toFixed(1)} mm: at most as high as the base is wide.`,
    );
  const on = (xi: number, eta: number): Point =>
    point(side / 2 + (xi + eta) / Math.SQRT2, side / 2 + (eta - xi) / Math.SQRT2);
  return { side, u, b, h, a, x3: 2 * b + a / 2, x4: 2 * b + a / 2 + h, y1: a / 2, y2: a / 2 + h, on };
}

/** The box with lid flaps standing (0) or folded in (90): band flaps, and side flaps. */
function boxCreases({ b, h, x3, x4, y1, y2, on }: Frame, bandLidDeg: number, sideLidDeg: number): CreaseAngle[] {
  const quarter = (name: string, from: readonly [number, number], to: readonly [number, number], angleDeg: number) =>
    [1, -1].flatMap((sx) =>
      [1, -1].map((sy): CreaseAngle => ({
        name,
        from: on(sx * from[0], sy * from[1]),
        to: on(sx * to[0], sy * to[1]),
        angleDeg,
      })),
    );
  /** Along the band's direction a crease runs over three strips, the pleat's inner layer bending the other way. */
  const across = (name: string, y: number, end: number, deg: number): CreaseAngle[] => [
    ...quarter(name, [0, y], [b, y], deg),
    ...quarter(name, [b, y], [2 * b, y], -deg),
    ...quarter(name, [2 * b, y], [end, y], deg),
  ];
  return [
    ...across('band base', y1, x3, 90),
    ...across('band rim', y2, x3, bandLidDeg),
    ...quarter('side base', [x3, 0], [x3, y1], 90),
    ...quarter('side rim', [x4, 0], [x4, y1], sideLidDeg),
    ...quarter('ear', [x3, y1], [x4, y1], 180),
    ...quarter('ear', [x3, y1], [x3, y2], 90),
    ...quarter('ear middle', [x3, y1], [x3 + h / 2, y1 + h / 2], -180),
  ];
}

function fold(hand: Hand, sheet: Sheet, params: BandedBoxParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { u, b, x3, x4, y1, y2, on } = frame;
  const measured = params.halfBandMm !== null || params.heightMm !== null;
  const words = bandedWords(measured ? { bandMm: b, pleatMm: 2 * b, baseMm: y1 } : null, unit);
  const { steps, step } = recordSteps(hand);
  const { onto, through, line } = atHand(hand);
  const centre = on(0, 0);
  const [right, left, far, near] = [on(8 * u, 0), on(-8 * u, 0), on(0, 8 * u), on(0, -8 * u)];
  const pinch = (name: string, corner: Point, at: Point): void =>
    hand.pinch(name, onto(corner, centre), { near: at, lengthMm: 1.6 * u });
  const opened = (name: string, fold1: () => void, pause = false): void => {
    fold1();
    if (pause) hand.pause();
    hand.unfold(name);
  };
  const upright = (xi: number): readonly [Point, Point] => [on(xi, -0.5 * u), on(xi, 0.5 * u)];
  const level = (eta: number): readonly [Point, Point] => [on(-0.5 * b, eta), on(0.5 * b, eta)];

  step(words.turn, { arrows: [{ kind: 'rotate', grip: right }] }, () => hand.rotate(45));
  step(
    words.diagonals,
    {
      creases: ['level diagonal', 'upright diagonal'],
      arrows: [
        { kind: 'fold-and-unfold', grip: near },
        { kind: 'fold-and-unfold', grip: right, to: left },
      ],
    },
    () => {
      opened('level diagonal', () => hand.valley('level diagonal', onto(near, far)), true);
      opened('upright diagonal', () => hand.valley('upright diagonal', onto(right, left)));
    },
  );
  for (const [id, ends, creases, names] of [
    ['pleats', [right, left], [2 * b, -2 * b], ['right', 'left']],
    ['bases', [far, near], [y1, -y1], ['far', 'near']],
  ] as const) {
    const isPleat = id === 'pleats';
    step(
      words[id],
      {
        creases: names.flatMap((name) => [`${name} pinch`, `${name} ${isPleat ? 'pleat' : 'base'}`]),
        arrows: ends.map((grip, k) => ({
          kind: 'fold-and-unfold',
          grip,
          to: isPleat ? on(k ? 4 * u : -4 * u, 0) : on(0, k ? 4 * u : -4 * u),
        })),
      },
      () => {
        if (!measured)
          ends.forEach((end, k) =>
            pinch(`${names[k]} pinch`, end, isPleat ? on(k ? -4 * u : 4 * u, 0) : on(0, k ? -4 * u : 4 * u)),
          );
        ends.forEach((end, k) => {
          const name = `${names[k]} ${isPleat ? 'pleat' : 'base'}`;
          const [p, q] = isPleat ? upright(creases[k]) : level(creases[k]);
          opened(
            name,
            () =>
              hand.valley(
                name,
                measured
                  ? through(p, q, end)
                  : {
                      kind: 'point-onto-point',
                      point: hand.at(end),
                      // The pinch on the other side of the middle.
                      onto: hand.mark(
                        `${names[1 - k]} pinch`,
                        isPleat ? on(k ? 4 * u : -4 * u, 0) : on(0, k ? 4 * u : -4 * u),
                      ),
                    },
              ),
            k === 0,
          );
        });
      },
    );
  }
  step(
    words.band,
    { creases: ['half again', 'band'], arrows: [{ kind: 'fold-and-unfold', grip: right, to: left }] },
    () => {
      hand.valley('half again', onto(right, left));
      hand.valley(
        'band',
        measured
          ? through(...upright(b), on(0, 0.5 * u))
          : {
              kind: 'line-onto-line',
              line: line(on(0, -6 * u), on(0, 6 * u)),
              onto: line(on(2 * b, -5 * u), on(2 * b, 5 * u)),
              moving: hand.at(on(0, 0.5 * u)),
            },
      );
      hand.pause();
      hand.unfold('half again');
    },
  );
  for (const [name, s, corner] of [
    ['right', 1, right],
    ['left', -1, left],
  ] as const)
    step(
      words[`${name}Pleat`],
      { creases: [`${name} band`, `${name} pleat`], arrows: [{ kind: 'fold', grip: on(s * 7.5 * u, 0) }] },
      () => {
        hand.valley(`${name} band`, through(...upright(s * b), corner));
        hand.pause();
        hand.valley(`${name} fold back`, through(...upright(s * 2 * b), corner), { flap: corner });
      },
    );
  for (const [name, s, corner] of [
    ['right', 1, right],
    ['left', -1, left],
  ] as const)
    step(
      words[`${name}Flap`],
      {
        creases: [`${name} wall`, `${name} tip`],
        arrows: [{ kind: 'fold-and-unfold', grip: corner, to: on(-s * 4 * u, 0) }],
      },
      () => {
        hand.valley(
          `${name} wall`,
          measured
            ? through(...upright(s * x3), corner)
            : {
                kind: 'point-onto-point',
                point: hand.at(corner),
                onto: hand.mark(`${s > 0 ? 'left' : 'right'} pinch`, on(-s * 4 * u, 0)),
              },
        );
        hand.valley(`${name} tip`, through(...upright(s * x4), corner), { flap: corner });
        hand.pause();
        hand.unfold(`${name} wall`);
      },
    );
  for (const [id, name, s, corner] of [
    ['farEnd', 'far', 1, far],
    ['nearEnd', 'near', -1, near],
  ] as const)
    step(
      words[id],
      { creases: [`${name} base`, `${name} rim`], arrows: [{ kind: 'fold-and-unfold', grip: corner, to: centre }] },
      () => {
        opened(`${name} base edge`, () => hand.valley(`${name} base edge`, through(...level(s * y1), corner)), true);
        opened(`${name} rim`, () => hand.valley(`${name} rim`, through(...level(s * y2), corner)));
      },
    );
  step(
    words.raise,
    {
      view: 'space',
      creases: ['right wall', 'left wall', 'far base', 'near base'],
      arrows: [right, left, far, near].map((grip) => ({ kind: 'lift', grip })),
    },
    () => hand.collapse(boxCreases(frame, 0, 0), centre),
  );
  const open = hand.pose;
  step(
    words.bandLid,
    { view: 'space', creases: ['far rim', 'near rim'], arrows: [far, near].map((grip) => ({ kind: 'tuck', grip })) },
    () => hand.collapse(boxCreases(frame, 90, 0), centre, lidOrder(frame, false)),
  );
  step(
    words.sideLid,
    {
      view: 'space',
      creases: ['right tip', 'left tip'],
      arrows: [right, left].map((grip) => ({ kind: 'tuck', grip })),
    },
    () => hand.collapse(boxCreases(frame, 90, 90), centre, lidOrder(frame, true)),
  );
  return { steps, finished: hand.pose, open };
}

/** How the lid lies: the far point within the near band, the near point over the far band, the side flaps under both. */
function lidOrder({ a, b, y2, x4, on }: Frame, sides: boolean): KnownLayers[] {
  const middle = y2 + a / 2;
  const [x, past] = [0.2 * b, Math.min(b, a / 8)];
  const known: KnownLayers[] = [
    { point: on(x, -(middle - past)), other: on(x, middle + past), lies: 'under' },
    { point: on(2 * b - x, -(middle - past)), other: on(x, middle + past), lies: 'over' },
    { point: on(x, middle - past), other: on(x, -(middle + past)), lies: 'over' },
  ];
  if (!sides) return known;
  const [w, y] = [0.5 * b, 0.15 * b];
  for (const sx of [1, -1])
    for (const sy of [1, -1])
      known.push({
        point: on(sx * (2 * b - w), sy * (middle - y)),
        other: on(sx * (x4 + a / 2 - w), sy * y),
        lies: 'under',
      });
  return known;
}

const range =
  (least: (s: number) => number, most: (s: number, other: number | null) => number, other: string) =>
  ({ widthMm }: SheetSize, params: Readonly<Record<string, unknown>>): readonly [number, number] => {
    const given = params[other];
    return [least(widthMm), most(widthMm, typeof given === 'number' ? given : null)];
  };

/** A closed box in one piece with a raised band round it, whose two points lock the lid. */
export const bandedBox: Form<BandedBoxParams> = {
  id: 'banded-gift-box',
  name: 'Banded gift box',
  family: 'closing boxes',
  use: 'Jewellery, sweets, a key on a ribbon: a flat closed box with a band round it like a ribbon.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: bandedBoxParams,
  fields: [
    {
      key: 'halfBandMm',
      label: 'Half the band',
      why: 'A narrow band leaves a larger box; below 7 mm the points no longer hold.',
      input: {
        kind: 'length',
        folded: 'A sixteenth of the diagonal, found by folding',
        // Twice the band at most half of the base: 4 b ≤ D / 2 − 2 b − h.
        range: range(
          (s) => Math.max(7, 0.02 * s),
          (s, h) => ((s * Math.SQRT2) / 2 - (h ?? (s * Math.SQRT2) / 8)) / 6,
          'heightMm',
        ),
      },
    },
    {
      key: 'heightMm',
      label: 'Height',
      why: 'Every millimetre of height takes one from the base.',
      input: {
        kind: 'length',
        folded: 'An eighth of the diagonal, found by folding',
        range: range(
          (s) => 0.06 * s,
          (s, b) => {
            const half = b ?? (s * Math.SQRT2) / 16;
            // As high as the base is wide, and the band no wider than half the base.
            return Math.min(((s * Math.SQRT2) / 2 - 2 * half) / 2, (s * Math.SQRT2) / 2 - 6 * half);
          },
          'halfBandMm',
        ),
      },
    },
  ],
  rooms: ['box'],
  closure: () => ({ kind: 'slides', words: 'two points that slide into each other, and two flaps tucked under' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 3,
  minutes: 25,
  papers: '60 to 100 g/m². Where the points meet five layers lie in the lid.',
  cautions: ['No candles inside or beside it.'],
  fold,
  floor(sheet, params) {
    const { x3, y1, on } = frameOf(sheet, params);
    return [on(x3, y1), on(-x3, y1), on(-x3, -y1), on(x3, -y1)];
  },
  sizes({ finished }, sheet, params, thicknessMm) {
    const { u, x3, x4, y1, b, on } = frameOf(sheet, params);
    const at = (xi: number, eta: number) => whereIs(finished, on(xi, eta));
    const length = distance(at(x3, 0), at(-x3, 0));
    const width = distance(at(0, y1), at(0, -y1));
    const height = at(x4, 0).z - at(x3, 0).z;
    const aside = 0.3 * b;
    const band = layersThrough(finished, on(aside, y1 + height / 2));
    const floor = layersThrough(finished, on(aside, 0.1 * y1));
    const lid = layersThrough(finished, on(aside, y1 + height + 0.9 * y1));
    const most = mostLayers(finished);
    return {
      rooms: [
        BOX.of({
          lengthMm: length - 2 * thicknessMm,
          widthMm: width - 2 * thicknessMm,
          depthMm: height - thicknessMm,
        }),
      ],
      outer: {
        lengthMm: length + 2 * thicknessMm,
        widthMm: width + 2 * band * thicknessMm,
        heightMm: height + (floor + lid) * thicknessMm,
      },
      lengths: [
        { name: 'band', mm: distance(at(b, 0), at(-b, 0)) },
        { name: 'points over each other', mm: distance(at(0, 8 * u), at(0, -8 * u)) },
      ],
      layers: [
        { name: 'thickest', count: most },
        { name: 'floor under the band', count: floor },
        { name: 'band walls', count: band },
        { name: 'lid in the band', count: lid },
      ],
    };
  },
};
