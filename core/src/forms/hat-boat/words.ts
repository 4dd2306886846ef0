import type { StepWords } from '../form';

type HatBoatStep =
  | 'middle'
  | 'half'
  | 'corners'
  | 'front'
  | 'frontEnds'
  | 'back'
  | 'backEnds'
  | 'wear'
  | 'hatAway'
  | 'square'
  | 'firstUp'
  | 'secondUp'
  | 'again'
  | 'pull'
  | 'spread'
  | 'float'
  | 'away';

export function hatBoatWords(): Readonly<Record<HatBoatStep, StepWords>> {
  return {
    middle: {
      id: 'middle',
      title: 'Middle line',
      words: 'White side up, a short side nearest you. Fold the left edge to the right edge, crease, and open.',
      check: 'The crease runs from the near to the far edge.',
      slip: { what: 'It runs across the short way.', remedy: 'Turn the sheet a quarter and crease again.' },
      crease: 'sharp',
    },
    half: {
      id: 'half',
      title: 'Far half down',
      words: 'Fold the far edge down to the near edge.',
      check: 'The fold is at the top, the open edges nearest you.',
      slip: { what: 'The open edges are at the top.', remedy: 'Turn it round.' },
      crease: 'sharp',
    },
    corners: {
      id: 'corners',
      title: 'Upper corners to the middle',
      words: 'Fold both upper corners, both layers, down to the middle line.',
      check: 'Their edges meet on the middle line; a band stays free below.',
      slip: { what: 'The triangle opens at its slope.', remedy: 'The closed fold must be at the top: turn the sheet.' },
      crease: 'sharp',
    },
    front: {
      id: 'front-brim',
      title: 'Front brim up',
      words: 'Fold the front band up along the lower edge of the triangle.',
      check: 'Its fold joins the two lower corners of the triangle.',
      slip: { what: 'Both bands came up.', remedy: 'One belongs to each side: take the rear one down.' },
      crease: 'sharp',
    },
    frontEnds: {
      id: 'front-brim-ends',
      title: 'Turn over, its ends round',
      words: 'Turn over. The ends of the brim stand out beyond both slopes: fold them over towards you.',
      check: 'Nothing stands out beyond the slopes.',
      slip: { what: 'The hat slips open.', remedy: 'Press the slopes again before you go on.' },
      crease: 'sharp',
    },
    back: {
      id: 'back-brim',
      title: 'Back brim up',
      words: 'Fold the other band up in the same way, over these ends.',
      check: 'Both brims are equally wide.',
      slip: { what: 'It slants.', remedy: 'Lay its fold on the lower corners of the triangle.' },
      crease: 'sharp',
    },
    backEnds: {
      id: 'back-brim-ends',
      title: 'Its ends behind',
      words: 'Fold its two ends behind, round the slopes.',
      check: 'A triangle with a brim on both sides: the hat.',
      slip: { what: 'An end blocks the fold.', remedy: 'The first ends belong inside, these outside.' },
      crease: 'sharp',
    },
    wear: {
      id: 'open-hat',
      title: 'Open the hat',
      words: 'Put both thumbs in, pull the middles of the rim apart until it is as wide as it is long, and put it on.',
      check: 'It sits level and does not slip over the eyes.',
      slip: { what: 'It is too tight.', remedy: 'Open it no further, or it tears: take a larger sheet.' },
      crease: 'soft',
      caution: 'No flame near a paper hat. Newspaper ink comes off on hair and hands.',
    },
    hatAway: {
      id: 'hat-flat',
      title: 'Keep it flat',
      words: 'Press front and back onto each other again. It opens as often as you like.',
      check: 'A flat triangle.',
      slip: { what: 'A brim end slipped out.', remedy: 'Fold it round the slope again.' },
      crease: 'none',
    },
    square: {
      id: 'square',
      title: 'Open it, flatten it the other way',
      words:
        'Put both thumbs into the hat and pull the middles of front and back apart until the two lower corners come together. Press flat.',
      check: 'A square on its point; the two corners lie on each other, nearest you.',
      slip: { what: 'It will not lie flat.', remedy: 'A brim end is in the way: tuck one inside the other first.' },
      crease: 'sharp',
    },
    firstUp: {
      id: 'first-corner-up',
      title: 'Front corner up',
      words: 'Fold the near corner of the upper layer to the top corner.',
      check: 'One corner still lies nearest you, behind.',
      slip: { what: 'Both came up.', remedy: 'Only one goes on each side: take one back.' },
      crease: 'sharp',
    },
    secondUp: {
      id: 'second-corner-up',
      title: 'The other one too',
      words: 'Turn over and fold the other corner up.',
      check: 'A triangle, its long edge open and nearest you.',
      slip: { what: 'They differ.', remedy: 'Bring each exactly to the top corner.' },
      crease: 'sharp',
    },
    again: {
      id: 'square-again',
      title: 'Open and flatten once more',
      words:
        'Put both thumbs in again and pull the two long edges apart until their corners come together. Press flat.',
      check: 'A smaller square; two loose corners lie at the top, one on each side.',
      slip: { what: 'Layers bunch up inside.', remedy: 'Open it again and straighten the brim before you press.' },
      crease: 'sharp',
    },
    pull: {
      id: 'pull',
      title: 'Pull the ends apart',
      words:
        'Hold the two loose corners and pull them gently apart, sideways; support the middle from below with a finger. The lower edges roll out to new folds. Stop, and press flat.',
      check: 'A boat: two tips, and a pointed sail between them.',
      slip: { what: 'The sail is vanishing.', remedy: 'You pulled too far: push the tips together again.' },
      crease: 'soft',
    },
    spread: {
      id: 'spread',
      title: 'Spread the hull',
      words:
        'Push the middles of both rims outwards from inside and press the foot of the sail wider, until the boat stands on two corners.',
      check: 'The two corners beneath are clearly lower than the middle of the rim.',
      slip: { what: 'Water runs in at the middle.', remedy: 'Spread it wider, or push the tips together a little.' },
      crease: 'soft',
    },
    float: {
      id: 'float',
      title: 'Set it afloat',
      words:
        'Try it empty in a basin. Put what it carries beside the sail, as much on one side as on the other: little more than its own weight.',
      check: 'The rim stays dry at its middle.',
      slip: { what: 'It fills from the middle.', remedy: 'Spread it wider. For a real load fold a canoe instead.' },
      crease: 'none',
      caution:
        'No flame in it or under its sail: it is a chimney of paper. Stay with children at any water, and leave no boat there.',
    },
    away: {
      id: 'flat-again',
      title: 'Keep it flat',
      words: 'Let it dry, push both rims in again, and press it flat.',
      check: 'It lies flat and spreads again.',
      slip: { what: 'The rim is soft.', remedy: 'Fold a new one; wax on the rim delays wetting.' },
      crease: 'none',
    },
  };
}
