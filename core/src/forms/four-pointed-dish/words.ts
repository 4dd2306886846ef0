import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type DishStep =
  | 'over'
  | 'diagonals'
  | 'back'
  | 'halves'
  | 'turn'
  | 'packet'
  | 'round'
  | 'kite'
  | 'overKite'
  | 'kiteRear'
  | 'squash'
  | 'behind'
  | 'squashLeft'
  | 'overPocket'
  | 'squashRear'
  | 'point'
  | 'overPoint'
  | 'pointRear'
  | 'pages'
  | 'hiddenPoints'
  | 'base'
  | 'open';

/** @param wallMm slant height of the walls when it is measured */
export function dishWords(wallMm: number | null, unit: ShownUnit = 'mm'): Readonly<Record<DishStep, StepWords>> {
  const turnOver = (id: string, title: string): StepWords => ({
    id,
    title,
    words: 'Turn it over, left to right.',
    check: 'The open point is still away from you.',
    slip: { what: 'The open point is nearest you.', remedy: 'Turn the packet half round on the table.' },
    crease: 'none',
  });
  const slip = {
    what: 'The fold slants.',
    remedy: 'It must be level at both ends. Open it and line up the point with the middle.',
  };
  return {
    over: {
      id: 'over',
      title: 'Coloured side up',
      words: 'Turn the sheet over: the coloured side faces up.',
      check: 'You see the side that will be outside.',
      slip: { what: 'The white side is up.', remedy: 'Turn it over: the diagonals are made on the coloured side.' },
      crease: 'none',
    },
    diagonals: {
      id: 'diagonals',
      title: 'Both diagonals',
      words: 'Fold corner to opposite corner, crease and open; do it with the other two corners.',
      check: 'Two creases cross in the middle.',
      slip: { what: 'A corner misses the other.', remedy: 'Hold corner on corner before you press.' },
      crease: 'sharp',
    },
    back: {
      id: 'back',
      title: 'White side up',
      words: 'Turn the sheet over.',
      check: 'The diagonals stand up as ridges.',
      slip: { what: 'They are valleys.', remedy: 'You are on the coloured side. Turn it.' },
      crease: 'none',
    },
    halves: {
      id: 'halves',
      title: 'Both halves',
      words:
        'Fold the bottom edge to the top edge, crease and open; fold the left edge to the right edge, crease and open.',
      check: 'These two are valleys, the diagonals ridges.',
      slip: { what: 'All four bend the same way.', remedy: 'Bend the halves back firmly the other way.' },
      crease: 'sharp',
    },
    turn: {
      id: 'turn',
      title: 'A corner towards you',
      words: 'Turn the sheet so that a corner points at you.',
      check: 'The sheet stands on its point.',
      slip: { what: 'An edge is nearest you.', remedy: 'Turn it an eighth further.' },
      crease: 'none',
    },
    packet: {
      id: 'packet',
      title: 'Corners together',
      words:
        'Bring the left and right corners down to the near corner, and let the far corner come down on top. Press flat.',
      check: 'A square packet; all four corners lie together nearest you.',
      slip: {
        what: 'It will not go down.',
        remedy: 'A crease bends the wrong way. Sharpen the halves as valleys and try again.',
      },
      crease: 'sharp',
    },
    round: {
      id: 'round',
      title: 'Half round',
      words: 'Turn the packet half round, so that the open point is away from you.',
      check: 'The closed point is nearest you.',
      slip: { what: 'The near point opens into layers.', remedy: 'That is the open one. Turn it round.' },
      crease: 'none',
    },
    kite: {
      id: 'kite',
      title: 'Edges to the middle',
      words: 'Bring the upper right raw edge, two layers, to the middle line and crease. Do the same on the left.',
      check: 'Two raw edges meet along the middle.',
      slip: { what: 'All layers came along.', remedy: 'Take the two on top only.' },
      crease: 'sharp',
    },
    overKite: turnOver('over-kite', 'Turn over'),
    kiteRear: {
      id: 'kite-rear',
      title: 'The same on this side',
      words: 'Bring both raw edges on this side to the middle line too.',
      check: 'A kite, the same on both sides.',
      slip: { what: 'One side is wider.', remedy: 'Bring its edge exactly to the middle.' },
      crease: 'sharp',
    },
    squash: {
      id: 'squash',
      title: 'Squash the right flap',
      words:
        'Put a finger between the two layers of the right flap from the middle. Lift, open it, and lay its lower doubled edge exactly along the side of the kite. Press flat.',
      check: 'A small kite sticks half out beyond the side.',
      slip: { what: 'The edge lies beside the kite’s side.', remedy: 'Open it and lay edge on edge before you press.' },
      crease: 'sharp',
    },
    behind: {
      id: 'behind',
      title: 'Fold what sticks out behind',
      words: 'Fold the half that sticks out backwards along the side, in behind its own layer.',
      check: 'The outline is the kite again; a small coloured triangle shows.',
      slip: { what: 'It went behind the whole packet.', remedy: 'Take it out and slip it behind its own flap only.' },
      crease: 'sharp',
    },
    squashLeft: {
      id: 'squash-left',
      title: 'The left flap',
      words: 'Do both with the left flap: squash it, and fold what sticks out behind.',
      check: 'Two small triangles meet on the middle line.',
      slip: {
        what: 'They do not meet.',
        remedy: 'One edge was not laid along the side. Open that flap and do it again.',
      },
      crease: 'sharp',
    },
    overPocket: turnOver('over-pocket', 'Turn over once more'),
    squashRear: {
      id: 'squash-rear',
      title: 'The two flaps here',
      words: 'Squash both flaps on this side in the same way, and fold what sticks out behind.',
      check: 'Both sides look the same.',
      slip: { what: 'A flap is missing.', remedy: 'It hides between the others. Turn a layer like a page to find it.' },
      crease: 'sharp',
    },
    point: {
      id: 'point',
      title: 'The first point down',
      words:
        wallMm === null
          ? 'Fold the upper point of the front layer, with what lies on it, straight down: the fold runs through the upper corners of the two small triangles.'
          : `Fold the upper point of the front layer, with what lies on it, straight down, ${formatLength(wallMm, unit)} above the widest corners.`,
      check: 'The point hangs on the middle line; the fold is level.',
      slip,
      crease: 'sharp',
    },
    overPoint: turnOver('over-point', 'Turn over'),
    pointRear: {
      id: 'point-rear',
      title: 'The second point down',
      words: 'Fold the upper point of the front layer on this side down, level with the fold behind.',
      check: 'Two points hang down, one on each side.',
      slip,
      crease: 'sharp',
    },
    pages: {
      id: 'pages',
      title: 'Turn a page on each side',
      words: 'Turn one layer over like a page, turn the packet over, and turn one like a page there too.',
      check: 'A point stands up on each side again.',
      slip: { what: 'A folded point lies outside.', remedy: 'You turned two layers, or none: leaf on by one.' },
      crease: 'none',
    },
    hiddenPoints: {
      id: 'hidden-points',
      title: 'The other two points',
      words: 'Fold the upper point down on this side and on the other, level with those between them.',
      check: 'Four points hang down, all equally long.',
      slip,
      crease: 'sharp',
    },
    base: {
      id: 'base',
      title: 'Crease the base',
      words:
        'Fold the closed point up between the two widest corners, all layers. Press hard, open, and bend it the other way as well.',
      check: 'A sharp crease from corner to corner.',
      slip: { what: 'The crease is round.', remedy: 'Press it with a ruler or a bone folder.' },
      crease: 'sharp',
    },
    open: {
      id: 'open',
      title: 'Open it out',
      words:
        'Lift the points level, put your fingers into the mouth and pull two opposite points gently apart, while you push the closed point up from below until the floor is flat. Run a nail along the four edges of the floor.',
      check: 'It stands on a flat square floor, four points level round the rim.',
      slip: { what: 'The floor bulges.', remedy: 'Sharpen the edges of the floor from inside.' },
      crease: 'soft',
    },
  };
}

/** Steps of its use. */
export const DISH_USE = {
  away: {
    id: 'away',
    title: 'Fold it flat again',
    words:
      'Empty it. Push the floor up from below, bring the four points together two by two, and press it flat: many lie in each other’s place in a drawer.',
    check: 'A flat packet, two points on each side.',
    slip: { what: 'The floor stays flat.', remedy: 'Push the middle of the floor up with a finger first.' },
    crease: 'none',
  },
  setUp: {
    id: 'set-up',
    title: 'Set it up again',
    words:
      'Pull two opposite points apart at their roots, not at their tips, and push the closed point up until the floor is flat.',
    check: 'It stands as before.',
    slip: { what: 'The rim tears.', remedy: 'You pulled at the tips. Hold it lower; a strip of tape inside mends it.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
