import type { CreaseAngle } from '../../folding/collapse';
import type { SheetPart } from '../../folding/crease-rows';
import type { Hand } from '../../folding/hand';
import type { Point } from '../../measure/point';
import { atHand } from '../at-hand';
import type { StepArrow } from '../form';
import type { StepRecord } from '../record-steps';
import type { Corners } from './stance';
import type { TrackWords } from './words';

/** What all tracks have in common: the strip lines, the path, the zigzags, and standing up. */
export interface TrackFolding {
  readonly hand: Hand;
  readonly step: StepRecord['step'];
  readonly words: TrackWords;
  /** Places in shares of the sheet's side. */
  readonly at: SheetPart;
  readonly corners: readonly Corners[];
}

/** Upright creases at all strips, by halving where they can be halved, else by marks at both edges. */
export function creaseStrips({ hand, step, words, at, corners }: TrackFolding): void {
  const { onto } = atHand(hand);
  const n = corners.length - 1;
  const halved = Number.isInteger(Math.log2(n));
  /** In the order in which each has what it is brought to. */
  const order = halved
    ? Array.from({ length: n - 1 }, (_, k) => k + 1).sort((p, q) => (q & -q) - (p & -p) || q - p)
    : Array.from({ length: n - 1 }, (_, k) => k + 1);
  step(
    words.strips,
    {
      creases: order.map((k) => `strip ${k}`),
      arrows: [{ kind: 'fold-and-unfold', grip: at([0, 1 / 2]), to: at([1, 1 / 2]) }],
    },
    () => {
      order.forEach((k, i) => {
        const x = k / n;
        const edge = x <= 1 / 2 ? 0 : 1;
        const name = `strip ${k}`;
        if (halved) hand.valley(name, onto(at([edge, 1 / 2]), at([2 * x - edge, 1 / 2])));
        else {
          const [a, b] = [1 / 4, 3 / 4].map((y) => hand.measured(name, at([x, y]), at([edge, y])));
          hand.valley(name, { kind: 'through-points', a, b, moving: hand.at(at([edge, 1 / 2])) });
        }
        if (i === 0) hand.pause();
        hand.unfold(name);
      });
    },
  );
}

/** Marks a line on the layer that is up, from one place to another. */
function mark({ hand, at }: TrackFolding, name: string, from: Point, to: Point, towards: 'over' | 'behind'): void {
  const beside = at([0.01, 1 / 2]);
  hand.pinch(
    name,
    { kind: 'through-points', a: hand.at(from), b: hand.at(to), moving: hand.at(beside) },
    { from, to },
    towards,
  );
}

/** Coloured side up: the path as valleys, the zigzags of both legs as ridges. */
export function creasePath(track: TrackFolding): void {
  const { hand, step, words, at, corners } = track;
  const pairs = corners.slice(1).map((corner, k) => [corners[k], corner] as const);
  const arrow = (from: Corners['turn'], to: Corners['turn']): StepArrow => ({
    ...{ kind: 'fold-and-unfold', grip: at(from), to: at(to) },
  });
  step(
    words.path,
    { creases: ['path'], arrows: [{ kind: 'turn-over' }, arrow(corners[0].turn, corners[1].turn)] },
    () => {
      hand.turnOver();
      hand.pause();
      for (const [a, b] of pairs) mark(track, 'path', at(a.turn), at(b.turn), 'over');
    },
  );
  step(words.zigzags, { creases: ['zigzag'], arrows: [arrow(corners[0].ridge, corners[1].tip)] }, () => {
    for (const [a, b] of pairs) {
      mark(track, 'zigzag', at(a.ridge), at(b.tip), 'behind');
      mark(track, 'zigzag', at(a.tip), at(b.ridge), 'behind');
    }
  });
}

/** Stands it up on its legs. */
export function standUp({ hand, step, words, at, corners }: TrackFolding, creases: readonly CreaseAngle[]): void {
  const [first, last] = [corners[0], corners[corners.length - 1]];
  step(
    words.stand,
    {
      view: 'space',
      creases: ['path', 'zigzag', 'strip'],
      arrows: [first, last].map(({ turn }) => ({ kind: 'push-in', grip: at([turn[0], 1 / 2]) })),
    },
    () => {
      hand.collapse(creases, at([1 / corners.length, 1 / 2]));
      const feet = [first, last].map(({ foot, ridgeFoot }) => [at(foot), at(ridgeFoot)]);
      hand.setDown({
        along: [feet[0], feet[1]],
        across: [at(first.foot), at(first.ridgeFoot)],
        above: at(first.ridge),
      });
    },
  );
}
