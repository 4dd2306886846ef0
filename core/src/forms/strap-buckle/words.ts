import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type BuckleStep =
  | 'middles'
  | 'quarters'
  | 'strip'
  | 'corner'
  | 'corners'
  | 'half'
  | 'wing'
  | 'square'
  | 'squares'
  | 'sides'
  | 'tunnel'
  | 'kites'
  | 'points'
  | 'ends'
  | 'thread'
  | 'away';

interface BuckleMarks {
  /** Null where folding alone decides it. */
  readonly lengthMm: number | null;
  readonly turnedInMm: number;
  readonly front: 'star' | 'squares';
}

/** Words of the buckle, its ends turned in as deep as is told. */
export function buckleWords(
  { lengthMm, turnedInMm, front }: BuckleMarks,
  unit: ShownUnit = 'mm',
): Readonly<Record<BuckleStep, StepWords>> {
  const depth = formatLength(turnedInMm, unit);
  return {
    middles: {
      id: 'middles',
      title: 'Both middle lines',
      words: 'White side up, fold edge to edge, both ways, and open each. What is down now shows on the buckle.',
      check: 'Two creases cross in the middle.',
      slip: {
        what: 'The coloured side is up.',
        remedy: 'Turn it over, unless you want a white buckle with a coloured star.',
      },
      crease: 'sharp',
    },
    quarters: {
      id: 'quarters',
      title: 'Four edges to the middle',
      words: 'Fold each edge to the middle crease beside it, and open it again.',
      check: 'Sixteen equal squares.',
      slip: { what: 'The squares differ.', remedy: 'Crease the edge that is off again: the star is built on them.' },
      crease: 'sharp',
    },
    strip: {
      id: 'strip',
      title: 'Lower and upper quarter in',
      words: 'Fold the lower quarter up and the upper quarter down.',
      check: 'The two raw edges meet on the level middle line.',
      slip: { what: 'They overlap.', remedy: 'Fold on the creases that are there.' },
      crease: 'sharp',
    },
    corner: {
      id: 'corner',
      title: 'Turn a corner in',
      words:
        'Fold the lower left corner, both layers, to the crossing on the middle line, crease both ways, and open. Then push it in between its two layers.',
      check: 'Its tip lies at the crossing, hidden between the layers.',
      slip: { what: 'The tip stops at the first crossing.', remedy: 'Take it up to the middle line.' },
      crease: 'sharp',
    },
    corners: {
      id: 'corners',
      title: 'Three more corners',
      words: 'Turn the other three corners in likewise.',
      check: 'Both ends are right-angled points.',
      slip: { what: 'One corner lies in front.', remedy: 'It belongs between the two layers.' },
      crease: 'sharp',
    },
    half: {
      id: 'half',
      title: 'Right half over left',
      words: 'Fold the right half over the left half, through everything.',
      check: 'The two points lie on each other.',
      slip: { what: 'The points miss each other.', remedy: 'Hold them together before you press.' },
      crease: 'sharp',
    },
    wing: {
      id: 'wing',
      title: 'One wing back',
      words:
        'Fold the upper wing only back to the right, along its quarter crease. The doubled middle part stays beneath it.',
      check: 'Four triangular flaps lie in front, their right angles in one point.',
      slip: {
        what: 'A gap stays in the middle.',
        remedy: 'Both wings hinge on one line: press the fold exactly there.',
      },
      crease: 'sharp',
    },
    square: {
      id: 'square',
      title: 'A flap to a square',
      words:
        'Fold the tip of the lower left flap down to the lower corner, crease, and open. Lift the flap upright, open its two layers, and press it flat to a square.',
      check: 'The square’s free corner lies in the middle.',
      slip: { what: 'The corner misses the middle.', remedy: 'Open it, and press the flap down evenly on both sides.' },
      crease: 'sharp',
    },
    squares: {
      id: 'squares',
      title: 'Three more squares',
      words: 'Do the same with the other three flaps.',
      check: 'Four squares meet in one point.',
      slip: { what: 'They overlap.', remedy: 'Press each again with its edges on the middle lines.' },
      crease: 'sharp',
    },
    sides: {
      id: 'side-flaps',
      title: 'Tips behind',
      words:
        'Left and right a triangle stands out beyond the squares. Fold both behind them, but in front of the doubled middle part; swing that aside for it.',
      check: 'The sides are flush with the squares.',
      slip: {
        what: 'A tip lies behind the middle part.',
        remedy: 'It would be caught outside the tunnel: take it out.',
      },
      crease: 'sharp',
    },
    tunnel: {
      id: 'tunnel',
      title: 'Open the tunnel',
      words:
        'Turn it over for this if you like. Let the doubled middle part stand up behind, open it, and press it flat so that its old fold lies exactly over the seam.',
      check: 'You can look through the tunnel from end to end; its sides are flush with the squares.',
      slip: { what: 'It was only laid to one side.', remedy: 'Open it: both its layers must part.' },
      crease: 'sharp',
    },
    kites: {
      id: 'kites',
      title: 'Eight kite folds',
      words: 'Fold each free edge of each square, both layers, to the diagonal of its square: two for each square.',
      check: 'On every square two edges meet on the diagonal.',
      slip: { what: 'Only the upper layer came.', remedy: 'Take both: there is nothing to open otherwise.' },
      crease: 'sharp',
    },
    points: {
      id: 'points',
      title: 'Open to eight points',
      words:
        'Lift each of these flaps upright, part its two layers, and press it flat evenly on both sides of its fold.',
      check: 'A star with eight points, and a white field of eight sides in its middle.',
      slip: { what: 'A point leans to one side.', remedy: 'Lift it again and press it down from its middle.' },
      crease: 'sharp',
    },
    ends: {
      id: 'ends',
      title: 'Turn both ends in',
      words: `${
        lengthMm === null
          ? 'Fold the end of the tube to the edge of the squares, through everything, crease both ways, and open.'
          : `Fold the end of the tube in by ${depth}, through everything, crease both ways, and open.`
      } Spread the mouth. Push the back wall’s strip into the tunnel, then fold the front strip over its edge into it too. The same at the other end.`,
      check: 'Look through it: the tunnel is open along all its length.',
      slip: {
        what: 'One wall is in and the other out.',
        remedy: 'Both go in, or it cannot lie flat; and leave no small corner folded, or the strap will not pass.',
      },
      crease: 'sharp',
    },
    thread: {
      id: 'thread',
      title: 'Thread the strap',
      words: `Lead the strap’s end through with a slip of card. A thick strap stands the tunnel open to a rectangle: keep the seam in its middle. Never pull the ${
        front === 'star' ? 'halves of the star' : 'squares'
      } apart; it is an ornament and carries no load.`,
      check: 'It slides with a little friction and stays where you leave it.',
      slip: {
        what: 'The strap catches inside.',
        remedy: 'Draw it back, and lead it past the free edge of the turned-in strip with the card.',
      },
      crease: 'none',
    },
    away: {
      id: 'away',
      title: 'Take it off and keep it',
      words: 'Slide it off over the strap’s end, press it flat, and keep it dry under a book.',
      check: 'Its back is one plain coloured field.',
      slip: {
        what: 'The seam gapes.',
        remedy: 'One dot of glue or one stitch near each end holds it; press it overnight.',
      },
      crease: 'none',
    },
  };
}
