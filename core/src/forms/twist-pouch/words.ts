import type { StepWords } from '../form';

type PouchStep =
  | 'over'
  | 'diagonals'
  | 'middles'
  | 'lowSlant'
  | 'lowSlants'
  | 'highSlant'
  | 'highSlants'
  | 'sideEar'
  | 'sideEars'
  | 'cornerEar'
  | 'cornerEars'
  | 'directions'
  | 'twist'
  | 'open'
  | 'close';

/** Words of the pouch, its pleats laid to one side. */
export function pouchWords(mirror: 'right' | 'left'): Readonly<Record<PouchStep, StepWords>> {
  const other = mirror === 'right' ? 'left' : 'right';
  return {
    over: {
      id: 'over',
      title: 'Coloured side up',
      words: 'Turn the sheet so that its coloured side is up. That side becomes the star.',
      check: 'You see the colour.',
      slip: { what: 'White is up.', remedy: 'Turn it over, unless you want a white star.' },
      crease: 'none',
    },
    diagonals: {
      id: 'diagonals',
      title: 'Both diagonals',
      words: 'Fold corner to corner, both ways, and open each.',
      check: 'Two creases cross in the middle.',
      slip: { what: 'A crease misses a corner.', remedy: 'Crease it again, exactly: nothing later mends it.' },
      crease: 'sharp',
    },
    middles: {
      id: 'middles',
      title: 'Both middle lines',
      words: 'Fold edge to edge, both ways, and open each.',
      check: 'Four creases cross in one point.',
      slip: { what: 'They miss the crossing.', remedy: 'Crease the line again through the crossing.' },
      crease: 'sharp',
    },
    lowSlant: {
      id: 'low-slant',
      title: 'First slant',
      words: `Hold the near ${other} corner. Swing the near ${mirror} corner up until it touches the upright middle line, the fold beginning exactly in the corner that you hold. Crease, and open.`,
      check: 'The crease leaves the far end of the edge at 0.58 of its length.',
      slip: {
        what: 'The fold does not begin in the corner.',
        remedy: 'Begin again: one degree here becomes three that cannot lie flat.',
      },
      crease: 'sharp',
    },
    lowSlants: {
      id: 'low-slants',
      title: 'The same from three corners',
      words: `Turn the sheet a quarter and swing the next ${mirror} corner up in the same way, three times.`,
      check: 'Neighbouring slants cross on the middle lines.',
      slip: { what: 'Two cross beside a middle line.', remedy: 'One of them is off: crease it again from its corner.' },
      crease: 'sharp',
    },
    highSlant: {
      id: 'high-slant',
      title: 'Second slant',
      words: `From the near ${other} corner the other way: lay its upright edge on the slant that begins there. Crease, and open.`,
      check: 'The far corner landed on the level middle line by itself.',
      slip: { what: 'It landed beside it.', remedy: 'You took another crease: lay the edge on the flat slant.' },
      crease: 'sharp',
    },
    highSlants: {
      id: 'high-slants',
      title: 'The same from three corners',
      words: 'Lay the edge on the slant at the other three corners.',
      check: 'In the middle lies a field of eight equal edges, its corners on middle lines and diagonals.',
      slip: { what: 'Its edges differ.', remedy: 'Do the slants again before you go on.' },
      crease: 'sharp',
    },
    sideEar: {
      id: 'side-ear',
      title: 'An ear at the near edge',
      words: `Fold in along the two slants that meet on the near middle line, so that the middle line stands up as a ridge. Lay the flap to the ${mirror}, press, and open.`,
      check: 'Both near corners lay on each other, on the upright middle line.',
      slip: { what: `The flap lay to the ${other}.`, remedy: `Lay it to the ${mirror}: all pleats go one way.` },
      crease: 'sharp',
    },
    sideEars: {
      id: 'side-ears',
      title: 'Ears at three edges',
      words: `The same at the other three edges, each flap to the ${mirror} as you face it.`,
      check: 'Turning the sheet a quarter changes nothing.',
      slip: { what: 'One flap went the other way.', remedy: 'Do that one again.' },
      crease: 'sharp',
    },
    cornerEar: {
      id: 'corner-ear',
      title: 'An ear at a corner',
      words: `At the near ${other} corner fold in along the two slants that meet on its diagonal. Lay the pinched flap to the ${mirror}: a short new crease appears. Press, and open.`,
      check: 'The new crease runs from a corner of the middle field to the edge.',
      slip: { what: 'The flap lay the other way.', remedy: `Lay it to the ${mirror} and press again.` },
      crease: 'sharp',
    },
    cornerEars: {
      id: 'corner-ears',
      title: 'Ears at three corners',
      words: 'The same at the other three corners, always to the same side.',
      check: 'Four short creases, each on the same side of its diagonal.',
      slip: { what: 'One short crease is on the wrong side.', remedy: 'Do that corner again.' },
      crease: 'sharp',
    },
    directions: {
      id: 'directions',
      title: 'Set ridges and valleys',
      words:
        'Pinch the eight edges of the middle field to valleys, and the middle lines and diagonals outside it too. Pinch the four slants that run from the middle lines to the sheet’s corners, and the four short creases, to ridges.',
      check: 'Round the field ridges and valleys take turns.',
      slip: {
        what: 'You skipped this.',
        remedy: 'The pleats would lean as they were creased first, and cannot be pressed flat so.',
      },
      crease: 'soft',
    },
    twist: {
      id: 'twist',
      title: 'Twist it shut',
      words: `Pinch all round the field so that it becomes a floor and the eight panels stand up; put in what it holds. Let all pleats lean to the ${mirror} and turn them round the floor, pressing, until it snaps flat.`,
      check: 'A star with four points; the eight edges meet in its middle.',
      slip: {
        what: 'It does not snap.',
        remedy: 'A panel lies on the wrong side of its neighbour: open it, and lay each over the next, all round.',
      },
      crease: 'soft',
      caution: 'Small parts can choke: keep them from children under three.',
    },
    open: {
      id: 'open',
      title: 'Open it again',
      words:
        'Turn it over. Take two opposite ones of the four small flaps behind the points and pull them apart: the twist undoes. Never pull at the points themselves.',
      check: 'A shallow bag round the eight-sided floor.',
      slip: { what: 'A point tears.', remedy: 'Pull at the small flaps on the back instead, both at once.' },
      crease: 'none',
    },
    close: {
      id: 'close-again',
      title: 'Close it again',
      words: `Turn it back. Push its four sides together, turning them to the ${mirror}, and press the middle.`,
      check: 'It snaps flat, and the star lies towards you.',
      slip: {
        what: 'It springs open.',
        remedy: 'Leave it closed under a book overnight; the first openings are stiff.',
      },
      crease: 'none',
    },
  };
}
