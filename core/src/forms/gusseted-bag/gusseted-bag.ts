import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import { flatExtent } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance3 } from '../../measure/vector3';
import type { ShownUnit } from '../../measure/format-length';
import { point, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand } from '../at-hand';
import type { Folding, Form } from '../form';
import { choice } from '../choice';
import { BOX } from '../../rooms/box';
import { type Limits, refuseUnsuited } from '../limits';
import { recordSteps } from '../record-steps';
import { bagWords } from './words';

const USUAL_SEAM_MM = 10;

export const gussetedBagParams = z.object({
  /** How deep the bag's bottom folds up, in mm: nearly the depth of the base; null for 15 % of the girth side. */
  foldUpMm: z.number().positive().nullable().default(null),
  /** Overlap of the side seam, in mm. */
  seamMm: z.number().min(5).max(20).default(USUAL_SEAM_MM),
  /** Creases of the pleated top; 0 leaves the mouth plain. */
  pleats: z.number().int().min(0).max(12).default(4),
  /** Depth of one pleat, in mm. */
  pleatMm: z.number().min(2.5).max(8).default(4),
  /** What the tied top looks like: two half fans with a gap between them, or as many pleats as close them to one. */
  top: z.enum(['gap', 'fan']).default('gap'),
  /** What holds the seam and the base. */
  join: z.enum(['glue', 'tape']).default('glue'),
});

type BagParams = z.infer<typeof gussetedBagParams>;

/** Overlap of the two flaps of the base, in mm. */
const BASE_LAP_MM = 6;
/** More than is needed if strips of paper bent without any resistance. */
const FAN_SPARE = 1.2;
/** More creases than that no longer press together. */
const MOST_PLEATS = 24;

/**
 * Creases of the top. Each half fan turns by up to a quarter: strips of depth z at its outer radius, half the front a, reach
 * that from n z = π a / 4 on.
 */
function pleatsOf({ top, pleats, pleatMm }: BagParams, frontMm: number): number {
  if (top === 'gap') return pleats;
  const needed = Math.ceil((FAN_SPARE * Math.PI * frontMm) / 4 / pleatMm);
  if (needed > MOST_PLEATS)
    throw new RangeError(
      `A closed fan over a front of ${frontMm.toFixed(0)} mm wants ${needed} creases: make the pleats deeper, or leave the gap.`,
    );
  return needed;
}

interface Frame {
  readonly width: number;
  readonly height: number;
  readonly o: number;
  readonly f: number;
  readonly q: number;
  /** Depth of the base, its front, and where the base creases lie over the lower edge. */
  readonly d: number;
  readonly a: number;
  readonly l: number;
  /** The two edges of the flat tube. */
  readonly x1: number;
  readonly x2: number;
}

/** For the flaps of the base to overlap, and its corners to keep clear of the seam. */
const foldUpLimits = (widthMm: number, seamMm: number): Limits => [1.5 * BASE_LAP_MM, widthMm / 4 - 0.75 * seamMm];

/** @throws RangeError when seam and fold-up do not go together on this sheet */
function frameOf({ outline }: Sheet, { foldUpMm, seamMm: o }: BagParams): Frame {
  const width = Math.max(...outline.map((p) => p.x));
  const height = Math.max(...outline.map((p) => p.y));
  const q = BASE_LAP_MM;
  const f = foldUpMm ?? 0.15 * width;
  refuseUnsuited('Bottom folded up', f, foldUpLimits(width, o), width);
  const d = f - q / 2;
  if ((width - o) / 2 - d < d - 1e-9)
    throw new RangeError(
      `A base ${d.toFixed(1)} mm deep is deeper than its front would be wide: fold the bottom up by less than ${((width - o) / 4 + q / 2).toFixed(1)} mm.`,
    );
  return {
    ...{ width, height, o, f, q, d },
    a: (width - o) / 2 - d,
    l: f - d / 2,
    x1: width / 4 + o / 4,
    x2: (3 * width) / 4 - o / 4,
  };
}

type Row = readonly [name: string, from: readonly [number, number], to: readonly [number, number], angleDeg: number];

/** Rows written for the left edge of the tube (u to its right is the back, to its left the seam face), on both edges. */
function onEdges({ width, x1 }: Frame, rows: readonly Row[]): CreaseAngle[] {
  return rows.flatMap(([name, from, to, angleDeg]) =>
    [1, -1].map((s) => {
      const at = ([u, y]: readonly [number, number]): Point => point(s > 0 ? x1 + u : width - x1 - u, y);
      return { name, from: at(from), to: at(to), angleDeg };
    }),
  );
}

