import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type BargeStep =
  | 'turn'
  | 'diagonals'
  | 'blintz'
  | 'ends'
  | 'floors'
  | 'bowLines'
  | 'sternLines'
  | 'corners'
  | 'rims'
  | 'pack'
  | 'stern'
  | 'seat'
  | 'bow'
  | 'tabs'
  | 'load'
  | 'away';

interface BargeMarks {
  readonly g: number;
  readonly h: number;
  readonly b: number;
  readonly d: number;
  /** Whether lines are measured rather than folded. */
  readonly ruled: boolean;
  readonly tabs: 'out' | 'floor';
  readonly bow: 'beak' | 'floor';
}

export function bargeWords(
  { g, h, b, d, ruled, bow }: BargeMarks,
  unit: ShownUnit = 'mm',
): Readonly<Record<BargeStep, StepWords>> {
  const mm = (length: number): string => formatLength(length, unit);
  return {
    turn: {
      id: 'turn',
      title: 'A corner to the right',
      words: 'White side up, turn the sheet so that one corner points to the right: that is the bow.',
      check: 'The sheet lies on its point.',
      slip: { what: 'The coloured side is up.', remedy: 'Turn it over: what is up becomes the floor.' },
      crease: 'none',
    },
    diagonals: {
      id: 'diagonals',
      title: 'Both diagonals',
      words: 'Fold corner to corner, both ways, and open each.',
      check: 'Two creases cross in the middle.',
      slip: { what: 'A crease misses a corner.', remedy: 'Crease it again: the walls are built on it.' },
      crease: 'sharp',
    },
    blintz: {
      id: 'four-corners',
      title: 'Four corners to the middle',
      words: 'Fold all four corners to the middle, first the far and the near one, then bow and stern.',
      check: 'The tips touch, without a gap.',
      slip: { what: 'A tip stops short.', remedy: 'Fold it again, or the walls differ in height.' },
      crease: 'sharp',
    },
    ends: {
      id: 'ends-out',
      title: 'Bow and stern out',
      words: 'Pull the right and the left corner out again and lay them flat.',
      check: 'A long field with a point at each end.',
      slip: { what: 'You opened the near corner.', remedy: 'Fold it back to the middle.' },
      crease: 'none',
    },
    floors: {
      id: 'floor-lines',
      title: 'Lines of the floor',
      words: ruled
        ? `Mark ${mm(4 * g - b)} from the near and from the far edge. Fold each edge in along its marks, all layers, crease, and open.`
        : 'Fold the near and the far edge to the axis, all layers, crease, and open.',
      check: 'Two creases along the boat, equally far from its axis.',
      slip: { what: 'They are not parallel.', remedy: 'Fold the one that slants again.' },
      crease: 'sharp',
    },
    bowLines: {
      id: 'bow-lines',
      title: 'Lines of the bow',
      words: ruled
        ? `On the right flap mark ${mm(h)}, ${mm(2 * h)} and ${mm(3 * h)} from its base. Crease across at each mark, and open.`
        : 'Fold the right tip to the base of its flap, and open. Fold that crease to the base, and open. Fold the tip to the first crease, and open.',
      check: 'Three creases across the flap, equally far apart.',
      slip: { what: 'They are not square to the axis.', remedy: 'Lay the axis on itself before you press.' },
      crease: 'sharp',
    },
    sternLines: {
      id: 'stern-lines',
      title: 'Lines of the stern',
      words: ruled
        ? `On the left flap mark ${mm(h)}, ${mm(h + d)} and ${mm(2 * h + d)} from its base. Crease across at each mark, and open.`
        : 'The same on the left flap.',
      check: 'Three creases across it as well.',
      slip: { what: 'One is missing.', remedy: 'Crease it now: later it would go through several layers.' },
      crease: 'sharp',
    },
    corners: {
      id: 'corner-pinches',
      title: 'Pinch four corners',
      words:
        'At each end of both floor lines a small square lies between them, the base of the flap and the sheet’s edge. Pinch its diagonal, from the floor’s corner straight to the raw edge.',
      check: 'Four short slanting creases, parallel to the sheet’s sides.',
      slip: {
        what: 'It runs the other way across the square.',
        remedy: 'Pinch the one from the floor’s corner outwards.',
      },
      crease: 'pinch',
    },
    rims: {
      id: 'rims',
      title: 'Fold the rims',
      words: 'Fold the near and the far edge to the floor line beside it, all layers.',
      check: 'Both edges lie along the floor lines.',
      slip: { what: 'The corner pinches became blunt.', remedy: 'Open the rim, pinch them again, and fold it back.' },
      crease: 'sharp',
    },
    pack: {
      id: 'flat-pack',
      title: 'Roll once more',
      words: 'Fold both along the floor lines, all layers, so that the rims meet the floor. Press.',
      check: 'A long flat pack with two points.',
      slip: {
        what: 'It is too thick to fold.',
        remedy: 'Run a tool along the floor line and bend it a little at a time.',
      },
      crease: 'sharp',
    },
    stern: {
      id: 'stern-up',
      title: 'Raise the sides and the stern',
      words:
        'Open both sides upright. Lift the left tip: the end rises along the base of its flap, and at each corner the small square folds on its pinch to a triangle. Lay both triangles against the inside of the end.',
      check: 'The end stands square between the sides; no raw edge below the rim.',
      slip: {
        what: 'A triangle lies against the side.',
        remedy: 'Swing it over to the end, or the flap cannot cover it.',
      },
      crease: 'soft',
    },
    seat: {
      id: 'seat',
      title: 'Fold the deck',
      words:
        'Fold the flap level over the hold at the rim, its corners beneath it; then down, and its last piece forward, flat on the floor.',
      check: 'The deck is level and its front stands on the floor.',
      slip: { what: 'It sags.', remedy: `Front and sides are one height: ${mm(h)}. Crease the front again.` },
      crease: 'sharp',
    },
    bow: {
      id: 'bow-up',
      title: 'Raise the bow',
      words:
        bow === 'beak'
          ? 'Raise the bow in the same way. Fold its flap right down inside the end, over both triangles; fold it up again at the floor, and its tip outwards over the rim.'
          : 'Raise the bow in the same way. Fold its flap right down inside the end, over both triangles, and its tip flat onto the floor.',
      check: bow === 'beak' ? 'A level pointed beak over the rim.' : 'The tip lies on the floor.',
      slip: { what: 'The flap springs up.', remedy: 'Crease it sharply in the corner between floor and end.' },
      crease: 'sharp',
    },
    tabs: {
      id: 'tabs',
      title: 'Tabs over the sides',
      words:
        'The tips of the two side corners lie on the floor. Fold each up against its side, and out over the rim. Run a nail along all lower edges.',
      check: 'A level tab over each side.',
      slip: { what: 'A side leans in.', remedy: 'Press the tab flat against the side first, then over the rim.' },
      crease: 'sharp',
    },
    load: {
      id: 'load',
      title: 'Load it and set it afloat',
      words:
        'Set the load in the middle of the floor. Look along it: the rim must be level all round, for water enters at its lowest place. Try it empty in a basin first.',
      check: 'It lies level, and the water stands below seven tenths of its sides.',
      slip: { what: 'It heels to one side.', remedy: 'Move the load to the middle, or take a larger sheet.' },
      crease: 'none',
      caution:
        'No flame in it or beside it: a small battery light instead. Never let it drift free, and keep to local rules on open water.',
    },
    away: {
      id: 'away',
      title: 'Dry it and keep it',
      words:
        'Take it out before a dark line shows at its lower corners. Let it dry standing, the sides pressed square.',
      check: 'No corner is soft.',
      slip: { what: 'A corner leaks.', remedy: 'Fold a new one; tape outside the lower corners helps the next.' },
      crease: 'none',
    },
  };
}
