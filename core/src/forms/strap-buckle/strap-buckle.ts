import { flatExtent } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance } from '../../measure/point';
import { TUNNEL } from '../../rooms/tunnel';
import { squareFrame } from '../at-hand';
import { choice } from '../choice';
import type { Form } from '../form';
import { fold } from './fold-buckle';
import { frameOf, lengthLimits, type StrapBuckleParams, strapBuckleParams } from './frame';

/** The layers nested in the side edges at the mouths, and the tips of the plate, take so many thicknesses of the width. */
const LAYERS_BESIDE = 18;
/** Thicker straps than this share of the tunnel's width spread the seam: a judgement. */
const THICK_SHARE = 0.08;

/** A slide for a strap: a tunnel with a star before it. */
export const strapBuckle: Form<StrapBuckleParams> = {
  id: 'strap-buckle',
  name: 'Strap buckle',
  family: 'wearables',
  use: 'A slide for an apron strap, a belt or a ribbon, with an eight-pointed star. An ornament: it carries no load.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: strapBuckleParams,
  fields: [
    {
      key: 'lengthMm',
      label: 'Length along the strap',
      why: 'A shorter one shows less beside the star; its ends must stay clear of the star.',
      input: { kind: 'length', folded: 'three eighths of the sheet', range: ({ widthMm }) => lengthLimits(widthMm) },
    },
    choice('front', 'Front', 'The four squares are done sooner; the star shows a white field of eight sides.', {
      star: 'An eight-pointed star',
      squares: 'Four squares',
    }),
  ],
  rooms: ['tunnel'],
  closure: () => ({ kind: 'slides', words: 'slides on its strap' }),
  adhesive: () => 'optional',
  cuts: () => 'none',
  skill: 3,
  minutes: 45,
  papers:
    '50 to 80 g/m², thin and strong, with two colours: its ends are sixteen layers thick. At most 60 g/m² below 180 mm.',
  ceiling: { mm: 500, why: 'so wide a slide bends with its strap' },
  cautions: [{ kind: 'handling', words: 'It holds by friction only: no load, no lifting, no child’s harness.' }],
  fold,
  sizes({ finished }, sheet, params, thicknessMm) {
    const { on } = squareFrame(sheet);
    const { turnedIn } = frameOf(sheet, params);
    const at = (x: number, y: number) => whereIs(finished, on(x, y));
    const [low, high] = [1 / 4 + turnedIn, 3 / 4 - turnedIn];
    const corners = [at(3 / 8, low), at(5 / 8, low), at(5 / 8, high), at(3 / 8, high)];
    const [a, b, , d] = corners;
    const [width, length] = [distance(a, b), distance(a, d)];
    const most = mostLayers(finished);
    const { widthMm, heightMm } = flatExtent(finished);
    return {
      rooms: [
        TUNNEL.of(
          {
            widthMm: width - LAYERS_BESIDE * thicknessMm,
            lengthMm: length,
            mostThickMm: THICK_SHARE * width,
          },
          corners,
        ),
      ],
      outer: { lengthMm: heightMm, widthMm: widthMm, heightMm: most * thicknessMm },
      lengths: [
        { name: 'strap that it covers', mm: length },
        { name: 'ends turned in', mm: distance(at(0.5, 0.25), at(0.5, low)) },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
