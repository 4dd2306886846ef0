import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type CubeStep =
  | 'over'
  | 'thirds'
  | 'upright'
  | 'diagonal'
  | 'across'
  | 'sixthsUpright'
  | 'sixthsAcross'
  | 'back'
  | 'farSlants'
  | 'nearSlants'
  | 'twoWalls'
  | 'thirdWall'
  | 'lastWall'
  | 'lid'
  | 'firstTip'
  | 'tips';

/** The step that finds the thirds with a ruler. */
const measuredThirds = (third: string): StepWords => ({
  id: 'thirds',
  title: 'Measure the thirds',
  words: `Mark the edge nearest you ${third} from each corner, and pinch it at both marks.`,
  check: 'Two short marks divide the near edge into three equal parts.',
  slip: { what: 'The middle part differs.', remedy: 'The sheet is not as long as you think: measure it, and divide.' },
  crease: 'pinch',
});

/** The walls in the order in which they are raised, as the maker sees them, and which way round that goes. */
const TURNS = {
  left: { way: 'anticlockwise', walls: ['near left', 'near right', 'far right', 'far left'] },
  right: { way: 'clockwise', walls: ['near right', 'near left', 'far left', 'far right'] },
} as const;

/**
 * @param mirror which way round the walls are raised and the lid turns
 * @param thirdMm a third of the sheet's side when it is measured; null when the edge is divided by eye
 */
export function cubeWords(
  mirror: keyof typeof TURNS,
  thirdMm: number | null,
  unit: ShownUnit = 'mm',
): Readonly<Record<CubeStep, StepWords>> {
  const words = { ...CUBE_WORDS, ...turningWords(TURNS[mirror]) };
  return thirdMm === null ? words : { ...words, thirds: measuredThirds(formatLength(thirdMm, unit)) };
}

type Turning = 'twoWalls' | 'thirdWall' | 'lastWall' | 'lid';

const CUBE_WORDS: Readonly<Record<Exclude<CubeStep, Turning>, StepWords>> = {
  over: {
    id: 'over',
    title: 'Coloured side up',
    words: 'Turn the sheet over: the coloured side faces up.',
    check: 'You see the side that will be the outside.',
    slip: { what: 'The white side is up.', remedy: 'Turn it, or all grid creases bend the wrong way later.' },
    crease: 'none',
  },
  thirds: {
    id: 'thirds',
    title: 'Find the thirds',
    words:
      'Curve the sheet into a flat S of three equal layers, slide until both raw edges sit on the bends, and press only at the edge nearest you.',
    check: 'Two short marks divide the near edge into three equal parts.',
    slip: {
      what: 'One part is longer.',
      remedy: 'Slide the bends by a third of the difference and press again; or measure.',
    },
    crease: 'pinch',
  },
  upright: {
    id: 'thirds-upright',
    title: 'Two upright creases',
    words: 'Bring one side edge to the farther mark, crease all the way, open. Do the same with the other edge.',
    check: 'Three strips of equal width.',
    slip: { what: 'The crease slants.', remedy: 'Line up the bottom edge with itself before you press.' },
    crease: 'sharp',
  },
  diagonal: {
    id: 'diagonal',
    title: 'One diagonal',
    words: 'Fold corner to opposite corner, crease, and open.',
    check: 'The diagonal crosses both upright creases.',
    slip: { what: 'The corners miss each other.', remedy: 'The sheet is not square: check it before you go on.' },
    crease: 'sharp',
  },
  across: {
    id: 'thirds-across',
    title: 'Two creases across',
    words:
      'Make the thirds the other way: each crease runs through the point where the diagonal crosses an upright one.',
    check: 'Nine equal squares.',
    slip: { what: 'The creases miss the crossings.', remedy: 'Go by the crossings, not by the edge.' },
    crease: 'sharp',
  },
  sixthsUpright: {
    id: 'sixths-upright',
    title: 'Halve the strips, upright',
    words: 'Fold the sheet in half and open; then bring each side edge to the nearer crease and open.',
    check: 'Five upright creases, six equal strips.',
    slip: { what: 'A strip is narrower.', remedy: 'Bring the edge exactly to the crease and press again.' },
    crease: 'sharp',
  },
  sixthsAcross: {
    id: 'sixths-across',
    title: 'Halve the strips, across',
    words: 'Do the same the other way.',
    check: 'A grid of six by six.',
    slip: {
      what: 'The grid is not square.',
      remedy: 'An error of a millimetre shows later; sharpen the creases where they belong.',
    },
    crease: 'sharp',
  },
  back: {
    id: 'back',
    title: 'White side up',
    words: 'Turn the sheet over.',
    check: 'The grid lines stand up as ridges.',
    slip: { what: 'They look like valleys.', remedy: 'You are on the coloured side. Turn it over.' },
    crease: 'none',
  },
  farSlants: {
    id: 'far-slants',
    title: 'Four long slants',
    words:
      'Bring a corner to the grid point next to the opposite corner, crease, and open. Do it with all four corners.',
    check: 'A tilted square stands in the middle, its corners on grid points.',
    slip: {
      what: 'The creases miss the grid points.',
      remedy: 'The corner went to a third instead: aim one square short of the far corner.',
    },
    crease: 'sharp',
  },
  nearSlants: {
    id: 'near-slants',
    title: 'Four short slants',
    words: 'Bring each corner to the centre, crease, and open.',
    check: 'Three by three tilted squares within the sheet.',
    slip: { what: 'The tilted squares differ.', remedy: 'Bring the corners exactly to the centre crossing.' },
    crease: 'sharp',
  },
  firstTip: {
    id: 'first-tip',
    title: 'Tuck one tip',
    words: 'Fold one outside triangle back over its edge and tuck it into the slot there, as deep as it goes.',
    check: 'Its point reaches the middle of the lid.',
    slip: {
      what: 'The tip will not go in.',
      remedy: 'Its fold is not on the edge. It runs between the two points one square from the sheet’s corner.',
    },
    crease: 'sharp',
  },
  tips: {
    id: 'tips',
    title: 'Tuck the other three',
    words: 'Go round, and tuck the other three tips in the same way.',
    check: 'Four white triangles meet in the middle; nothing sticks out.',
    slip: {
      what: 'The lid springs open.',
      remedy: 'A tip sits in a slot nearer the top. Take it out and push it in deeper.',
    },
    crease: 'sharp',
  },
};

