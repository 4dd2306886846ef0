import type { StepWords } from '../form';

type UnitStep = 'upright' | 'level' | 'corners' | 'sides' | 'ends' | 'tube' | 'glue' | 'stand';

export const UNIT_WORDS: Readonly<Record<UnitStep, StepWords>> = {
  upright: {
    id: 'upright-quarters',
    stage: 'Creases',
    title: 'Upright quarters',
    words:
      'White side up. Fold the left edge to the right edge and open; then both edges to the middle crease, and open.',
    check: 'Three upright creases, four equal strips.',
    slip: { what: 'The strips differ.', remedy: 'Crease the one that is off again: six tubes must close to a ring.' },
    crease: 'sharp',
  },
  level: {
    id: 'level-quarters',
    title: 'Level quarters',
    words: 'Turn the sheet a quarter and do the same.',
    check: 'Sixteen equal squares.',
    slip: { what: 'They are oblong.', remedy: 'The sheet is not square: trim it before you go on.' },
    crease: 'sharp',
  },
  corners: {
    id: 'corners',
    stage: 'Corners and sides',
    title: 'Corners to the nearest crossing',
    words: 'Fold each corner to the crossing of creases nearest to it.',
    check: 'Each folded corner fills half of one square.',
    slip: { what: 'A corner went to the middle.', remedy: 'Take the near crossing, or the pockets vanish.' },
    crease: 'sharp',
  },
  sides: {
    id: 'sides-in',
    title: 'Both sides to the middle',
    words: 'Fold the left and the right side to the middle, through everything.',
    check: 'A strip; the two flaps just touch, and at both ends a white notch shows.',
    slip: { what: 'They overlap.', remedy: 'Fold on the quarter creases.' },
    crease: 'sharp',
  },
  ends: {
    id: 'ends-over',
    stage: 'Tube',
    title: 'Turn over, both ends in',
    words:
      'Turn over, the plain side up. Fold both ends over to the middle, crease through all layers, and open them to right angles.',
    check: 'The folds run exactly through the tips of the notches.',
    slip: {
      what: 'The notches ended up inside.',
      remedy: 'Open it, turn it over, and fold the ends to the plain side.',
    },
    crease: 'sharp',
  },
  tube: {
    id: 'tube',
    title: 'Bend it to a tube',
    words:
      'Push the middle crease outwards, away from the plain side, so that a three-sided tube forms, plain side inside.',
    check: 'Three equal sides; the two ends lie over each other.',
    slip: { what: 'The middle crease went inwards.', remedy: 'Push it out: the ends do not reach each other so.' },
    crease: 'soft',
  },
  glue: {
    id: 'glue',
    title: 'Slide one end into the other, and glue',
    words:
      'Put a thin film of glue into both pockets of one end, between its back and its flaps. Slide the other end in between them along the wall, until its raw edge meets the crease. Hold it, or clip it, for ten minutes.',
    check: 'Stand it up: a triangle with three equal sides.',
    slip: {
      what: 'The end is not home.',
      remedy: 'Push it in while the glue is wet: half a millimetre at each tube keeps the ring open by five degrees.',
    },
    crease: 'soft',
    caution: 'Glue with the window open.',
    waits: 'glue',
  },
  stand: {
    id: 'check-angle',
    title: 'Check it',
    words: 'Stand all units together without glue, windows outwards: they close to a ring.',
    check: 'No gap between the first and the last.',
    slip: {
      what: 'The ring stays open by a few degrees.',
      remedy: 'Seat the worst end again before you glue the ring.',
    },
    crease: 'none',
  },
};

export const STRIP_WORDS: StepWords = {
  id: 'strip',
  title: 'Put the strip in',
  words:
    'Before a unit is bent to a tube, slide its strip under the two flaps of the end that will be pushed in, its long side against the crease. Trim its length a little at a time until it lies flat, turn over, and cut off what stands out.',
  check: 'The strip’s colour shows in the window and the wall does not bow.',
  slip: { what: 'It bows the wall.', remedy: 'It is too long: trim half a millimetre.' },
  crease: 'none',
  caution: 'Cut away from your fingers, on a mat.',
};

export const CARD_WORDS: StepWords = {
  id: 'base-card',
  title: 'Cut the base',
  words:
    'Mark the middles of the two short sides and, on the long sides, a quarter of their length from each corner. Cut off the four corners between the marks. Glue the ring onto it when it is dry.',
  check: 'Six equal edges.',
  slip: { what: 'It stands out beyond the ring.', remedy: 'Trim it along the walls when the glue is dry.' },
  crease: 'none',
  caution: 'Cut away from your fingers, on a mat.',
};
