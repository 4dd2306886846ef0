/** The general slips of a hand at a fold or a turn. */
export type SlipKind =
  | 'other side up'
  | 'turned half'
  | 'turned left'
  | 'turned right'
  | 'too short'
  | 'too far'
  | 'other place'
  | 'folded behind'
  | 'folded in front'
  | 'a layer more'
  | 'a layer less'
  | 'not tucked'
  | 'not turned over'
  | 'turned over endways'
  | 'turned the other way';

/** What happened, and how the paper is brought back. */
export const SLIP_WORDS: Readonly<Record<SlipKind, { readonly what: string; readonly remedy: string }>> = {
  'other side up': {
    what: 'The other side was up',
    remedy:
      'Open the fold, turn the paper over like a page, and fold again: the side that is up must be the one in the picture before.',
  },
  'turned half': {
    what: 'The paper lay turned by half a turn',
    remedy:
      'Open the fold and turn the paper on the table by half a turn: open edges and points lie as in the picture before. Fold again.',
  },
  'turned left': {
    what: 'The paper lay turned by a quarter to the left',
    remedy: 'Open the fold, turn the paper on the table by a quarter to the right, and fold again.',
  },
  'turned right': {
    what: 'The paper lay turned by a quarter to the right',
    remedy: 'Open the fold, turn the paper on the table by a quarter to the left, and fold again.',
  },
  'too short': {
    what: 'Folded to a place before the right one',
    remedy:
      'Open the fold and take the paper further, to where the arrow ends. Press the wrong crease flat with a nail before you crease anew.',
  },
  'too far': {
    what: 'Folded to a place beyond the right one',
    remedy:
      'Open the fold and take the paper less far, to where the arrow ends. Press the wrong crease flat with a nail before you crease anew.',
  },
  'other place': {
    what: 'Folded to another point beside the right one',
    remedy:
      'Open the fold, find the point where the arrow ends, and fold to that. Press the wrong crease flat with a nail first.',
  },
  'folded behind': {
    what: 'Folded away from you',
    remedy: 'Bring the paper back from behind, and fold it along the same crease towards you.',
  },
  'folded in front': {
    what: 'Folded towards you',
    remedy: 'Open the fold, and fold along the same crease away from you, behind the rest.',
  },
  'a layer more': {
    what: 'More layers were folded than should be',
    remedy:
      'Open the fold, let the layers below lie on the table, and fold only the flap on top. Press flat the crease that the others got.',
  },
  'a layer less': {
    what: 'Fewer layers were folded than should be',
    remedy: 'Open the fold, take up the layers below as well, and fold all of them together along the same line.',
  },
  'not tucked': {
    what: 'It lies on top and is not tucked in',
    remedy: 'Lift the flap again, open the layer that it goes under with a finger, and slide it in.',
  },
  'not turned over': {
    what: 'The paper was not turned over',
    remedy: 'Turn it over like a page of a book, left edge to the right.',
  },
  'turned over endways': {
    what: 'Turned over from near to far, not like a page',
    remedy: 'Turn it on the table by half a turn: now it lies as it would after turning a page.',
  },
  'turned the other way': {
    what: 'Turned the other way round',
    remedy: 'Turn it back, and as far again in the direction of the arrow.',
  },
};
