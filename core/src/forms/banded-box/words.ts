import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type BandedStep =
  | 'turn'
  | 'diagonals'
  | 'pleats'
  | 'bases'
  | 'band'
  | 'rightPleat'
  | 'leftPleat'
  | 'rightFlap'
  | 'leftFlap'
  | 'farEnd'
  | 'nearEnd'
  | 'raise'
  | 'bandLid'
  | 'sideLid';

/** Distances from the middle of the sheet, when they are measured. */
export interface BandedMarks {
  readonly bandMm: number;
  readonly pleatMm: number;
  readonly baseMm: number;
  /** From base to rim. */
  readonly heightMm: number;
  readonly rimMm: number;
}

/** @param marks null when all is found by folding */
export function bandedWords(
  marks: BandedMarks | null,
  unit: ShownUnit = 'mm',
): Readonly<Record<BandedStep, StepWords>> {
  const mark = (mm: number): string => formatLength(mm, unit);
  const pleat = (side: 'left' | 'right', other: string): StepWords => ({
    id: `${side}-pleat`,
    title: `Pleat on the ${side}`,
    words: `Fold the ${side} part over to the ${other} on the crease nearest the middle. Then fold it back out on the next crease, which now lies on the middle line.`,
    check: 'The pleat’s edge lies exactly on the middle line.',
    slip: {
      what: 'It will not lie flat.',
      remedy: 'A crease bends the wrong way: sharpen it the other way and pleat again.',
    },
    crease: 'sharp',
  });
  const flap = (side: 'left' | 'right', other: string): StepWords => ({
    id: `${side}-flap`,
    title: `Creases of the ${side} flap`,
    words: marks
      ? `Fold the ${side} corner over so that the fold is ${mark(marks.baseMm)} from the middle line, as it lies now. Fold its tip back out on a line ${mark(marks.heightMm)} from that fold. Crease both and open.`
      : `Fold the ${side} corner to the pinch on the ${other}. Fold its tip back out until it is flush with the packet’s edge. Crease both and open.`,
    check: marks
      ? `Between the two folds the flap is ${mark(marks.heightMm)} wide, as high as the box will be.`
      : 'The tip reached the edge exactly.',
    slip: marks
      ? {
          what: 'The second fold runs at a slant.',
          remedy: 'Measure it from the first fold at both ends, and fold it anew.',
        }
      : {
          what: 'The tip falls short or sticks out.',
          remedy: 'The pleats are too narrow or too wide. Open them and pleat again.',
        },
    crease: 'sharp',
  });
  const end = (which: 'far' | 'near'): StepWords => ({
    id: `${which}-end`,
    title: `${which === 'far' ? 'Far' : 'Near'} end through all layers`,
    words: `Fold the ${which} end over on the crease nearest the middle, all layers; press hard and open. Do the same ${marks ? `${mark(marks.rimMm)} from the middle` : 'on the outer crease, through the pinch'}.`,
    check: 'Both creases show sharply in the pleats too.',
    slip: {
      what: 'Only the top layer is creased.',
      remedy: 'Press again through all three layers, or the wall bulges at the band.',
    },
    crease: 'sharp',
  });
  return {
    turn: {
      id: 'turn',
      title: 'A corner towards you',
      words: 'White side up, turn the sheet so that a corner points at you.',
      check: 'The sheet stands on its point in front of you.',
      slip: { what: 'The coloured side is up.', remedy: 'Turn it over: what is up becomes the inside.' },
      crease: 'none',
    },
    diagonals: {
      id: 'diagonals',
      title: 'Both diagonals',
      words:
        'Fold the near corner to the far one, crease and open. Fold the right corner to the left one, crease and open.',
      check: 'Two creases cross in the middle.',
      slip: { what: 'A corner misses the other.', remedy: 'Hold corner on corner before you press.' },
      crease: 'sharp',
    },
    pleats: {
      id: 'pleat-creases',
      title: 'Creases for the pleats',
      words: marks
        ? `Crease upright lines ${mark(marks.pleatMm)} from the middle on both sides, and open.`
        : 'Bring the right corner to the middle and pinch only at the diagonal; the same with the left corner. Then bring each corner to the far pinch, crease all the way, and open.',
      check: 'Two long creases, equally far from the middle line.',
      slip: {
        what: 'They lie too far out.',
        remedy: 'You went to the near mark. Bring the corner across the middle to the far one.',
      },
      crease: 'sharp',
    },
    bases: {
      id: 'base-creases',
      title: 'The same the other way',
      words: marks
        ? `Crease level lines ${mark(marks.baseMm)} from the middle, far and near, and open.`
        : 'Do the same with the far and the near corner: pinch, then crease to the far pinch, and open.',
      check: 'A small square is creased round the middle.',
      slip: { what: 'It is not square.', remedy: 'One crease went to the near pinch. Make it again.' },
      crease: 'sharp',
    },
    band: {
      id: 'band',
      title: 'Edges of the band',
      words: marks
        ? `Fold in half, right corner to left. Fold the folded edge over ${mark(marks.bandMm)} wide, through both layers. Crease and open everything.`
        : 'Fold in half, right corner to left. Bring the folded edge to the upright crease beside it, through both layers. Crease and open everything.',
      check: 'Two more creases, halfway between the middle and the pleat creases.',
      slip: { what: 'Only one layer is creased.', remedy: 'Fold it again and press through both.' },
      crease: 'sharp',
    },
    rightPleat: pleat('right', 'left'),
    leftPleat: pleat('left', 'right'),
    rightFlap: flap('right', 'left'),
    leftFlap: flap('left', 'right'),
    farEnd: end('far'),
    nearEnd: end('near'),
    raise: {
      id: 'raise',
      title: 'Raise the box',
      words:
        'Raise the right wall, then the far one: the paper between them tucks into the box; pinch it along the half angle and press it flat on the side wall. Go round all four corners.',
      check: 'Four upright walls; each ear begins exactly at a corner of the base.',
      slip: { what: 'An ear shows outside.', remedy: 'Push it in: it belongs inside the box.' },
      crease: 'sharp',
    },
    bandLid: {
      id: 'band-lid',
      title: 'Points into each other',
      words:
        'Put in what it holds. Fold both band flaps inwards. Open the end of the near band between its outer strip and its pleats, and push the far point into it until the plain triangles meet in the middle.',
      check: 'Each point reaches right across to the other rim.',
      slip: {
        what: 'The point will not enter.',
        remedy: 'Open the band’s end with a ruler and curve the point a little.',
      },
      crease: 'soft',
    },
    sideLid: {
      id: 'side-lid',
      title: 'Side flaps under',
      words: 'Curl each side flap over a finger, fold it inwards and push it under the lid, its tip below the band.',
      check: 'The top is flat and closed; pull the side flaps out to open it again.',
      slip: { what: 'A flap springs out.', remedy: 'Curl it more before you tuck it.' },
      crease: 'soft',
    },
  };
}

/** Steps of its use. */
export const BANDED_USE = {
  opened: {
    id: 'opened',
    title: 'Open it again',
    words:
      'Pull the side flaps out first, straight to the side. Then draw the two points apart. Never lift the lid by its middle.',
    check: 'The box is open, and no flap is torn.',
    slip: {
      what: 'A point sticks in its band.',
      remedy: 'Open the end of the band with a ruler, and draw the point out flat.',
    },
    crease: 'none',
  },
  kept: {
    id: 'kept',
    title: 'Close it again',
    words:
      'Push the points into each other and the side flaps under them, as before. Left closed overnight the flaps keep their curl.',
    check: 'The top is flat and closed.',
    slip: { what: 'A flap springs out.', remedy: 'Curl it over a finger again.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
