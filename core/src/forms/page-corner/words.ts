import type { StepWords } from '../form';

type PageCornerStep =
  'turn' | 'triangle' | 'creases' | 'front' | 'rightWing' | 'rightTip' | 'leftWing' | 'leftTip' | 'panel';

const wing = (side: 'left' | 'right'): StepWords => ({
  id: `${side}-wing`,
  title: `${side === 'left' ? 'Left' : 'Right'} corner up`,
  words: `Fold the ${side} corner up again along its crease.`,
  check: 'Its point lies on the top point of the back layer.',
  slip: {
    what: 'The wing bends beside its crease.',
    remedy: 'The front was not folded down first. Open the wing and do that.',
  },
  crease: 'sharp',
});

const tip = (side: 'left' | 'right'): StepWords => ({
  id: `${side}-tip`,
  title: `Tuck the ${side} tip`,
  words:
    'Fold the part that stands above the pocket’s edge down over that edge, into the pocket behind the front layer.',
  check:
    side === 'left'
      ? 'The mouth of the pocket is one clean straight line.'
      : 'Nothing of this wing stands above the edge.',
  slip: {
    what: 'A loose point shows at the edge.',
    remedy:
      'It slipped behind the little folded tip instead of behind the whole front. Draw it out and push it into the big pocket.',
  },
  crease: 'sharp',
});

export const PAGE_CORNER_WORDS: Readonly<Record<PageCornerStep, StepWords>> = {
  panel: {
    id: 'panel',
    title: 'Glue the face on',
    words:
      'Cut the band and two white discs. Lay the band across the front, its long edge on the mouth, and glue it; then the discs, pupils drawn, side by side under the mouth.',
    check: 'Its slanted ends lie flush with the pocket’s edges, nothing stands over the mouth.',
    slip: { what: 'The band is wider than the pocket.', remedy: 'Trim it along the edges, or it catches on the page.' },
    crease: 'none',
    caution: 'Scissors and glue: the usual care, and children with a grown-up beside them.',
    waits: 'glue',
  },
  turn: {
    id: 'turn',
    title: 'A corner towards you',
    words: 'White side up, turn the sheet so that a corner points at you.',
    check: 'The sheet stands on its point in front of you.',
    slip: { what: 'The coloured side faces up.', remedy: 'Turn the sheet over; what lies down now shows at the end.' },
    crease: 'none',
  },
  triangle: {
    id: 'triangle',
    title: 'Half to a triangle',
    words: 'Fold the near corner to the far corner.',
    check: 'Both points lie on each other.',
    slip: { what: 'The points miss each other.', remedy: 'Hold them together before you press the fold.' },
    crease: 'sharp',
  },
  creases: {
    id: 'creases',
    title: 'Crease both wings',
    words: 'Fold the right corner up to the top point, then the left corner too. Crease both well and open them.',
    check: 'Two creases run from the middle of the bottom up to both slanting edges.',
    slip: {
      what: 'A gap shows between the two wings.',
      remedy: 'Bring each corner exactly to the top point and crease again.',
    },
    crease: 'sharp',
  },
  front: {
    id: 'front',
    title: 'Front of the pocket',
    words: 'Take the upper point of the front layer only and fold it down to the middle of the bottom.',
    check: 'A whole triangle still stands behind.',
    slip: { what: 'Both layers came down.', remedy: 'Open it and take the front layer alone, or no back is left.' },
    crease: 'sharp',
  },
  rightWing: wing('right'),
  rightTip: tip('right'),
  leftWing: wing('left'),
  leftTip: tip('left'),
};

/** A step of its use. */
export const PAGE_CORNER_USE = {
  use: {
    id: 'use',
    title: 'On the page',
    words:
      'Slide it over the corner of the pages, with the tucked tips in front of them. To take it off pull it straight along the corner; it keeps flat in the book.',
    check: 'The pages lie right in the corner, behind the tips.',
    slip: {
      what: 'The tips come out of the pocket.',
      remedy: 'The pages lay before them. Tuck the tips in again, and slide the pages in behind.',
    },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
