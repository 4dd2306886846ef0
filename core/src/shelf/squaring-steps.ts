import { lineThrough, point } from '../measure/point';
import { startSheet } from '../folding/hand';
import type { Folding, StepWords } from '../forms/form';
import { recordSteps } from '../forms/record-steps';
import { rectangleSheet } from '../paper/sheet';
import type { CutRect } from './cutting';

/** How the largest square comes out of an oblong sheet: by folding a corner over, or by measuring. */
export type Squaring = 'diagonal' | 'measured';

/** How far inside the square the arrow of its cut points, as a share of its side. */
const CUT_SHOWN = 0.02;

const BLADE = 'Cut along a steel ruler on a mat, your hand behind the blade, and away from small children.';

const WORDS: Readonly<Record<'corner' | 'strip' | 'open' | 'cut' | 'mark', StepWords>> = {
  corner: {
    id: 'corner',
    title: 'Fold a corner over',
    words: 'Lay the left edge on the near edge, and crease from the corner.',
    check: 'The two edges lie on each other all along, and the crease starts exactly in the corner.',
    slip: {
      what: 'The crease misses the corner.',
      remedy: 'Open it, put the corner right first, then crease away from it.',
    },
    crease: 'sharp',
  },
  strip: {
    id: 'strip',
    title: 'Crease where the flap ends',
    words: 'Fold what stands out over the upright edge of the flap, as close to it as you can.',
    check: 'The crease runs along the flap’s edge and leaves none of it outside.',
    slip: { what: 'The strip covers the flap’s edge.', remedy: 'Open it and crease again a hair further out.' },
    crease: 'sharp',
  },
  open: {
    id: 'open',
    title: 'Open it',
    words: 'Open both folds.',
    check: 'One crease runs from corner to corner of a square, one along its far side.',
    slip: {
      what: 'The creases do not meet at the edge.',
      remedy: 'The second one counts: measure it once before you cut.',
    },
    crease: 'none',
  },
  cut: {
    id: 'cut',
    title: 'Cut the strip off',
    words: 'Cut along the upright crease, from edge to edge.',
    check: 'What is left is square: a corner laid on the next one covers it exactly.',
    slip: { what: 'One side is longer by a little.', remedy: 'Fold the diagonal again and trim what stands out.' },
    crease: 'none',
    caution: BLADE,
  },
  mark: {
    id: 'mark',
    title: 'Measure the short side along the long one',
    words: 'Mark the length of the short edge on both long edges. Fold the strip over from mark to mark, and open it.',
    check: 'Both marks are as far from the left edge as the sheet is high.',
    slip: { what: 'The line leans.', remedy: 'Measure both marks from the same short edge, not from each other.' },
    crease: 'sharp',
  },
};

/**
 * The steps that make the largest square of an oblong sheet, lying with its long side towards you: drawn by the engine.
 * @throws RangeError for a sheet that is square already
 */
export function squaringSteps({ widthMm, heightMm }: Pick<CutRect, 'widthMm' | 'heightMm'>, how: Squaring): Folding {
  const [w, h] = [Math.max(widthMm, heightMm), Math.min(widthMm, heightMm)];
  if (!(w - h > 1e-6)) throw new RangeError(`A sheet of ${widthMm} × ${heightMm} mm is square already.`);
  const hand = startSheet(rectangleSheet(w, h));
  const { steps, step } = recordSteps(hand);
  const [corner, along, up, beyond] = [point(0, 0), point(w, 0), point(0, h), point(w, h / 2)];
  const near = lineThrough(corner, along);
  // Directed so that the paper lies on its left.
  const left = lineThrough(up, corner);
  const edge = { kind: 'parallel', to: left, distanceMm: h, moving: beyond } as const;
  if (how === 'diagonal') {
    step(WORDS.corner, { creases: ['diagonal'], arrows: [{ kind: 'fold', grip: up }] }, () =>
      hand.valley('diagonal', { kind: 'line-onto-line', line: left, onto: near, moving: up }),
    );
    // The flap’s free edge stands where the left edge’s far end has come to.
    step(WORDS.strip, { creases: ['strip'], arrows: [{ kind: 'fold', grip: beyond }] }, () =>
      hand.valley('strip', { kind: 'perpendicular', to: near, through: point(h, 0), moving: beyond }),
    );
    step(WORDS.open, { arrows: [{ kind: 'unfold', grip: point(h - 0.2 * h, 0.1 * h) }] }, () =>
      hand.unfold('diagonal'),
    );
  } else
    step(
      WORDS.mark,
      {
        creases: ['mark'],
        arrows: [{ kind: 'fold-and-unfold', grip: beyond }],
        landmarks: [
          { point: point(h, 0), name: 'mark' },
          { point: point(h, h), name: 'mark' },
        ],
      },
      () => {
        // A crease, so that the strip is still there when the cut is shown.
        hand.valley('mark', edge);
        hand.pause();
        hand.unfold('mark');
      },
    );
  // The strip is gone afterwards: the arrow points at the edge of the square.
  step(WORDS.cut, { arrows: [{ kind: 'push-in', grip: point(h - CUT_SHOWN * h, h / 2) }] }, () => hand.cut(edge));
  return { steps, finished: hand.pose };
}
