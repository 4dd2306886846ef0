import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import { flatExtent } from '../../folding/layers-at';
import { faceAt, type Pose, whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import type { Point3 } from '../../measure/vector3';
import { apply, compose, inverse } from '../../folding/transform';
import { lineThrough, type Point, point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import type { Folding, Form } from '../form';
import { HULL } from '../../rooms/hull';
import { recordSteps } from '../record-steps';
import { bendOf, displacedMm3, endFoldDeg, type Hull } from '../../bodies/hull';
import { canoeWords } from './words';

/** What tells one boat of this family from another. */
export interface CanoeKind extends Pick<Form, 'id' | 'name' | 'use' | 'sheetShape' | 'minutes' | 'leastSheetMm'> {
  /** All at once, or first one half and then the other. */
  readonly turn: 'single' | 'two-stage';
  readonly wallDeg: number;
}

const K = Math.SQRT2 - 1;

interface Frame {
  readonly width: number;
  readonly length: number;
  /** Height of the sides. */
  readonly h: number;
  /** Length of an end. */
  readonly e: number;
  /** From the middle line to the outline before the last long folds. */
  readonly half: number;
}

function frameOf({ outline }: Sheet): Frame {
  const width = Math.max(...outline.map((p) => p.x));
  const length = Math.max(...outline.map((p) => p.y));
  const half = Math.min(width / 4, (K * length) / 2);
  return { width, length, half, h: half / 2, e: half / 2 / K };
}

/** The six edges of the back that snap through when the boat is turned: sides first, then the four ends. */
function outlineOfBack({
  width,
  length,
  h,
  e,
}: Frame): { readonly from: Point; readonly to: Point; readonly end: boolean }[] {
  const mid = width / 2;
  return [-1, 1].flatMap((side) => {
    const [low, high] = [point(mid + side * h, e), point(mid + side * h, length - e)];
    return [
      { from: low, to: high, end: false },
      { from: point(mid, 0), to: low, end: true },
      { from: point(mid, length), to: high, end: true },
    ];
  });
}

function hullFor({ length, h, e }: Frame, wallRad: number): Hull {
  const bend = bendOf(wallRad);
  const y1 = length / 2 - e;
  return {
    chine: { x: y1, y: h, z: 0 },
    rim: { x: y1, y: h * (1 - Math.cos(wallRad)), z: h * Math.sin(wallRad) },
    tip: { x: y1 + e * Math.cos(bend), y: 0, z: h * Math.tan(wallRad / 2) },
  };
}

function canoeParams(wallDeg: number) {
  return z.object({
    /** Angle between walls and floor in degrees: steep walls carry, slanting ones are steadier. */
    wallDeg: z.number().int().min(75).max(115).default(wallDeg),
  });
}

type CanoeParams = z.infer<ReturnType<typeof canoeParams>>;

function fold(kind: CanoeKind, hand: Hand, sheet: Sheet, { wallDeg }: CanoeParams): Folding {
  const frame = frameOf(sheet);
  const { width, length, h, half } = frame;
  const words = canoeWords(kind.turn, length > 1.2071 * width);
  const { steps, step } = recordSteps(hand);
  const mid = width / 2;
  const [foot, head] = [point(mid, 0), point(mid, length)];
  const keel = () => lineThrough(hand.at(foot), hand.at(head));

  step(words.half, { creases: ['keel'], arrows: [{ kind: 'fold-and-unfold', grip: point(width, length / 2) }] }, () => {
    hand.valley('keel', {
      kind: 'line-onto-line',
      line: lineThrough(hand.at(point(width, 0)), hand.at(point(width, length))),
      onto: lineThrough(hand.at(point(0, 0)), hand.at(point(0, length))),
      moving: hand.at(point(width, length / 2)),
    });
    hand.pause();
    hand.unfold('keel');
  });
  step(
    words.doors,
    {
      creases: ['left door', 'right door'],
      arrows: [0, width].map((x) => ({ kind: 'fold', grip: point(x, length / 2) })),
    },
    () => {
      for (const [name, x] of [
        ['left door', 0],
        ['right door', width],
      ] as const)
        hand.valley(name, {
          kind: 'line-onto-line',
          line: lineThrough(hand.at(point(x, 0)), hand.at(point(x, length))),
          onto: keel(),
          moving: hand.at(point(x, length / 2)),
        });
    },
  );
  const sides = [
    ['left', -1],
    ['right', 1],
  ] as const;
  const ends = [
    ['upper', head, length],
    ['lower', foot, 0],
  ] as const;
  step(
    words.corners,
    {
      creases: ends.flatMap(([end]) => sides.map(([side]) => `${end} ${side} corner`)),
      arrows: ends.flatMap(([, , y]) =>
        sides.map(([, s]) => ({ kind: 'fold' as const, grip: point(mid + (s * width) / 4, y) })),
      ),
    },
    () => {
      for (const [end, tip, y] of ends)
        for (const [side, s] of sides)
          hand.valley(`${end} ${side} corner`, {
            kind: 'point-onto-line',
            point: hand.at(point(mid + (s * width) / 4, y)),
            onto: keel(),
            through: hand.at(tip),
            near: hand.at(point(mid, length / 2)),
          });
    },
  );
  for (const [end, tip, y] of ends)
    step(
      words[end],
      {
        creases: sides.map(([side]) => `${end} ${side} end`),
        arrows: sides.map(([, s]) => ({ kind: 'fold', grip: point(mid + (s * width) / 4, Math.abs(y - width / 4)) })),
      },
      () => {
        for (const [side, s] of sides) {
          const shoulder = point(mid + (s * width) / 4, Math.abs(y - width / 4));
          hand.valley(`${end} ${side} end`, {
            kind: 'line-onto-line',
            line: lineThrough(hand.at(tip), hand.at(shoulder)),
            onto: keel(),
            moving: hand.at(shoulder),
          });
        }
      },
    );
  step(
    words.sides,
    {
      creases: sides.map(([side]) => `${side} side`),
      arrows: sides.map(([, s]) => ({ kind: 'fold', grip: point(mid + s * half, length / 2) })),
    },
    () => {
      for (const [side, s] of sides)
        hand.valley(`${side} side`, {
          kind: 'point-onto-line-square',
          point: hand.at(point(mid + s * half, length / 2)),
          onto: keel(),
          squareTo: { at: hand.at(foot), along: { x: 1, y: 0 } },
        });
    },
  );
  const back = outlineOfBack(frame);
  const door = point(0.01 * width, length / 2);
  const flat = hand.pose;
  if (kind.turn === 'single')
    step(
      words.turn,
      {
        arrows: [
          { kind: 'pull-out', grip: door },
          { kind: 'push-in', grip: foot },
        ],
      },
      () => hand.turnInsideOut({ creases: back, stays: point(mid, length / 2 + 1e-3 * length) }),
    );
  else
    for (const [name, s] of [
      ['turnRight', 1],
      ['turnLeft', -1],
    ] as const)
      step(words[name], { arrows: [{ kind: 'push-in', grip: point(mid + s * h, length / 2) }] }, () =>
        hand.turnInsideOut({
          creases: back.filter(({ from, to }) => Math.sign((from.x + to.x) / 2 - mid) === s),
          stays: point(mid, length / 2 + 1e-3 * length),
        }),
      );
  step(words.over, { arrows: [{ kind: 'turn-over' }] }, () => hand.turnOver());
  step(
    words.open,
    { view: 'space', arrows: sides.map(([, s]) => ({ kind: 'lift', grip: point(mid + s * 1.5 * h, length / 2) })) },
    () => stand(hand, frame, wallDeg, back),
  );
  return { steps, finished: hand.pose, flat };
}

/** Raises the walls of a turned boat that lies walls up. */
function stand(hand: Hand, frame: Frame, wallDeg: number, back: ReturnType<typeof outlineOfBack>): void {
  const { width, length, h, e } = frame;
  const mid = width / 2;
  const wall = (wallDeg * Math.PI) / 180;
  const bend = (bendOf(wall) * 180) / Math.PI;
  const end = endFoldDeg(hullFor(frame, wall));
  const creases: CreaseAngle[] = back.map(({ from, to, end: isEnd }) => ({
    ...{ from, to, name: 'chine' },
    angleDeg: -(isEnd ? end : 180 - wallDeg),
  }));
  const floor = [
    point(mid, length / 2),
    point(mid - h / 3, e / 1.5),
    point(mid + h / 3, e / 1.5),
    point(mid - h / 3, length - e / 1.5),
    point(mid + h / 3, length - e / 1.5),
    point(mid - h / 3, length / 2),
    point(mid + h / 3, length / 2),
  ];
  const bends = [e, length - e].flatMap((y) => {
    creases.push({ from: point(mid - h, y), to: point(mid + h, y), angleDeg: -bend, name: 'floor bend' });
    const [a, b, c] = [hand.at(point(mid - h, y)), hand.at(point(mid + h, y)), hand.at(point(mid, y))];
    return [a, b].map((from) => ({ from, to: c, angleDeg: -bend, except: floor, name: 'wall bend' }));
  });
  hand.stand(creases, bends, point(mid + 1e-3 * width, length / 2 + 1e-3 * length));
}

/**
 * The hull as it stands, in its own frame: x along, y across, z up from the floor. Measured from corner to corner, over both
 * sides and both ends: a boat that was folded a little askew is taken for the even one between.
 */
function measuredHull({ finished, flat }: Folding, frame: Frame): Hull {
  const { width, length, h, e } = frame;
  const mid = width / 2;
  // Back into the floor's own plane, where the sheet lies flat.
  const back = inverse(
    finished.placed[faceAt(finished.pattern, point(mid + 1e-3 * width, length / 2 + 1e-3 * length))],
  );
  const corners = (at: (side: 1 | -1, y: number) => Point3): Point3 => {
    const [nearLeft, nearRight, farLeft, farRight] = [e, length - e].flatMap((y) =>
      ([-1, 1] as const).map((side) => apply(back, at(side, y))),
    );
    return {
      x: (farLeft.y - nearLeft.y + farRight.y - nearRight.y) / 4,
      y: (nearRight.x - nearLeft.x + farRight.x - farLeft.x) / 4,
      z: Math.abs(nearLeft.z + nearRight.z + farLeft.z + farRight.z) / 4,
    };
  };
  const [foot, head] = [0, length].map((y) => apply(back, whereIs(finished, point(mid, y))));
  return {
    chine: { ...corners((side, y) => whereIs(finished, point(mid + side * h, y))), z: 0 },
    rim: corners((side, y) => wallMotion(finished, flat!, frame, side, { x: mid, y, z: 0 })),
    tip: { x: (head.y - foot.y) / 2, y: 0, z: Math.abs(foot.z + head.z) / 2 },
  };
}

/** Where a spot of the flat pack's wall on one side has gone: walls move as one stack. */
function wallMotion(finished: Pose, flat: Pose, { width, length, h }: Frame, side: 1 | -1, spot: Point3): Point3 {
  // The strip between chine and side fold of the back belongs to the wall.
  const onWall = point(width / 2 + side * 1.4 * h, length / 2);
  const from = flat.placed[faceAt(flat.pattern, onWall)];
  const to = finished.placed[faceAt(finished.pattern, onWall)];
  return apply(compose(to, inverse(from)), spot);
}

/** A boat of this family. */
export function canoe(kind: CanoeKind): Form<CanoeParams> {
  return {
    ...kind,
    family: 'boats',
    params: canoeParams(kind.wallDeg),
    fields: [
      {
        key: 'wallDeg',
        label: 'Walls to the floor',
        why: 'Upright walls make the driest boat; beyond 90 the boat is wider and steadier.',
        input: { kind: 'angle', min: 75, max: 115, sought: [75, 80, 85, 90, 95, 100, 105, 110, 115] },
      },
    ],
    rooms: ['hull'],
    closure: () => ({ kind: 'open', words: 'nothing: its sides stand by their own creases' }),
    adhesive: () => 'none',
    cuts: () => 'none',
    skill: 3,
    papers: '60 to 100 g/m², long-fibred; rub the outside with wax first if it is to float for more than minutes.',
    cautions: [
      'No candles or other flames in a paper boat.',
      'Sail in a basin or on a thread and lift the boat out again: paper and wax are litter in a stream.',
      'Stay with small children at any water, however shallow.',
      'Paper is not waterproof: test it empty first, and expect minutes rather than hours.',
    ],
    fold: (hand, sheet, params) => fold(kind, hand, sheet, params),
    floor(sheet) {
      const { width, length, h, e } = frameOf(sheet);
      const mid = width / 2;
      return [point(mid - h, e), point(mid + h, e), point(mid + h, length - e), point(mid - h, length - e)];
    },
    sizes(folding, sheet, _params, thicknessMm) {
      const frame = frameOf(sheet);
      const hull = measuredHull(folding, frame);
      const most = mostLayers(folding.flat!);
      const rimMm = Math.min(hull.rim.z, hull.tip.z);
      const ml = (share: number): number => displacedMm3(hull, share * rimMm) / 1000;
      return {
        rooms: [
          HULL.of({
            floorLengthMm: 2 * hull.chine.x,
            floorWidthMm: 2 * hull.chine.y,
            sideMm: hull.rim.z,
            tipMm: hull.tip.z,
            rimLengthMm: 2 * hull.rim.x,
            rimWidthMm: 2 * hull.rim.y,
            overallMm: 2 * hull.tip.x,
          }),
        ],
        outer: {
          lengthMm: 2 * hull.tip.x,
          widthMm: 2 * Math.max(hull.chine.y, hull.rim.y) + 2 * most * thicknessMm,
          heightMm: Math.max(hull.rim.z, hull.tip.z) + thicknessMm,
        },
        lengths: [
          { name: 'length over all', mm: 2 * hull.tip.x },
          { name: 'beam at the rim', mm: 2 * hull.rim.y },
          { name: 'flat pack, wide', mm: flatExtent(folding.flat!).widthMm },
        ],
        volumes: [
          { name: 'water pushed aside, loaded to 70 % of the side', ml: ml(0.7) },
          { name: 'to the rim, where it fills', ml: ml(1) },
        ],
        layers: [{ name: 'thickest', count: most }],
      };
    },
  };
}

export const squareCanoe = canoe({
  id: 'square-canoe',
  name: 'Pointed canoe',
  use: 'Carries a brass washer across a basin, or pens and clips across a desk.',
  sheetShape: 'square',
  leastSheetMm: 120,
  minutes: 12,
  turn: 'single',
  wallDeg: 100,
});

export const oblongCanoe = canoe({
  id: 'oblong-canoe',
  name: 'Long canoe',
  use: 'The larger boat, from a letter sheet: tens of grams afloat, or a tray for pens and markers.',
  sheetShape: {
    longPerShort: [1.2072, 3],
    lies: 'upright',
    why: 'on shorter ones the ends would meet in the middle: use the pointed canoe.',
  },
  leastSheetMm: 120,
  minutes: 10,
  turn: 'single',
  wallDeg: 90,
});

export const podBoat = canoe({
  id: 'pod-boat',
  name: 'Pod boat',
  use: 'A narrow boat with upright sides, turned one half after the other: easier on the paper’s tips.',
  sheetShape: 'square',
  leastSheetMm: 120,
  minutes: 14,
  turn: 'two-stage',
  wallDeg: 90,
});