function fold(hand: Hand, sheet: Sheet, params: BagParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { width, height, o, f, q, d, a, l, x1, x2 } = frame;
  const { pleatMm, top, join } = params;
  const pleats = pleatsOf(params, a);
  const words = bagWords({ seamMm: o, foldUpMm: f, lapMm: q, pleatMm, pleats, top, join }, unit);
  const { steps, step } = recordSteps(hand);
  const { through } = atHand(hand);
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
  step(words.right, { creases: ['right side'], arrows: [{ kind: 'fold', grip: point(width, height / 2) }] }, () =>
    hand.valley('right side', through(point(x2, 0), point(x2, height), point(width, height / 2))),
  );
  step(words.left, { creases: ['left side'], arrows: [{ kind: 'fold', grip: point(0, height / 2) }] }, () => {
    hand.valley('left side', through(point(x1, 0), point(x1, height), point(0, height / 2)));
    hand[join](point(o / 2, 0.7 * height), point(width - o / 2, 0.7 * height));
  });
  step(words.bottom, { creases: ['bottom'], arrows: [{ kind: 'fold-and-unfold', grip: point(mid, 0) }] }, () => {
    hand.valley('bottom', through(point(x1, f), point(x2, f), point(mid, 0)));
    hand.pause();
    hand.unfold('bottom');
  });
  const diagonals: readonly Row[] = [
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
  const flap = (s: 1 | -1): Row[] => [
    ['base flap', [(s * d) / 2, l], [s > 0 ? whole - d / 2 : seamEdge, l], 180],
    ['base flap end', [(s * d) / 2, 0], [(s * d) / 2, l], -180],
  ];
  step(words.upperFlap, { creases: ['base flap'], arrows: [{ kind: 'fold', grip: point(0.25 * x1, 0) }] }, () =>
    hand.collapse(onEdges(frame, flap(-1)), back),
  );
  step(words.lowerFlap, { creases: ['base flap'], arrows: [{ kind: 'fold', grip: point(mid, 0) }] }, () => {
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
  const standing: readonly Row[] = [
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
  const pressed: readonly Row[] = [
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
        const line = through(point(mid - 0.1 * whole, y), point(mid + 0.1 * whole, y), point(mid, y + 0.9 * pleatMm));
        if (j % 2) hand.mountain('pleat', line);
        else hand.valley('pleat', line);
        if (j === 1) hand.pause();
      }
      flat = hand.pose;
    });
  return { steps, finished, flat, open: finished };
}

/** A paper bag with a flat bottom and folding sides. */
export const gussetedBag: Form<BagParams> = {
  id: 'gusseted-bag',
  name: 'Gusseted bag',
  family: 'bags',
  use: 'A mended lamp’s bulb, a scarf, a set of screws: a standing bag with a flat bottom and a pleated top.',
  sheetShape: {
    longPerShort: [1, 1.6],
    lies: 'upright',
    why: 'the shorter side goes round, the longer side is the height.',
  },
  leastSheetMm: 120,
  params: gussetedBagParams,
  fields: [
    {
      key: 'foldUpMm',
      label: 'Bottom folded up',
      why: 'Nearly the depth of the base; a deeper bag is a narrower one.',
      input: {
        kind: 'length',
        folded: '15 % of the side that goes round',
        range: ({ widthMm, heightMm }, { seamMm }) =>
          foldUpLimits(Math.min(widthMm, heightMm), typeof seamMm === 'number' ? seamMm : USUAL_SEAM_MM),
      },
    },
    {
      key: 'seamMm',
      label: 'Seam',
      why: 'Wide enough for your glue; every millimetre is taken from the girth.',
      input: { kind: 'fixed length', min: 5, max: 20, sought: true },
    },
    {
      key: 'pleats',
      label: 'Creases of the pleated top',
      why: 'None leaves the mouth plain, to be folded over. For a closed fan they are counted for you.',
      input: { kind: 'count', min: 0, max: 12 },
    },
    {
      key: 'pleatMm',
      label: 'Depth of a pleat',
      why: 'Deeper pleats make a bolder fan of fewer creases, and take more from the height.',
      input: { kind: 'fixed length', min: 3, max: 8 },
    },
    choice('top', 'The tied top', 'A gap is quicker; a closed fan takes many pleats and two spots of glue.', {
      gap: 'Two half fans with a gap',
      fan: 'Closed to one fan',
    }),
    choice('join', 'Seam and base', 'Glue lies flatter; tape holds at once and can be lifted.', {
      glue: 'Glue stick',
      tape: 'Thin double-sided tape',
    }),
  ],
  rooms: ['box'],
  closure: ({ pleats }) =>
    pleats > 0
      ? { kind: 'tied', words: 'a ribbon round the pleats' }
      : { kind: 'flap', words: 'its mouth, folded over' },
  adhesive: () => 'needed',
  fixedLengths: true,
  cuts: () => 'none',
  skill: 3,
  minutes: 25,
  papers: '60 to 90 g/m²: heavier paper does not hold its pleats.',
  cautions: [
    'Use glue with the window open, and let the seam dry before you go on.',
    'Do not lift a full bag by its fan.',
  ],
  fold,
  floor(sheet, params) {
    const { x1, x2, d, l } = frameOf(sheet, params);
    return [point(x1 + d / 2, l), point(x2 - d / 2, l), point(x2 + d / 2, l), point(x1 - d / 2, l)];
  },
  sizes({ finished, flat }, sheet, params, thicknessMm) {
    const frame = frameOf(sheet, params);
    const { x1, x2, d, l, height, o } = frame;
    const at = (x: number, y: number) => whereIs(finished, point(x, y));
    const front = distance3(at(x1 + d / 2, l), at(x2 - d / 2, l));
    const depth = distance3(at(x1 - d / 2, l), at(x1 + d / 2, l));
    const wall = distance3(at(frame.width / 2, l), at(frame.width / 2, height));
    const pleated = pleatsOf(params, frame.a) * params.pleatMm;
    const { widthMm, heightMm } = flatExtent(flat!);
    const most = mostLayers(flat!);
    return {
      rooms: [
        BOX.of({
          lengthMm: front - thicknessMm,
          widthMm: depth - thicknessMm,
          // What it takes to bring front and back together over the contents.
          depthMm: wall - pleated - (pleated ? 0.7 * depth : 0) - thicknessMm,
        }),
      ],
      outer: { lengthMm: front + thicknessMm, widthMm: depth + 2 * thicknessMm, heightMm: wall },
      lengths: [
        { name: 'walls, before pleating', mm: wall },
        { name: 'flat bag, wide', mm: widthMm },
        { name: 'flat bag, high', mm: heightMm },
        { name: 'flaps of the base over each other', mm: distance3(at(o / 2, 0), at(frame.width / 2, 0)) },
      ],
      layers: [
        { name: 'thickest', count: mostLayers(finished) },
        { name: 'thickest when flat', count: most },
      ],
    };
  },
};
