import type { Hand } from '../../folding/hand';
import type { Place } from '../../folding/crease-rows';
import type { ShownUnit } from '../../measure/format-length';
import type { Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand } from '../at-hand';
import type { Folding, StepArrow } from '../form';
import { recordSteps } from '../record-steps';
import {
  cornersIn,
  crimped,
  edgeIn,
  frameOf,
  type HeartPieceParams,
  onBothLayers,
  pleats,
  tabLine,
  whole,
} from './frame';
import { heartWords } from './words';

/** The moves of one half of the box, base or lid. */
export function foldHeart(hand: Hand, sheet: Sheet, params: HeartPieceParams, unit?: ShownUnit): Folding {
  const frame = frameOf(sheet, params);
  const { side, h, m, k, top, tab, upper, lower } = frame;
  const words = heartWords(
    { heightMm: h * side, cutMm: k * side, tabMm: tab * side, ruled: params.heightMm !== null },
    unit,
  );
  const { onto, through } = atHand(hand);
  const { steps, step } = recordSteps(hand);
  const layers = [upper, lower];
  const up = (x: number, y: number): Point => upper([x, y]);
  const floor = up(1 / 2 + m + 0.05, h + m / 2);
  const mirror = ([x, y]: Place): Place => [1 - x, y];
  /** A line between two places, pinched on both layers, in both arms. */
  const pinched = (name: string, from: Place, to: Place, arms: 'both' | 'left' = 'both'): void => {
    for (const layer of layers)
      for (const arm of arms === 'both' ? [(p: Place) => p, mirror] : [(p: Place) => p]) {
        const [a, b] = [layer(arm(from)), layer(arm(to))];
        hand.pinch(
          name,
          { kind: 'through-points', a: hand.at(a), b: hand.at(b), moving: hand.at(upper([1 / 2, 0.99 * top])) },
          { from: a, to: b },
        );
      }
  };

  step(words.half, { creases: ['half'], arrows: [{ kind: 'fold', grip: upper([1 / 2, top]) }] }, () => {
    hand.valley('half', onto(upper([1 / 2, top]), lower([1 / 2, top])));
  });
  const across = (name: string, y: number, from: number): void => {
    const [a, b] = [0.3, 0.7].map((x) => hand.measured(name, up(x, y), up(x, from)));
    hand.valley(name, { kind: 'through-points', a, b, moving: hand.at(up(1 / 2, from)) });
    hand.unfold(name);
  };
  const upright = (name: string, x: number, from: number): void => {
    const [a, b] = [0.2, 0.8].map((share) => hand.measured(name, up(x, share * top), up(from, share * top)));
    hand.valley(name, { kind: 'through-points', a, b, moving: hand.at(up(from, top / 2)) });
    hand.unfold(name);
  };
  step(
    words.bands,
    {
      creases: ['point', 'base line', 'notch line', 'band'],
      arrows: [{ kind: 'fold-and-unfold', grip: up(0, top / 2), to: up(1, top / 2) }],
    },
    () => {
      hand.valley('point', onto(up(0, top / 2), up(1, top / 2)));
      hand.pause();
      hand.unfold('point');
      across('base line', h, 0);
      across('notch line', h + m, top);
      upright('band', h, 0);
      upright('band', 1 - h, 1);
    },
  );
  const point: Place = [1 / 2, h];
  const notch: Place = [1 / 2 - m, h + m];
  step(
    words.slant,
    { creases: ['slant'], arrows: [{ kind: 'fold-and-unfold', grip: up(1 / 2 - m, h), to: up(1 / 2, h + m) }] },
    () => pinched('slant', point, notch, 'left'),
  );
  const corners = pleats(frame);
  const arrowsAt = (places: readonly Place[], kind: 'fold-and-unfold' | 'push-in'): StepArrow[] =>
    places.flatMap((place) => [place, mirror(place)].map((p) => ({ kind, grip: upper(p) }) as const));
  step(words.corners, { creases: ['cut'], arrows: arrowsAt([corners[0].at, corners[2].at], 'fold-and-unfold') }, () => {
    pinched('cut', corners[0].at, corners[1].at);
    pinched('cut', corners[2].at, corners[3].at);
  });
  step(
    words.turnedIn,
    {
      creases: ['corner'],
      arrows: arrowsAt(
        [
          [0, 0],
          [0, top],
        ],
        'push-in',
      ),
    },
    () => hand.collapse([...onBothLayers(frame, cornersIn(frame)), ...edgeIn(frame, frame.q)], floor),
  );
  step(
    words.pleats,
    {
      creases: ['pleat', 'bend'],
      arrows: arrowsAt(
        corners.map(({ at }) => at),
        'fold-and-unfold',
      ),
    },
    () => {
      for (const { at, older, bisector, newer } of corners) {
        pinched('pleat', at, older);
        pinched('pleat', at, bisector);
        pinched('bend', at, newer);
      }
    },
  );
  const right: Place = [1 / 2 + m, h + m];
  step(words.slit, { creases: ['cut'], arrows: [{ kind: 'push-in', grip: up(1 / 2 + m, top) }] }, () => {
    // The tab's crease first: the slit ends where it begins.
    hand.collapse(onBothLayers(frame, tabLine(frame)), floor);
    hand.slit(
      layers.flatMap((layer) => [
        { from: layer([1 / 2 + m, top]), to: layer(right) },
        { from: layer(right), to: layer(notch) },
      ]),
    );
    for (const layer of layers)
      hand.cut(
        through(layer([1 / 2 - m + tab, h + m]), layer([1 / 2 - m + tab, top]), layer([1 / 2, (h + m + top) / 2])),
        { flap: layer([1 / 2 + m / 2, (h + m + top) / 2]) },
      );
  });
  step(
    words.crimp,
    {
      view: 'space',
      creases: ['base line', 'slant', 'point'],
      arrows: [
        { kind: 'lift', grip: up(1 / 4, 0) },
        { kind: 'lift', grip: up(3 / 4, 0) },
      ],
    },
    () => hand.collapse(onBothLayers(frame, crimped(frame)), floor),
  );
  step(
    words.bend,
    { view: 'space', creases: ['floor', 'pleat', 'bend', 'tab'], arrows: arrowsAt([[0.02, 0.25]], 'push-in') },
    () => {
      const wallAt: Place = [1 / 2 + m + 0.02, (h + m + top) / 2];
      const inTab: Place = [1 / 2 - m + tab / 2, (h + m + top) / 2];
      hand.collapse(
        [...onBothLayers(frame, whole(frame)), ...edgeIn(frame, h + k)],
        floor,
        layers.map((layer) => ({
          ...{ point: layer(wallAt), other: lower(inTab), lies: 'on its white side' },
        })),
      );
      // The point of the heart nearest you.
      hand.rotate(45);
    },
  );
  const finished = hand.pose;
  step(words.use, { view: 'space', arrows: [{ kind: 'push-in', grip: up(1 / 2, 0) }] }, () => undefined);
  return { steps, finished };
}
