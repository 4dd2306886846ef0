import type { Hand } from '../../folding/hand';
import type { KnownLayers } from '../../folding/known-layers';
import type { ShownUnit } from '../../measure/format-length';
import { type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand, type RulerMark } from '../at-hand';
import type { Folding } from '../form';
import { recordSteps } from '../record-steps';
import { BANDED_USE, bandedWords } from './words';
import { type BandedBoxParams, boxCreases, type Frame, frameOf } from './frame';

/** The moves of the banded box. */
export function fold(hand: Hand, sheet: Sheet, params: BandedBoxParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { u, b, h, x3, x4, y1, y2, on } = frame;
  const measured = params.halfBandMm !== null || params.heightMm !== null;
  const words = bandedWords(measured ? { bandMm: b, pleatMm: 2 * b, baseMm: y1, heightMm: h, rimMm: y2 } : null, unit);
  const { steps, uses, step, use } = recordSteps(hand);
  const { onto, through, measured: byRuler, line } = atHand(hand);
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

  /** Marks near both ends of a crease, measured from the middle lines. */
  const fromUpright = (xi: number) =>
    upright(xi).map((at, k) => ({ at, from: upright(0)[k] })) as [RulerMark, RulerMark];
  const fromLevel = (eta: number) => level(eta).map((at, k) => ({ at, from: level(0)[k] })) as [RulerMark, RulerMark];

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
          const marks = isPleat ? fromUpright(creases[k]) : fromLevel(creases[k]);
          opened(
            name,
            () =>
              hand.valley(
                name,
                measured
                  ? byRuler(name, marks, end)
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
          ? byRuler('band', fromUpright(b), on(0, 0.5 * u))
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
            ? byRuler(`${name} wall`, fromUpright(s * x3), corner)
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
  const stoodOpen = hand.remembered();
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
  const closed = hand.remembered();
  const tugs = [right, left].map((grip) => ({ kind: 'pull-out' as const, grip }));
  use(BANDED_USE.opened, { view: 'space', arrows: tugs }, [closed, stoodOpen]);
  const tucks = [far, near].map((grip) => ({ kind: 'tuck' as const, grip }));
  use(BANDED_USE.kept, { view: 'space', arrows: tucks }, [stoodOpen, closed]);
  return { steps, uses, finished: hand.pose, open };
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
