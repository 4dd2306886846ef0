import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance3 } from '../../measure/vector3';
import { demandsOn } from '../../purpose/demand';
import { TUBES } from '../../rooms/tubes';
import { squareFrame } from '../at-hand';
import { choice } from '../choice';
import type { Entry, Form, FormSizes } from '../form';
import { assembleTidy } from './assemble-tidy';
import { foldUnit } from './fold-unit';
import { groupsOf, MOST_UNITS, type SixTubeTidyParams, sixTubeTidyParams, unitKey } from './frame';
import { tidyParts } from './parts';

/** Layers that a tube loses of its side inside, and that its outer wall gains. */
const [SIDE_LAYERS, OUTER_LAYERS] = [1.7, 5] as const;
/** A strip is so much shorter and narrower than its wall, in mm, not to bow it: the marks of a coarse ruler fit in between. */
const STRIP_LESS_MM = 3.2;

const { demand } = demandsOn<'lengthMm' | 'widthMm'>();

const tubeOf = ({ rooms: [room] }: FormSizes) => TUBES.schema.parse(room).sizes;
/** A side between creases, without the paper. */
const sideOf = ({ lengths }: FormSizes): number => lengths.find(({ name }) => name === 'side of a tube')!.mm;

const COLOURS = [
  '',
  ' of the second colour',
  ' of the third colour',
  ' of the fourth colour',
  ' of the fifth colour',
  ' of the sixth colour',
];

function entries(params: SixTubeTidyParams): readonly [Entry, ...Entry[]] {
  const { units, insert, base, unitMm } = params;
  const groups = groupsOf(params);
  const unit = (g: number): Entry => ({
    key: unitKey(g),
    name: groups.length > 1 ? `Unit${g ? COLOURS[g] : ' of the first colour'}` : 'Unit',
    pieceId: sixTubeTidy.id,
    params: { units },
    copies: groups[g].length,
    colour: g,
    sheet: g ? { kind: 'same', of: unitKey(0) } : { kind: 'asked' },
  });
  const strips: Entry[] =
    insert === 'none'
      ? []
      : [
          {
            ...{ key: 'strip', name: 'Strip', pieceId: 'six-tube-tidy-strip', params: {}, copies: units },
            colour: groups.length,
            sheet: {
              kind: 'follows',
              of: unitKey(0),
              needs: (sizes) => [
                demand(
                  'as long as a tube, less what would bow it',
                  ({ lengthMm }) => lengthMm,
                  (unitMm ?? tubeOf(sizes).heightMm) - STRIP_LESS_MM,
                ),
                demand('as wide as a side, less the same', ({ widthMm }) => widthMm, sideOf(sizes) - STRIP_LESS_MM),
              ],
            },
          },
        ];
  const cards: Entry[] =
    base === 'none'
      ? []
      : [
          {
            ...{ key: 'base', name: 'Base card', pieceId: 'six-tube-tidy-base', params: {}, copies: 1 },
            sheet: {
              kind: 'follows',
              of: unitKey(0),
              needs: ({ outer }) => [demand('as wide as the ring', ({ lengthMm }) => lengthMm, outer.lengthMm)],
            },
          },
        ];
  return [unit(0), ...groups.slice(1).map((_, g) => unit(g + 1)), ...strips, ...cards];
}

/** Six three-sided tubes round a common edge: a ring for pens and tools. */
export const sixTubeTidy: Form<SixTubeTidyParams> = {
  id: 'six-tube-tidy',
  name: 'Six-tube tidy',
  family: 'desk tidies',
  use: 'Pens, hex keys and brushes, sorted into six tubes that stand on the table.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: sixTubeTidyParams,
  makeFields: [
    {
      key: 'units',
      label: 'Tubes',
      why: 'Six close to a ring; fewer make an open fan.',
      input: { kind: 'count', min: 1, max: MOST_UNITS },
    },
    choice('colours', 'Colours', 'Each colour is an entry of its own, with its own paper.', {
      'two by turns': 'Two by turns',
      one: 'One',
      'three by turns': 'Three by turns',
      'two halves': 'Two halves',
      'opposite pairs': 'Opposite pairs',
      six: 'Six different',
    }),
    choice('insert', 'Strips in the windows', 'A strip of another colour shows in the window of each tube.', {
      none: 'None, the white side shows',
      strip: 'A strip for each tube',
    }),
    choice('base', 'Base', 'Without one, what stands in it stays on the table when it is lifted.', {
      none: 'None',
      card: 'A card glued beneath',
    }),
  ],
  fields: [],
  rooms: ['tubes'],
  closure: () => ({ kind: 'open', words: 'does not close' }),
  adhesive: () => 'needed',
  cuts: ({ insert, base }) => (insert === 'strip' || base === 'card' ? 'needed' : 'none'),
  skill: 2,
  minutes: 90,
  papers: 'Card of 160 to 220 g/m², its quarters scored; 100 to 120 g/m² for sheets up to 170 mm.',
  ceiling: { mm: 500, why: 'its walls bow' },
  cautions: [{ kind: 'glue', words: 'Glue with the window open, and let every joint dry before the next.' }],
  fold: foldUnit,
  sizes({ finished }, sheet, { units }, thicknessMm) {
    const { on } = squareFrame(sheet);
    const at = (x: number, y: number) => whereIs(finished, on(x, y));
    const [first, middle, last] = [0.25, 0.5, 0.75].map((y) => at(0.25, y));
    const sides = [distance3(first, middle), distance3(middle, last), distance3(last, first)];
    const side = Math.min(...sides);
    const height = distance3(middle, at(0.75, 0.5));
    const most = mostLayers(finished);
    return {
      rooms: [TUBES.of({ sideMm: side - SIDE_LAYERS * thicknessMm, heightMm: height, tubes: units })],
      // Of the ring: over its corners, over its flats, and up.
      outer: {
        lengthMm: (units > 3 ? 2 : units > 1 ? Math.sqrt(3) : 1) * Math.max(...sides) + 4 * thicknessMm,
        widthMm:
          (units > 2 ? Math.sqrt(3) : Math.sqrt(3) / 2) * Math.max(...sides) + (4 + 2 * OUTER_LAYERS) * thicknessMm,
        heightMm: height,
      },
      lengths: [
        { name: 'side of a tube', mm: side },
        { name: 'widest round thing in a tube', mm: side / Math.sqrt(3) },
        { name: 'window, corner to corner', mm: distance3(at(0.5, 0.25), at(0.5, 0)) },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
  pieces: tidyParts,
  entries,
  assemble: assembleTidy,
};
