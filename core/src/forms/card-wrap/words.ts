import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type WrapStep = 'first' | 'second' | 'third' | 'fourth';

/** Flaps in the order in which they are folded, as their steps call them. */
export const FLAPS = ['first corner', 'opposite corner', 'right end', 'left end'] as const;

const AND_SEAL = ', and seal';
const SEAL = 'Close the last seam with tape, a sticker or a seal.';

/**
 * @param overlapMm what neighbouring flaps overlap by
 */
export function wrapWords(
  layout: 'diagonal' | 'square-on',
  overlapMm: number,
  unit: ShownUnit = 'mm',
): Readonly<Record<WrapStep, StepWords>> {
  const overlap = formatLength(overlapMm, unit);
  const diagonal = layout === 'diagonal';
  return {
    first: {
      id: 'first-flap',
      title: diagonal ? 'First corner over the card' : 'Near edge over the card',
      words: diagonal
        ? `White side up. Lay the card in the middle of the sheet, turned by an eighth, its long side rising to the right: its near and far corners are ${formatLength(overlapMm / 2, unit)} from the raw edges. Fold the near right corner of the sheet up over the card’s edge.`
        : 'White side up. Lay the card in the middle of the sheet, its long side along yours. Fold the near edge up over it.',
      check: diagonal
        ? 'The fold meets both raw edges equally far from the corner.'
        : 'The fold is level with the edge of the sheet.',
      slip: { what: 'The card has moved.', remedy: 'Lay it back against the fold before you make the next one.' },
      crease: 'sharp',
    },
    second: {
      id: 'second-flap',
      title: diagonal ? 'Opposite corner' : 'Far edge',
      words: diagonal
        ? 'Push the card against that fold. Fold the opposite corner of the sheet down over it.'
        : `Fold the far edge down over it. The two flaps overlap by ${overlap}.`,
      check: 'The strip is equally wide at both ends.',
      slip: {
        what: 'The strip narrows.',
        remedy: 'The card slipped. Open this fold, straighten the card, fold again.',
      },
      crease: 'sharp',
    },
    third: {
      id: 'third-flap',
      title: 'Right end',
      words: 'Fold the right end over the card’s short edge.',
      check: 'The fold is square to the strip.',
      slip: {
        what: 'It sits tight on the card.',
        remedy: 'Crease a millimetre or two further out, or the card will not come out again.',
      },
      crease: 'sharp',
    },
    fourth: {
      id: 'fourth-flap',
      title: `Left end${AND_SEAL}`,
      words: `Fold the left end over in the same way. ${SEAL}`,
      check: diagonal
        ? `Neighbouring flaps overlap by ${overlap} or more; no card shows.`
        : 'Both ends lie on the long seam; no card shows.',
      slip: {
        what: 'A gap shows at one corner of the card.',
        remedy: 'Move the card away from the raw edge that is too short, and make all four folds anew.',
      },
      crease: 'soft',
    },
  };
}

/** The words of a flap that is not the last to be folded: the seam stays open. */
export const unsealed = (flap: StepWords): StepWords => ({
  ...flap,
  title: flap.title.replace(AND_SEAL, ''),
  words: flap.words.replace(` ${SEAL}`, ''),
});

/**
 * A tip that passes the card's far edge is folded under there.
 * @param flap which flap it belongs to, by its place among {@link FLAPS}
 * @param last whether it is the last one, after which the seam is closed
 */
export function tipWords(flap: number, last: boolean): StepWords {
  return {
    id: `tip-${flap + 1}`,
    title: `Tuck the tip of the ${FLAPS[flap]} under${last ? AND_SEAL : ''}`,
    words: `The tip of the ${FLAPS[flap]} passes the card’s far edge. Fold it under along that edge.${last ? ` ${SEAL}` : ''}`,
    check: 'Nothing sticks out beyond the card’s edge.',
    slip: { what: 'The whole flap moved.', remedy: 'Hold the flap down and bend only its tip.' },
    crease: 'sharp',
  };
}

/** A step of its use. */
export const WRAP_USE = {
  opened: {
    id: 'opened',
    title: 'Open it again',
    words:
      'Slit the seal with a ruler’s edge, never with a blade towards the card, and open the last flap. What it holds slides out to that side, and in again.',
    check: 'Three flaps still lie in their places.',
    slip: {
      what: 'All flaps spring open.',
      remedy: 'Fold them in the same order again; the creases find their places.',
    },
    crease: 'none',
  },
  kept: {
    id: 'kept',
    title: 'Close it again',
    words: 'Fold the last flap over again and put a new seal on the seam.',
    check: 'No card shows.',
    slip: { what: 'The flap stands up.', remedy: 'Put it under a book overnight.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
