import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type DiamondStep = 'turn' | 'triangle' | 'front' | 'right' | 'left' | 'flap';

const HELD = {
  sticker: ' Close it with a sticker or a strip of tape.',
  glue: ' Close it with a spot of glue under its point.',
  loose: '',
} as const;

/**
 * @param markMm how far the marks lie from the corners, or null when the base is brought to thirds by trying
 * @param flap what holds it
 */
export function diamondWords(
  markMm: number | null,
  flap: keyof typeof HELD,
  unit: ShownUnit = 'mm',
): Readonly<Record<DiamondStep, StepWords>> {
  const mark = markMm === null ? null : formatLength(markMm, unit);
  return {
    turn: {
      id: 'turn',
      title: 'A corner towards you',
      words:
        mark === null
          ? 'White side up, turn the sheet so that a corner points at you.'
          : `White side up. Mark both edges of the near left corner ${mark} from it, and both edges of the far right corner ${mark} from that. Turn the near left corner towards you.`,
      check: 'The sheet stands on its point in front of you.',
      slip: { what: 'The pattern faces up.', remedy: 'Turn the sheet over: the side that is up now ends inside.' },
      crease: 'none',
    },
    triangle: {
      id: 'triangle',
      title: 'Half to a triangle',
      words: 'Fold the near corner to the far corner.',
      check: 'Both points lie on each other, and the fold is nearest you.',
      slip: { what: 'The points miss each other.', remedy: 'Hold both points together before you press the fold.' },
      crease: 'sharp',
    },
    front: {
      id: 'front',
      title: 'Front of the pocket',
      words: 'Take the upper point of the front layer only, and fold it down to the middle of the bottom fold.',
      check: 'The outline is still a whole triangle: the back layer has not moved.',
      slip: { what: 'Both layers came down.', remedy: 'Open it and take the front layer alone.' },
      crease: 'sharp',
    },
    right: {
      id: 'right-side',
      title: 'Right side over',
      words:
        mark === null
          ? 'Fold the right point along the bottom to two thirds. Lay the left point over it before you press: it must just reach the new fold.'
          : 'Fold the right point over to the left so that the fold runs through the two marks.',
      check: 'The bottom edge of the wing lies exactly on the bottom of the body.',
      slip: {
        what: 'The left point passes the fold or falls short.',
        remedy:
          'Open it and move the fold by a third of what is missing: inward if the point passes, outward if it falls short.',
      },
      crease: 'sharp',
    },
    left: {
      id: 'left-side',
      title: 'Left side, tucked in',
      words:
        mark === null
          ? 'Bring the left point across to the fold on the right. Before you press it, slide its tip between the two layers of the right wing.'
          : 'Fold the left point across through its two marks. Before you press it, slide its tip between the two layers of the right wing.',
      check: 'Pull at the left wing: the right one holds it.',
      slip: {
        what: 'The wings spring open.',
        remedy:
          'The tip went in front of the whole right wing or behind it. Draw it out and find the gap between its layers.',
      },
      crease: 'sharp',
    },
    flap: {
      id: 'flap',
      title: 'Card in, flap down',
      words: `Slide the card in between the back and the front, down to the bottom fold. Fold the upper point down over it, shoulder to shoulder.${HELD[flap]}`,
      check: 'The point ends where the two wings cross. Held upside down, the card stays in.',
      slip: {
        what: 'The card falls out at the bottom.',
        remedy: 'It lies in front of the pocket’s front. Take it out and put it behind that layer.',
      },
      crease: 'soft',
      ...(flap === 'glue' && {
        caution: 'Let the glue dry flat with the window open, and keep it off the card.',
        waits: 'glue',
      }),
    },
  };
}

/** Steps of its use. */
export const DIAMOND_USE = {
  opened: {
    id: 'opened',
    title: 'Open it again',
    words:
      'Lift the point by its sides, not by its tip, and draw the card out upwards. The two wings stay tucked: they are never pulled.',
    check: 'The pocket is whole, and the point stands up.',
    slip: {
      what: 'The wings came apart.',
      remedy: 'Slide the tip of the left wing between the two layers of the right one again.',
    },
    crease: 'none',
  },
  kept: {
    id: 'kept',
    title: 'Close it again',
    words: 'Fold the point down in its old crease. Empty and under a book it keeps flat, and closes as before.',
    check: 'The point ends where the two wings cross.',
    slip: { what: 'The point springs up.', remedy: 'Leave it closed under a book overnight.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
