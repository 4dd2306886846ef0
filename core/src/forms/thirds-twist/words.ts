import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type TwistStep =
  | 'crossing'
  | 'guess'
  | 'upright'
  | 'across'
  | 'corners'
  | 'over'
  | 'slants'
  | 'back'
  | 'bowl'
  | 'twist'
  | 'vane1'
  | 'vane2'
  | 'vane3'
  | 'vane4';

const vane = (id: string, title: string, words: string): StepWords => ({
  id,
  title,
  words,
  check: 'Its point lies on a corner of the square.',
  slip: {
    what: 'The vane does not reach the corner.',
    remedy: 'Its hinge is not on the side of the square. Open it and crease closer.',
  },
  crease: 'sharp',
});

/**
 * @param thirds how they are found
 * @param thirdMm a third of the sheet's side
 */
export function twistWords(
  thirds: 'ruler' | 'eye' | 'folds',
  thirdMm: number,
  unit: ShownUnit = 'mm',
): Readonly<Record<TwistStep, StepWords>> {
  const third = {
    ruler: `${formatLength(thirdMm, unit)} each`,
    eye: 'the left edge to the farther pinch, then the right edge to the fold that this makes',
    folds: 'through the small cross, and as wide on the other side',
  }[thirds];
  return {
    crossing: {
      id: 'crossing',
      title: 'Find a third',
      words:
        'White side up. Pinch the middle of the bottom edge. Bend the sheet along the line from the upper left corner to that mark and pinch it where the diagonal crosses; pinch the diagonal there too.',
      check: 'A small cross, a third of the way in from the left and from the bottom.',
      slip: { what: 'You creased the whole lines.', remedy: 'They do no harm, but show when the letter is open.' },
      crease: 'pinch',
    },
    guess: {
      id: 'guess',
      title: 'Guess a third, then set it right',
      words:
        'White side up. On the bottom edge pinch about a third from the left. Bring the right corner to this pinch and pinch the new fold. Do the same on the left edge: guess from below, then bring the upper corner to the guess.',
      check: 'The second pinch on each edge is only half as far off as your guess; the fold made from it, a quarter.',
      slip: {
        what: 'The guess was far off.',
        remedy:
          'Bring the left corner to the second pinch, pinch, and bring the right one to that: each time halves it.',
      },
      crease: 'pinch',
    },
    upright: {
      id: 'thirds-upright',
      title: 'Thirds, left and right',
      words: `White side up. Fold the left third over, then the right third: ${third}. Crease both and open.`,
      check: 'Laid over each other the three strips are equally wide.',
      slip: { what: 'The strips differ.', remedy: 'Move each crease by a third of the difference, and crease again.' },
      crease: 'sharp',
    },
    across: {
      id: 'thirds-across',
      title: 'Thirds, bottom and top',
      words: 'Do the same with the bottom third and the top third. Open.',
      check: 'Nine equal squares.',
      slip: { what: 'The middle is not square.', remedy: 'Check both ways; the twist needs even thirds.' },
      crease: 'sharp',
    },
    corners: {
      id: 'corners',
      title: 'Crease the four corner squares',
      words:
        'Fold corner to opposite corner, but crease only inside the two outer squares. Open, and do the same the other way.',
      check: 'A short diagonal in each corner square, none in the middle.',
      slip: { what: 'The middle square has a cross.', remedy: 'It does no harm; it only weakens the middle a little.' },
      crease: 'pinch',
    },
    over: {
      id: 'over',
      title: 'Turn over',
      words: 'Turn the sheet over, left to right: coloured side up.',
      check: 'The creases now stand up like ridges.',
      slip: { what: 'You are still on the white side.', remedy: 'Turn it, or the next creases bend the wrong way.' },
      crease: 'none',
    },
    slants: {
      id: 'slants',
      title: 'Four slanting creases',
      words:
        'Bring the near right corner to the far left corner of the middle square, and crease only from the near right corner of the middle square to the right edge. Open, give the sheet a quarter turn, and do the same three times more.',
      check: 'Four short creases go round the middle like the arms of a wheel.',
      slip: {
        what: 'One arm points the other way round.',
        remedy: 'Crease the missing half there and flatten the wrong one.',
      },
      crease: 'pinch',
    },
    back: {
      id: 'back',
      title: 'Turn back',
      words: 'Turn the sheet over again: white side up.',
      check: 'The nine squares are valleys, the slanting creases ridges.',
      slip: {
        what: 'The slanting creases look like valleys.',
        remedy: 'They were made on the white side. Bend them back firmly.',
      },
      crease: 'none',
    },
    bowl: {
      id: 'bowl',
      title: 'Raise a square bowl',
      words:
        'Lift all four sides to walls and pinch the corner squares together along their diagonals: four fins stand out.',
      check: 'A square bowl with a fin at each corner.',
      slip: { what: 'A fin points inwards.', remedy: 'Push it out: its two white halves lie on each other.' },
      crease: 'sharp',
    },
    twist: {
      id: 'twist',
      title: 'Twist it flat',
      words:
        'Push two opposite fins towards each other with a turning motion. The slanting creases fold in, and everything lies down as a square with four vanes.',
      check: 'A flat square with a vane along each side, all pointing the same way round.',
      slip: {
        what: 'It fights back.',
        remedy: 'Turn the other way; then sharpen the long creases outside the middle and try again.',
      },
      crease: 'soft',
    },
    vane1: vane('vane-1', 'First vane', 'Lay the small thing on the middle, if there is one. Fold one vane over it.'),
    vane2: vane('vane-2', 'Second vane', 'Fold the next vane over. It covers the point of the first.'),
    vane3: vane('vane-3', 'Third vane', 'Fold the third vane over.'),
    vane4: {
      id: 'vane-4',
      title: 'Last vane, tucked',
      words: 'Fold the last vane and slip its point under the first one.',
      check: 'Each vane lies over the next all the way round; nothing springs open.',
      slip: { what: 'It springs open.', remedy: 'The point must go under the whole first vane, right at its hinge.' },
      crease: 'sharp',
    },
  };
}

/** Steps of its use. */
export const TWIST_USE = {
  opened: {
    id: 'opened',
    title: 'Open it again',
    words:
      'Draw the last point out from under the first vane and open all four. Then pull two opposite vanes apart: it springs open to a bowl, and the note lies flat.',
    check: 'The four vanes lie open round the middle.',
    slip: { what: 'It stays twisted.', remedy: 'Pull at two opposite vanes together, never at one alone.' },
    crease: 'none',
  },
  kept: {
    id: 'kept',
    title: 'Close it again',
    words: 'Fold the four vanes over in their order, and slip the last point under the first again.',
    check: 'Nothing springs open.',
    slip: { what: 'A vane has no hold.', remedy: 'Each lies over the one before it; begin again with the first.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