/** The steps that go round: left and right are those of the sheet as it lies then, white side up. */
const turningWords = ({
  way,
  walls: [first, second, third, last],
}: (typeof TURNS)[keyof typeof TURNS]): Readonly<Record<Turning, StepWords>> => ({
  twoWalls: {
    id: 'two-walls',
    title: 'Raise two walls',
    words: `Raise the ${first} wall of the tilted square, then the ${second} one. The triangle between them folds inwards in half: lay it flat against the inside of the ${first} wall.`,
    check: `Two walls stand at a right angle, a doubled triangle inside the ${first} one.`,
    slip: { what: 'The triangle sticks out.', remedy: 'Push its middle crease in between the two walls.' },
    crease: 'sharp',
  },
  thirdWall: {
    id: 'third-wall',
    title: 'Raise the third wall',
    words: `Go on ${way}: raise the ${third} wall. The triangle between them lies flat against the inside of the ${second} wall.`,
    check: 'Three walls, and two doubled triangles leaning the same way.',
    slip: { what: 'Two triangles lie on one wall.', remedy: 'One leans the other way. Take it out and turn it round.' },
    crease: 'sharp',
  },
  lastWall: {
    id: 'last-wall',
    title: 'Raise the last wall',
    words: `Raise the ${last} wall. Lay one triangle against the ${third} wall; ease the ${first} wall away, and slide the other in against the ${last} one.`,
    check: 'A square tube with a floor; each wall has exactly one doubled triangle.',
    slip: {
      what: 'A triangle is caught at the floor.',
      remedy: 'Pull it out, sharpen its creases from the floor upwards, and slide it in again.',
    },
    crease: 'sharp',
  },
  lid: {
    id: 'lid',
    title: 'Twist the lid shut',
    words: `Put in what it holds. Press all four flaps inwards together, turning them ${way}, until they lie flat in a ring.`,
    check: 'A flat square top, with a triangle pointing out over each edge.',
    slip: { what: 'The last flap will not go under the first.', remedy: 'Open them and push all four at once.' },
    crease: 'soft',
  },
});

/** Steps of its use. */
export const CUBE_USE = {
  opened: {
    id: 'opened',
    title: 'Open it again',
    words:
      'Draw out the four triangles. Take two opposite flaps and pull them outwards: the ring undoes itself. Never pull at one flap alone.',
    check: 'Four flaps stand up round the mouth.',
    slip: { what: 'A triangle tears.', remedy: 'Draw it out flat along the top, not upwards.' },
    crease: 'none',
  },
  kept: {
    id: 'kept',
    title: 'Close it again',
    words: 'Press the four flaps in together, turning them the same way as before, and tuck the triangles.',
    check: 'A flat square top.',
    slip: { what: 'The lid lifts by itself.', remedy: 'Leave it closed under a book overnight.' },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
