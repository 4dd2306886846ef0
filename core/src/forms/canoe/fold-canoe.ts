import type { CreaseAngle } from '../../folding/collapse';
import type { Hand } from '../../folding/hand';
import { lineThrough, point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import type { Folding, StepArrow } from '../form';
import { recordSteps } from '../record-steps';
import { bendOf, endFoldDeg } from '../../bodies/hull';
import { BOAT_USE, canoeWords } from './words';
import { type CanoeKind, type CanoeParams, type Frame, frameOf, hullFor, outlineOfBack } from './frame';

/** The moves of a boat. */
export function fold(kind: CanoeKind, hand: Hand, sheet: Sheet, { wallDeg }: CanoeParams): Folding {
  const frame = frameOf(sheet);
  const { width, length, h, half } = frame;
  const words = canoeWords(kind.turn, length > 1.2071 * width);
  const { steps, uses, step, use } = recordSteps(hand);
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
  const kept = hand.remembered();
  step(
    words.open,
    { view: 'space', arrows: sides.map(([, s]) => ({ kind: 'lift', grip: point(mid + s * 1.5 * h, length / 2) })) },
    () => stand(hand, frame, wallDeg, back),
  );
  const stood = hand.remembered();
  const walls = (way: 'push-in' | 'lift'): StepArrow[] =>
    sides.map(([, s]) => ({ kind: way, grip: point(mid + s * 1.5 * h, length / 2) }));
  use(BOAT_USE.load, { view: 'space', arrows: [{ kind: 'push-in', grip: point(mid, length / 2) }] });
  use(BOAT_USE.away, { view: 'space', arrows: walls('push-in') }, [stood, kept]);
  use(BOAT_USE.setUp, { view: 'space', arrows: walls('lift') }, [kept, stood]);
  return { steps, uses, finished: hand.pose, flat };
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
