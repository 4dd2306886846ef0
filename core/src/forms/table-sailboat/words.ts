import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type SailboatStep =
  'turn' | 'triangle' | 'sides' | 'front' | 'sails' | 'hull' | 'over' | 'foot' | 'stand' | 'card' | 'away';

/** Words of the sailboat; the foot by folding alone, or measured. */
export function sailboatWords(
  {
    footMm,
    standDeg,
    face,
  }: { readonly footMm: number | null; readonly standDeg: number; readonly face: 'hull' | 'sails' },
  unit: ShownUnit = 'mm',
): Readonly<Record<SailboatStep, StepWords>> {
  const leaning = face === 'hull' ? 'the white hull towards you' : 'the sails towards you';
  return {
    turn: {
      id: 'turn',
      title: 'A corner towards you',
      words: 'White side up, turn the sheet so that a corner points at you.',
      check: 'The sheet stands on its point. What is up now becomes the hull.',
      slip: {
        what: 'The coloured side is up.',
        remedy: 'Turn it over, unless you want a coloured hull and white sails.',
      },
      crease: 'none',
    },
    triangle: {
      id: 'triangle',
      title: 'Half to a triangle',
      words: 'Fold the far corner onto the near corner. Then turn the triangle so that its fold lies nearest you.',
      check: 'The long fold is nearest you, both loose corners lie on each other at the top.',
      slip: { what: 'The corners miss each other.', remedy: 'Hold them together before you press the fold.' },
      crease: 'sharp',
    },
    sides: {
      id: 'side-creases',
      title: 'Crease both sides',
      words:
        'Fold the right corner, both layers, up to the top corner, crease, and open. The same with the left corner.',
      check: 'Two creases run from the middle of the fold to the middles of the slopes.',
      slip: {
        what: 'The corner stops short of the top.',
        remedy: 'Fold again corner on corner: the gap between the sails shows it later.',
      },
      crease: 'sharp',
    },
    front: {
      id: 'front-down',
      title: 'Front corner down',
      words: 'Take the front layer only and fold its top corner down to the middle of the long fold.',
      check: 'Behind the flap the other corner still stands up.',
      slip: { what: 'Both corners came down.', remedy: 'Take the rear one up again: without it there is no pocket.' },
      crease: 'sharp',
    },
    sails: {
      id: 'sails',
      title: 'Side corners up',
      words: 'Fold both side corners up again on their creases, in front of the flap.',
      check: 'A square on its point; the two corners meet at the top without a gap.',
      slip: { what: 'A gap stays between them.', remedy: 'Open both and lay them along the sides of the flap.' },
      crease: 'sharp',
    },
    hull: {
      id: 'hull',
      title: 'Turn over, hull down',
      words: 'Turn the piece over, left to right. Fold the one loose layer’s top corner down to the bottom corner.',
      check: 'The two sails stand free above the white hull.',
      slip: {
        what: 'A sail came down with it.',
        remedy: 'Open it and part the layers: only a single one goes down.',
      },
      crease: 'sharp',
    },
    over: {
      id: 'over',
      title: 'Sails towards you',
      words: 'Turn the boat over again, left to right: the sails are the front.',
      check: 'The coloured sails lie on top.',
      slip: { what: 'A flap opened.', remedy: 'Press it flat again before you go on.' },
      crease: 'none',
    },
    foot: {
      id: 'foot',
      title: 'Foot behind',
      words:
        footMm === null
          ? 'Fold the bottom corner behind, all layers together, so that its point lies on the hull’s upper line. Crease it with a tool.'
          : `Fold the bottom corner behind, all layers together, ${formatLength(footMm, unit)} from its point. Crease it with a tool.`,
      check: 'The fold runs level, and the foot lies behind.',
      slip: {
        what: 'It springs back.',
        remedy: 'Six layers lie there: run a tool along it and bend it past flat once.',
      },
      crease: 'sharp',
    },
    stand: {
      id: 'stand',
      title: 'Stand it up',
      words: `Open the foot until the boat leans back a little, to about ${Math.round(standDeg)} degrees, and stand it on its foot, ${leaning}.`,
      check: 'It stands by itself and rocks back when you tip it.',
      slip: { what: 'It falls on its nose.', remedy: 'The foot is opened too far: press it back towards the hull.' },
      crease: 'soft',
    },
    card: {
      id: 'card',
      title: 'Put in a card',
      words: 'Press the two ends of the hull towards each other: the pocket opens. Slide the card down until it holds.',
      check: 'The card stands upright and the boat still stands by itself.',
      slip: {
        what: 'It falls over backwards.',
        remedy: 'The card is too high or too heavy: take a lower one, or close the foot a little.',
      },
      crease: 'none',
    },
    away: {
      id: 'away',
      title: 'Put it away flat',
      words:
        'Take out the card and press the foot flat behind the hull. It keeps flat, and stands again when the foot is opened.',
      check: 'The boat is flat.',
      slip: { what: 'The foot no longer holds its angle.', remedy: 'Leave it closed under a book overnight.' },
      crease: 'none',
    },
  };
}
