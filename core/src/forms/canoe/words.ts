import type { StepWords } from '../form';

type CanoeStep =
  'half' | 'doors' | 'corners' | 'upper' | 'lower' | 'sides' | 'turn' | 'turnRight' | 'turnLeft' | 'over' | 'open';

/** @param apart whether the ends leave a straight stretch between them, as on oblong sheets */
export function canoeWords(turn: 'single' | 'two-stage', apart: boolean): Readonly<Record<CanoeStep, StepWords>> {
  return {
    half: {
      id: 'half',
      title: 'Middle line',
      words: `The side that shall be outside faces up${apart ? ', a short edge nearest you' : ''}. Fold the right edge to the left edge, crease, and open.`,
      check: 'One crease runs up the middle.',
      slip: {
        what: 'The crease is off the middle.',
        remedy: 'Everything aims at this line: make it again, corner on corner.',
      },
      crease: 'sharp',
    },
    doors: {
      id: 'doors',
      title: 'Two doors',
      words: 'Fold the left edge and the right edge to the middle line.',
      check: 'The two raw edges just meet.',
      slip: {
        what: 'They overlap.',
        remedy: 'Open and leave them a hair apart instead; overlapping doors jam the mouth later.',
      },
      crease: 'sharp',
    },
    corners: {
      id: 'corners',
      title: 'Four corners in',
      words: 'Fold each of the four corners, both layers, so that half the short edge lies along the middle line.',
      check: 'A point at either end, right on the middle line.',
      slip: { what: 'An end is blunt.', remedy: 'The fold must begin exactly at the end of the middle line.' },
      crease: 'sharp',
    },
    upper: {
      id: 'upper-end',
      title: 'Far end again',
      words: 'At the far end fold both slanting edges to the middle line, all layers.',
      check: 'Both folded edges lie along the middle line over their whole length.',
      slip: { what: 'A gap shows at the tip.', remedy: 'Begin the fold at the very tip and press from there.' },
      crease: 'sharp',
    },
    lower: {
      id: 'lower-end',
      title: 'Near end again',
      words: apart
        ? 'Do the same at the near end.'
        : 'Do the same at the near end, over what lies there. Press the crossings hard.',
      check: apart ? 'Two slim points with straight sides between.' : 'The outline is a slim diamond.',
      slip: { what: 'It wants to twist.', remedy: 'Hold the crossing near the middle and press from the tip inwards.' },
      crease: 'sharp',
    },
    sides: {
      id: 'sides',
      title: 'Sides to the middle',
      words: apart
        ? 'Fold both long outer edges to the middle line, all layers.'
        : 'Fold both side points to the middle line, all layers.',
      check: 'A long narrow pack, pointed at both ends.',
      slip: { what: 'One side is wider.', remedy: 'Open it and aim at the middle line again.' },
      crease: 'sharp',
    },
    turn: {
      id: 'inside-out',
      title: 'Turn it inside out',
      words:
        'Slip your thumbs between the two doors in the middle. Spread the doors with all their flaps outwards and push the back through between them, over the flaps; pop the two tips last.',
      check: 'The flaps are hidden between doors and back; the outside is all one colour.',
      slip: {
        what: 'The paper begins to tear at a tip.',
        remedy:
          'Turn the middle first and push each tip with a thumb from outside. A small tear there is at the rim: tape it.',
      },
      crease: 'soft',
    },
    turnRight: {
      id: 'turn-right',
      title: 'Turn the right half',
      words:
        'Fold the pack in half along the middle with the doors outside. Open the pocket between the back and the right door, push that half of the back through to the other side of its door, and pop its tip ends. Lay it flat again.',
      check: 'On the right the back lies on the other side of its door and flaps.',
      slip: { what: 'The flaps came along.', remedy: 'They stay folded on the door; only the back passes over.' },
      crease: 'soft',
    },
    turnLeft: {
      id: 'turn-left',
      title: 'Turn the left half',
      words:
        'Two small triangles face each other in the opening. Take the left door with its triangle, pull it away from the back, and pop the other two tip ends.',
      check: 'Both halves are turned; the outline is as before.',
      slip: { what: 'One tip is still bumped.', remedy: 'Push it from outside with a thumb until it snaps through.' },
      crease: 'soft',
    },
    over: {
      id: 'over',
      title: 'Mouth up',
      words: 'Turn it so that the slit between the two doors faces up.',
      check: 'You see the slit from tip to tip.',
      slip: { what: 'You see an unbroken back.', remedy: 'Turn it over: that is the bottom.' },
      crease: 'none',
    },
    open: {
      id: 'open',
      title: turn === 'single' ? 'Open the hull' : 'Open and square it',
      words:
        'Spread the walls, press the floor flat from inside, and pinch the edge between floor and wall. Round the ends gently where they rise.',
      check: 'It stands level on a flat floor, both tips equally high.',
      slip: {
        what: 'The walls spring together.',
        remedy: 'Sharpen the edge between floor and wall between finger and thumb.',
      },
      crease: 'soft',
      caution: 'Sail it in a basin or on a thread, never with a flame, and lift it out again.',
    },
  };
}

/** Steps of its use. */
export const BOAT_USE = {
  load: {
    id: 'load',
    title: 'Load it',
    words:
      'Set it on the water, then put the load in, heavy things first and in the middle of the floor. Look at it from the side: it should lie level.',
    check: 'The rim is equally far above the water all round.',
    slip: { what: 'It leans.', remedy: 'Move the load, or take some out: it takes less when it leans.' },
    crease: 'none',
    caution:
      'Stay with children at any water. Paper softens in minutes: take it out before it sinks, and leave nothing in the water.',
  },
  away: {
    id: 'away',
    title: 'Dry it and fold it flat',
    words: 'Tip the water out and let it dry standing. Press both walls together and lay it flat.',
    check: 'It lies as flat as before it was opened.',
    slip: { what: 'The floor wrinkles.', remedy: 'It is still damp. Let it dry first.' },
    crease: 'none',
  },
  setUp: {
    id: 'set-up',
    title: 'Open it again',
    words: 'Spread the walls, press the floor down from inside and pinch its edges.',
    check: 'It stands level.',
    slip: { what: 'A wall falls in.', remedy: 'Sharpen the edge between wall and floor.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
