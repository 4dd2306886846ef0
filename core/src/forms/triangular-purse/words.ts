import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type PurseStep =
  | 'middle'
  | 'quarters'
  | 'over'
  | 'half'
  | 'depth'
  | 'slants'
  | 'again'
  | 'ends'
  | 'frontFlaps'
  | 'backFlaps'
  | 'ridge'
  | 'strip'
  | 'tuck'
  | 'backRidge'
  | 'fill'
  | 'away';

/** Words of the purse, with the two lengths that are measured. */
export function purseWords(
  { depth, strip }: { readonly depth: number; readonly strip: number },
  unit: ShownUnit = 'mm',
): Readonly<Record<PurseStep, StepWords>> {
  const mm = (length: number): string => formatLength(length, unit);
  return {
    middle: {
      id: 'middle',
      title: 'Pinch the middle',
      words: 'White side up, bring the left edge to the right edge and pinch the fold at both its ends only. Open.',
      check: 'A short mark in the middle of the near and of the far edge.',
      slip: { what: 'You creased all of it.', remedy: 'It does no harm, but shows on both walls.' },
      crease: 'pinch',
    },
    quarters: {
      id: 'quarters',
      title: 'Both sides to the middle',
      words: 'Fold the left edge to the two pinches, and the right edge likewise. Open both.',
      check: 'Two upright creases, a quarter of the sheet from its sides.',
      slip: {
        what: 'The edges leave a gap.',
        remedy: 'Fold again edge to pinch: both flaps must meet on the walls later.',
      },
      crease: 'sharp',
    },
    over: {
      id: 'over',
      title: 'Coloured side up',
      words: 'Turn the sheet over, left to right.',
      check: 'You see the colour.',
      slip: { what: 'White is up.', remedy: 'Turn it over once more.' },
      crease: 'none',
    },
    half: {
      id: 'half',
      title: 'Halve it',
      words: 'Fold the near edge to the far edge and keep it folded, white outside.',
      check: 'A strip twice as long as high, its fold nearest you.',
      slip: {
        what: 'The quarter creases do not lie on each other.',
        remedy: 'Line up the side edges before you press.',
      },
      crease: 'sharp',
    },
    depth: {
      id: 'depth',
      title: 'Set the depth',
      words: `Mark ${mm(depth)} above the fold. Bring the folded edge up to the mark, both layers together, crease, and open.`,
      check: 'The quarter creases lay on themselves; the crease runs along the folded edge.',
      slip: { what: 'The crease slants.', remedy: 'Fold again: the base would be deeper at one end.' },
      crease: 'sharp',
    },
    slants: {
      id: 'slants',
      title: 'Slant both corners',
      words:
        'Bring the left end of the folded edge onto the left quarter crease, so that the fold passes through the crossing of the two creases. Press only from that crossing outwards, and open. The same on the right.',
      check: 'The corner touched the quarter crease; the slant begins exactly at the crossing.',
      slip: {
        what: 'It misses the crossing.',
        remedy: 'Pinch the crossing first, then swing the corner until it touches.',
      },
      crease: 'sharp',
    },
    again: {
      id: 'crease-back',
      title: 'Open, and crease the far half again',
      words:
        'Open the sheet, white side up. On the far half the crease of the base and the two slants are ridges: fold the base crease towards you once, and pinch both slants to valleys.',
      check: 'Both base creases and all four slants are valleys.',
      slip: {
        what: 'One of them is still a ridge.',
        remedy: 'Pinch it from underneath: the end will not go in otherwise.',
      },
      crease: 'sharp',
    },
    ends: {
      id: 'ends',
      title: 'Raise walls and ends',
      words:
        'Raise front and back and bring their side edges together, pushing the middle of each end inwards: a triangle stands up there. Press the paper above the ridge together.',
      check: 'A long flat base, an upright triangle at each end, and flaps that stand out beyond both.',
      slip: {
        what: 'The end bulges out.',
        remedy: 'Push its middle in again; the side edges of front and back must meet.',
      },
      crease: 'soft',
    },
    frontFlaps: {
      id: 'front-flaps',
      title: 'Front flaps over the front',
      words: 'Fold both front side flaps round onto the front wall, along the quarter creases.',
      check: 'Their raw edges meet upright in the middle of the wall.',
      slip: { what: 'They overlap.', remedy: 'The quarter creases were off: trim nothing, share the overlap.' },
      crease: 'sharp',
    },
    backFlaps: {
      id: 'back-flaps',
      title: 'Back flaps over the back',
      words: 'Walk round it, and fold both back side flaps onto the back wall.',
      check: 'Both walls look alike, and the two ends are closed triangles.',
      slip: { what: 'An end opened again.', remedy: 'Push its middle in, then lay the flap.' },
      crease: 'sharp',
    },
    ridge: {
      id: 'ridge',
      title: 'Crease the ridge',
      words:
        'Fold the front’s upper part down over the wall, on the line through the tops of the two end triangles. Where the slants meet in the middle, pinch a mark on it. Fold it up again.',
      check: 'The fold joins the two tops, and the wall lies flat beneath.',
      slip: { what: 'It misses a top.', remedy: 'Lay it anew: the purse would twist and its mouth gape.' },
      crease: 'sharp',
    },
    strip: {
      id: 'strip',
      title: 'Turn in the edge',
      words: `Fold a strip of ${mm(strip)} at its raw edge outwards and down, on the mark, so that it will lie hidden between flap and wall.`,
      check: 'What stands above the ridge is half as high as the base is deep.',
      slip: { what: 'The strip is narrower at one end.', remedy: 'Fold it again along the mark.' },
      crease: 'sharp',
    },
    tuck: {
      id: 'front-closed',
      title: 'Tuck the front',
      words: 'Fold the flap down again and slide its two lower corners under the slanting edges of the wall.',
      check: 'Its edge just touches the point where the two slants meet.',
      slip: {
        what: 'It buckles.',
        remedy:
          strip > 0
            ? 'The strip is too low: turn in a little more.'
            : 'The ridge lies too low: fold it a little higher.',
      },
      crease: 'sharp',
    },
    backRidge: {
      id: 'back-closed',
      title: 'The same at the back',
      words: `Walk round it. Fold the back’s upper part down on the line through the two tops${
        strip > 0 ? `, with its strip of ${mm(strip)} turned in` : ''
      }, and slide its corners under the slanting edges.`,
      check: 'Front and back look alike, and both ridges lie against each other.',
      slip: { what: 'One ridge is higher.', remedy: 'Lay it anew on the tops of the end triangles.' },
      crease: 'sharp',
    },
    fill: {
      id: 'fill',
      title: 'Squeeze it open and fill it',
      words:
        'Hold it by its two ends and push them towards each other: the ridge gapes. The first time, press the base flat from inside. Put in what it holds, and let go: it closes. Do not pull at the ridge.',
      check: 'The two ridges spring back against each other.',
      slip: {
        what: 'It stays open.',
        remedy: 'Open and close it five or six times, then leave it closed under a book overnight.',
      },
      crease: 'none',
    },
    away: {
      id: 'away',
      title: 'Keep it',
      words: 'Keep it closed and empty it before anything is laid on it: the triangles at its ends carry no weight.',
      check: 'The ends stand upright.',
      slip: { what: 'An end is dented.', remedy: 'Push the triangle flat again from inside with a finger.' },
      crease: 'none',
    },
  };
}
