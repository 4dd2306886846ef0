import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type WrapStep = 'first' | 'second' | 'third' | 'fourth' | 'tip';

/** @param overlapMm what neighbouring flaps overlap by */
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
      title: 'Left end, and seal',
      words: 'Fold the left end over in the same way. Close the last seam with tape, a sticker or a seal.',
      check: diagonal
        ? `Neighbouring flaps overlap by ${overlap} or more; no card shows.`
        : 'Both ends lie on the long seam; no card shows.',
      slip: {
        what: 'A gap shows at one corner of the card.',
        remedy: 'Move the card away from the raw edge that is too short, and make all four folds anew.',
      },
      crease: 'soft',
    },
    tip: {
      id: 'tip',
      title: 'Tuck a long tip under',
      words: 'The tip of this flap passes the far edge. Fold it under along that edge.',
      check: 'Nothing sticks out beyond the card’s edge.',
      slip: { what: 'The whole flap moved.', remedy: 'Hold the flap down and bend only its tip.' },
      crease: 'sharp',
    },
  };
}
