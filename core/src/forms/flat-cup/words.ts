import type { StepWords } from '../form';

type CupStep =
  | 'turn'
  | 'triangle'
  | 'mark'
  | 'markCreased'
  | 'left'
  | 'right'
  | 'frontTucked'
  | 'frontOver'
  | 'turnOver'
  | 'back'
  | 'turnBack'
  | 'lidTucked'
  | 'lidOver';

const FILL = 'Press the two sides towards each other, put in what it holds, and press it flat again.';

export const CUP_WORDS: Readonly<Record<CupStep, StepWords>> = {
  turn: {
    id: 'turn',
    title: 'A corner towards you',
    words: 'White side up, turn the sheet so that a corner points at you. What is up now becomes the inside.',
    check: 'The sheet stands on its point in front of you.',
    slip: { what: 'The wrong side is up.', remedy: 'Turn it over. For drinking, the plain clean side must be inside.' },
    crease: 'none',
  },
  triangle: {
    id: 'triangle',
    title: 'Half to a triangle',
    words: 'Fold the near corner to the far corner.',
    check: 'The long fold lies nearest you, both points on each other.',
    slip: { what: 'The points miss each other.', remedy: 'Hold them together before you press the fold.' },
    crease: 'sharp',
  },
  mark: {
    id: 'mark',
    title: 'Find the mark',
    words:
      'Take the front layer only. Bring its left raw edge down onto the long fold and pinch it just at the right edge. Open.',
    check: 'The raw edge lay along the fold over its whole length; a short mark is on the right edge.',
    slip: {
      what: 'You brought the tip to the middle of the fold.',
      remedy: 'Bring edge to edge instead: the whole left edge lies on the fold.',
    },
    crease: 'pinch',
  },
  markCreased: {
    id: 'mark',
    title: 'Crease to the mark',
    words:
      'Take the front layer only. Bring its left raw edge down onto the long fold, crease from the left corner to the right edge, and open.',
    check: 'The crease starts in the left corner; its other end, on the right edge, is the mark.',
    slip: {
      what: 'You brought the tip to the middle of the fold.',
      remedy: 'Bring edge to edge instead: the whole left edge lies on the fold.',
    },
    crease: 'sharp',
  },
  left: {
    id: 'left-corner',
    title: 'Left corner to the mark',
    words: 'Fold the left corner, both layers, across to the mark.',
    check: 'The upper edge of the folded corner runs parallel to the bottom fold.',
    slip: {
      what: 'That edge slants.',
      remedy: 'The corner missed the mark. Check before you press, and fold it again.',
    },
    crease: 'sharp',
  },
  right: {
    id: 'right-corner',
    title: 'Right corner across',
    words: 'Fold the right corner across to the upper end of the fold you have just made, over the first corner.',
    check: 'Both sides slope alike and the rim is level.',
    slip: { what: 'One side is steeper.', remedy: 'Open both corners and begin again from the mark.' },
    crease: 'sharp',
  },
  frontTucked: {
    id: 'front-flap',
    title: 'Front flap in',
    words:
      'Take the front one of the two points. Fold it down along the rim and slide it into the pocket of the corner on top.',
    check: 'The front is smooth and firm; one point still stands behind.',
    slip: { what: 'Both points went down.', remedy: 'The mouth is closed. Take one out again: one goes each way.' },
    crease: 'sharp',
  },
  frontOver: {
    id: 'front-flap',
    title: 'Front flap down',
    words: 'Take the front one of the two points and fold it down over the front, along the rim.',
    check: 'One point lies in front, one still stands behind.',
    slip: { what: 'Both points went down.', remedy: 'The mouth is closed. Take one back up: one goes each way.' },
    crease: 'sharp',
  },
  turnOver: {
    id: 'turn-over',
    title: 'Turn over',
    words: 'Turn the cup over, left to right.',
    check: 'The point that is left lies towards you; the front flap is underneath.',
    slip: { what: 'A corner came loose.', remedy: 'Press it flat again before you go on.' },
    crease: 'none',
  },
  lidTucked: {
    id: 'lid',
    title: 'Fill it, and close the lid',
    words: `${FILL} Fold the standing point down over the front, along the rim, and slide it into the same pocket.`,
    check: 'The rim is one straight line, and no point stands out.',
    slip: {
      what: 'The point is too wide for the pocket.',
      remedy: 'Its fold lies below the rim. Open it and fold exactly along the rim.',
    },
    crease: 'soft',
  },
  lidOver: {
    id: 'lid',
    title: 'Fill it, and close the lid',
    words: `${FILL} Fold the standing point down over the front flap, along the rim. A sticker keeps it there.`,
    check: 'The rim is one straight line, and both points lie in front.',
    slip: { what: 'It opens by itself.', remedy: 'Run a nail along the rim, or tuck the front flap in instead.' },
    crease: 'soft',
  },
  back: {
    id: 'back-flap',
    title: 'Back flap down',
    words: 'Fold the other point down over the back, along the rim.',
    check: 'The rim is one straight line on both sides.',
    slip: { what: 'The fold lies above the rim.', remedy: 'Fold it against the edge you can feel behind it.' },
    crease: 'sharp',
  },
  turnBack: {
    id: 'open',
    title: 'Turn back and open',
    words:
      'Turn it back. Press the two sides towards each other, put a finger in between the two flaps, and round the mouth.',
    check: 'You look into one deep white pocket down to the bottom fold.',
    slip: {
      what: 'Only a small triangle opens.',
      remedy: 'That is a pocket of the front. The room lies between the two flaps.',
    },
    crease: 'soft',
    caution: 'For drinking: food-safe plain paper only, cold drinks, a few minutes. Then recycle it.',
  },
};

/** Steps of its use. */
export const CUP_USE = {
  emptied: {
    id: 'emptied',
    title: 'Empty it and keep it flat',
    words:
      'Empty it, press both sides apart until the rim is straight again, and lay it flat. What was damp is thrown away, or used for dry things only.',
    check: 'It lies flat, its rim one straight line.',
    slip: { what: 'The mouth stays round.', remedy: 'Leave it under a book overnight.' },
    crease: 'none',
  },
  opened: {
    id: 'opened',
    title: 'Open it again',
    words:
      'Take the lid by the middle of the rim and lift it; draw its tip out straight up. The front flap stays as it is.',
    check: 'The point stands up behind the mouth.',
    slip: { what: 'The front flap came along.', remedy: 'Put it back where it was; it holds by the rim’s crease.' },
    crease: 'none',
  },
  kept: {
    id: 'kept',
    title: 'Close it again',
    words: 'Fold the point down again along the rim, as before.',
    check: 'The rim is one straight line.',
    slip: { what: 'It gapes.', remedy: 'Run a nail along the rim.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
