import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type BagStep =
  'middle' | 'right' | 'left' | 'bottom' | 'squash' | 'upperFlap' | 'lowerFlap' | 'sides' | 'open' | 'flat' | 'pleats';

/** What is measured. */
export interface BagMarks {
  readonly seamMm: number;
  readonly foldUpMm: number;
  readonly lapMm: number;
  /** How deep each flap of the base is folded over. */
  readonly flapMm: number;
  readonly pleatMm: number;
  readonly pleats: number;
  readonly top: 'gap' | 'fan';
  readonly join: 'glue' | 'tape';
}

export function bagWords(marks: BagMarks, unit: ShownUnit = 'mm'): Readonly<Record<BagStep, StepWords>> {
  const mm = (length: number): string => formatLength(length, unit);
  const glued = marks.join === 'glue';
  return {
    middle: {
      id: 'middle',
      title: 'Pinch the middle',
      words:
        'White side up, the side that goes round nearest you. Bring the right corner to the left corner and pinch the middle of the near edge. Open.',
      check: 'A short mark in the middle of the edge.',
      slip: { what: 'You creased the whole sheet.', remedy: 'It does no harm, but shows on the bag.' },
      crease: 'pinch',
    },
    right: {
      id: 'right-side',
      title: 'Right side over',
      words: `Fold the right side over so that its edge passes the middle by ${mm(marks.seamMm / 2)}.`,
      check: 'The edge is equally far past the middle at both ends.',
      slip: { what: 'It slants.', remedy: 'Line up the bottom edges before you press, or the bag tapers.' },
      crease: 'sharp',
    },
    left: {
      id: 'left-side',
      title: glued ? 'Left side over, and glue' : 'Left side over, and tape',
      words: `Fold the left side over it so that it passes the middle by ${mm(marks.seamMm / 2)}. ${
        glued
          ? 'Glue the strip where they overlap, with scrap paper inside the tube.'
          : 'Run double-sided tape along the strip where they overlap, and press from the middle outwards.'
      }`,
      check: 'A flat tube, as wide at the top as at the bottom.',
      slip: glued
        ? {
            what: 'Glue ran inside.',
            remedy: 'Open the tube before it dries and wipe it; keep a strip of scrap paper in it.',
          }
        : { what: 'The tape caught crooked.', remedy: 'Lift it slowly before you press it hard, and lay it anew.' },
      crease: 'sharp',
      ...(glued && { caution: 'Glue with the window open, and let it dry before you go on.', waits: 'glue' }),
    },
    bottom: {
      id: 'bottom',
      title: 'Crease the bottom',
      words: `Seam up, fold the bottom of the tube up by ${mm(marks.foldUpMm)}, crease hard, and open.`,
      check: 'The lower corners lay on the edges of the tube.',
      slip: { what: 'The crease is not square.', remedy: 'Fold again with corner on edge, or the base twists.' },
      crease: 'sharp',
    },
    squash: {
      id: 'squash',
      title: 'Open the bottom flat',
      words:
        'Open the bottom at its raw edge: the upper layer stays on the tube, the lower one comes down towards you, and at both ends the paper between them is pushed in to a triangle. Press flat.',
      check: 'A long six-sided field; its two points lie at the ends of the crease, on the edges of the tube.',
      slip: {
        what: 'The triangles differ.',
        remedy: 'Reopen it and pull the field until both points lie on the crease.',
      },
      crease: 'sharp',
    },
    upperFlap: {
      id: 'upper-flap',
      title: 'Upper flap of the base',
      words: `Fold a strip of ${mm(marks.flapMm)} at the upper edge of the field down: the edge ends ${mm(marks.lapMm / 2)} past the middle line.`,
      check: `Its edge lies ${mm(marks.lapMm / 2)} past the line between the two points, at both ends.`,
      slip: { what: 'It does not reach the middle.', remedy: 'Fold again further in, or the base has a hole.' },
      crease: 'sharp',
    },
    lowerFlap: {
      id: 'lower-flap',
      title: glued ? 'Lower flap, and glue' : 'Lower flap, and tape',
      words: `Fold as wide a strip, ${mm(marks.flapMm)}, at the lower edge up over the first. ${glued ? 'Glue' : 'Tape'} it down.`,
      check: `The two flaps overlap by ${mm(marks.lapMm)}.`,
      slip: {
        what: 'The flaps are unequal.',
        remedy: 'The base is off the middle then, and the sides lean. Shift both.',
      },
      crease: 'sharp',
      ...(glued && { waits: 'glue' }),
    },
    sides: {
      id: 'sides',
      title: 'Crease the sides',
      words:
        'Fold the right side over along the upright line through the two right corners of the base, and open; do the same on the left. Bend both the other way too.',
      check: 'Two upright creases from the corners of the base to the mouth.',
      slip: {
        what: 'Only one face is creased.',
        remedy: 'Press again through all layers, or the side will not fold in.',
      },
      crease: 'sharp',
    },
    open: {
      id: 'open',
      title: 'Open the bag',
      words: 'Put a hand in, push the base down flat, and pinch the four upright edges.',
      check: 'It stands upright on a flat base.',
      slip: { what: 'The base bulges.', remedy: 'Press it from inside and run a nail along its edges.' },
      crease: 'soft',
    },
    flat: {
      id: 'flat',
      title: 'Fold the sides in',
      words:
        'Push both sides in along their middle lines, the small slanting creases over the base with them, and press the bag flat.',
      check: 'A flat bag as wide as its front.',
      slip: {
        what: 'The crease over the base bulges out.',
        remedy: 'Push the point of the small triangle in with a finger.',
      },
      crease: 'sharp',
    },
    pleats: {
      id: 'pleats',
      title: 'Pleat the top',
      words: `From the mouth down fold back by ${mm(marks.pleatMm)}, then forward by as much, ${marks.pleats} ${marks.pleats === 1 ? 'crease' : 'creases'} in all. Open the bag, fill it, press the pleats together again, pinch them in the middle, and tie a ribbon there.${
        marks.top === 'fan' ? ' Spread both halves upwards until their inner ends meet, and glue these together.' : ''
      }`,
      check: 'The pleats are level with the mouth from side to side.',
      slip: { what: 'They drift.', remedy: 'Check both ends after every second pleat.' },
      crease: 'sharp',
    },
  };
}

/** A step of its use. */
export const BAG_USE = {
  setUp: {
    id: 'set-up',
    title: 'Set it up and fill it',
    words:
      'Put a hand in and push the base down flat; the sides come out by themselves. Lift it by the sides or with a hand beneath, never by the mouth.',
    check: 'It stands by itself on a flat base.',
    slip: { what: 'The base springs up.', remedy: 'Run a nail along its four edges from inside.' },
    crease: 'none',
  },
  emptied: {
    id: 'emptied',
    title: 'Keep it',
    words: 'Emptied, it folds flat in its own creases, the sides in first. What was damp or greasy is thrown away.',
    check: 'It lies as flat as before.',
    slip: {
      what: 'A side folded outwards.',
      remedy: 'Open it and push the middle line of that side in with a finger.',
    },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
