import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type TuckFlapStep =
  | 'half'
  | 'quarter'
  | 'hem'
  | 'pocket'
  | 'flapCrease'
  | 'leftCorner'
  | 'rightCorner'
  | 'left'
  | 'right'
  | 'leftTop'
  | 'rightTop'
  | 'fill'
  | 'tuck';

/** Distances from the bottom edge of the sheet, when they are measured. */
export interface TuckFlapMarks {
  readonly hemMm: number;
  readonly pocketMm: number;
  readonly flapMm: number;
}

/**
 * @param marks null when all marks are found by folding
 * @param made how such marks are made
 */
export function tuckFlapWords(
  marks: TuckFlapMarks | null,
  made: 'pinched' | 'creased' = 'pinched',
  unit: ShownUnit = 'mm',
): Readonly<Record<TuckFlapStep, StepWords>> {
  const pinched = made === 'pinched';
  const mark = (mm: number): string => formatLength(mm, unit);
  const corner = (side: 'left' | 'right'): StepWords => ({
    id: `${side}-corner`,
    title: `Lower ${side} corner`,
    words: `Fold the lower ${side} corner up so that it lands on the top edge of the pocket. The fold begins where that edge meets the ${side} edge.`,
    check: 'The corner lies exactly on the pocket’s edge.',
    slip: {
      what: 'The corner lies below or above the edge.',
      remedy: `Bring the ${side} edge to lie along the pocket’s edge instead of aiming at a point.`,
    },
    crease: 'sharp',
  });
  const sideOver = (side: 'left' | 'right'): StepWords => ({
    id: `${side}-side`,
    title: `${side === 'left' ? 'Left' : 'Right'} side over`,
    words: `Fold the ${side} side over. The fold is upright and begins at the inner end of the slanting corner fold.`,
    check: 'The bottom edges lie on each other; the side is as wide at the top as at the bottom.',
    slip: { what: 'The side slants.', remedy: 'Line up the bottom edges first, then crease upwards.' },
    crease: 'sharp',
  });
  const top = (side: 'left' | 'right'): StepWords => ({
    id: `${side}-top`,
    title: `Upper ${side} corner`,
    words: `Fold the upper ${side} corner down to the middle of the crease across.`,
    check:
      side === 'left'
        ? 'The corner lies in the middle of the crease.'
        : 'Both corners meet and the top is a clean point.',
    slip: {
      what: 'The two corners do not meet in a point.',
      remedy: 'The crease across is off. It must make the top part half as high as it is wide: crease it again.',
    },
    crease: 'sharp',
  });
  return {
    half: {
      id: 'half',
      title: pinched ? 'Pinch the middle' : 'Crease the middle',
      words: `White side up. Bring the bottom edge to the top edge and ${pinched ? 'pinch only the two side edges' : 'crease all the way across'}. Open.`,
      check: pinched ? 'A short mark on each side edge, halfway up.' : 'A crease runs across, halfway up.',
      slip: pinched
        ? { what: 'You creased all across.', remedy: 'It does no harm, but the line will show on the back.' }
        : { what: 'The crease slants.', remedy: 'Match both ends of the edges before you press.' },
      crease: pinched ? 'pinch' : 'sharp',
    },
    quarter: {
      id: 'quarter',
      title: pinched ? 'Pinch the quarter' : 'Crease the quarter',
      words: `Bring the bottom edge to ${pinched ? 'those two marks and pinch the side edges again' : 'that crease and crease across again'}. Open.`,
      check: pinched ? 'A second pair of marks, a quarter of the way up.' : 'A second crease, a quarter of the way up.',
      slip: { what: 'The new mark is not level.', remedy: 'Match both ends of the edge before you press either.' },
      crease: pinched ? 'pinch' : 'sharp',
    },
    hem: {
      id: 'hem',
      title: 'Fold the hem',
      words: marks
        ? `White side up. Mark ${mark(marks.hemMm)} from the bottom on both side edges and fold the bottom edge up there.`
        : 'Fold the bottom edge up to the two lower marks.',
      check: marks ? 'The hem is equally wide at both ends.' : 'The raw edge runs from mark to mark.',
      slip: { what: 'The hem is wider at one end.', remedy: 'Open it and line up both ends first.' },
      crease: 'sharp',
    },
    pocket: {
      id: 'pocket',
      title: 'Fold the pocket',
      words: marks
        ? `Mark ${mark(marks.pocketMm)} up from the fold of the hem on both side edges, and fold up again there: the hem goes inside.`
        : 'Fold the hemmed edge up to the middle marks. The hem goes inside.',
      check: 'The top of the pocket is a clean folded edge.',
      slip: {
        what: 'A raw edge shows at the top.',
        remedy: 'The hem lies outside. Open, and fold the hem to the white side.',
      },
      crease: 'sharp',
    },
    flapCrease: {
      id: 'flap-crease',
      title: 'Crease for the flap',
      words: marks
        ? `Mark ${mark(marks.flapMm)} up from the bottom fold, on both sides. Fold the top edge down there, crease and open.`
        : 'A quarter mark now shows on the pocket’s front. Fold the top edge down to it, crease and open.',
      check: 'A crease runs across above the pocket.',
      slip: {
        what: 'You went to the middle marks.',
        remedy: 'Use the lower mark on the pocket; otherwise the flap comes out blunt.',
      },
      crease: 'sharp',
    },
    leftCorner: corner('left'),
    rightCorner: corner('right'),
    left: sideOver('left'),
    right: sideOver('right'),
    leftTop: top('left'),
    rightTop: top('right'),
    fill: {
      id: 'fill',
      title: 'Lay the card in',
      words:
        'Open the point and both sides. Lay the card in with its lower edge behind the pocket’s front, and fold sides and point again.',
      check: 'The card lies flat between the side folds.',
      slip: { what: 'The sides bulge.', remedy: 'The card is too wide. Trim it, or take a larger sheet.' },
      crease: 'none',
    },
    tuck: {
      id: 'tuck',
      title: 'Tuck the flap',
      words: 'Fold the point down and slide its tip into the pocket: behind the hem, in front of the card.',
      check: 'Lift the edge of the pocket: the tip lies right behind it.',
      slip: {
        what: 'The flap slips out again.',
        remedy: 'Its tip lies behind the card. Draw it out and put it between card and hem.',
      },
      crease: 'soft',
    },
  };
}

/** Steps of its use. */
export const TUCK_USE = {
  opened: {
    id: 'opened',
    title: 'Open it again',
    words:
      'Pull the tip straight up out of the pocket, open the sides and take the card out. Never lift the hem: it holds the tip.',
    check: 'The pocket’s front is still whole.',
    slip: { what: 'The tip tears at the hem.', remedy: 'Ease the hem forwards with a finger while you pull.' },
    crease: 'none',
  },
  kept: {
    id: 'kept',
    title: 'Close it again',
    words:
      'Fold the sides and the point again and slide the tip back behind the hem. A seal may go over the flap where it meets the pocket.',
    check: 'Lift the edge of the pocket: the tip lies right behind it.',
    slip: { what: 'The tip is soft and will not enter.', remedy: 'Run a nail along both its sides, then slide it in.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
