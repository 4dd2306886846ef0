import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import type { KnownLayers } from '../../folding/known-layers';
import { faceAt } from '../../folding/pose';
import { between, lineThrough, type Point, point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import type { ShownUnit } from '../../measure/format-length';
import { atHand, squareFrame } from '../at-hand';
import type { Folding, StepWords } from '../form';
import { recordSteps } from '../record-steps';
import { DISH_USE, dishWords } from './words';
import { type CreaseRow, onParts, type SheetPart } from '../../folding/crease-rows';
import { BASE, type DishParams, frameOf, onSide, PLEAT, Q, rim, SIDES, SPINE_DEG, WALL_DEG } from './frame';
import { topFlap, topmost } from './top-flap';

/** The moves of the dish. */
export function fold(hand: Hand, sheet: Sheet, params: DishParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { side, w, at } = frame;
  const { on } = squareFrame(sheet);
  const words = dishWords(params.wallMm, unit);
  const { steps, uses, step, use } = recordSteps(hand);
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
  const rims = (deg: number): CreaseRow[] => [
    ['rim', d, mid, -deg],
    ['rim', d, m, deg],
  ];
  const quarters = (rows: readonly CreaseRow[]): CreaseAngle[] => SIDES.flatMap((k) => onSide(frame, k, rows));
  /** A point of the sheet's rim and the two sides that its halves belong to. */
  const halvesOf = (k: number) =>
    [
      [k, false],
      [(k + 1) % 4, true],
    ] as const;
  const pointDown = (k: number): CreaseAngle[] =>
    onParts(
      halvesOf(k).map(
        ([side, m]): SheetPart =>
          ([x, y]) =>
            at(side, x, y, m),
      ),
      rims(180),
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
      if (said === words.point && params.wallMm !== null)
        hand.measured('rim', at(top, ...mid), at(top, 0.5 + Q / 2, 0.5 + Q / 2));
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
  const packed = hand.remembered();
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
  const stood = hand.remembered();
  use(DISH_USE.away, { view: 'space', arrows: [{ kind: 'push-in', grip: centre }] }, [stood, packed]);
  use(DISH_USE.setUp, { view: 'space', arrows: [{ kind: 'push-in', grip: centre }] }, [packed, stood]);
  return { steps, uses, finished: hand.pose, flat };
}
