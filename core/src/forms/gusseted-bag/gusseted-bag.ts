import { flatExtent } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance3 } from '../../measure/vector3';
import { point } from '../../measure/point';
import type { Form } from '../form';
import { choice } from '../choice';
import { BOX } from '../../rooms/box';
import { type BagParams, foldUpLimits, frameOf, gussetedBagParams, heightsOf, USUAL_SEAM_MM } from './frame';
import { fold } from './fold-bag';

/** A paper bag with a flat bottom and folding sides. */
export const gussetedBag: Form<BagParams> = {
  id: 'gusseted-bag',
  name: 'Gusseted bag',
  family: 'bags',
  use: 'A mended lamp’s bulb, a scarf, a set of screws: a standing bag with a flat bottom and a pleated top.',
  sheetShape: {
    longPerShort: [1, 1.6],
    lies: 'upright',
    why: 'the shorter side goes round, the longer side is the height.',
  },
  leastSheetMm: 120,
  params: gussetedBagParams,
  fields: [
    {
      key: 'foldUpMm',
      label: 'Bottom folded up',
      why: 'Nearly the depth of the base; a deeper bag is a narrower one.',
      input: {
        kind: 'length',
        folded: '15 % of the side that goes round',
        range: ({ widthMm, heightMm }, { seamMm }) =>
          foldUpLimits(Math.min(widthMm, heightMm), typeof seamMm === 'number' ? seamMm : USUAL_SEAM_MM),
      },
    },
    {
      key: 'seamMm',
      label: 'Seam',
      why: 'Wide enough for your glue; every millimetre is taken from the girth.',
      input: { kind: 'fixed length', min: 5, max: 20, sought: true },
    },
    {
      key: 'pleats',
      label: 'Creases of the pleated top',
      why: 'None leaves the mouth plain, to be folded over. For a closed fan they are counted for you.',
      input: { kind: 'count', min: 0, max: 12 },
    },
    {
      key: 'pleatMm',
      label: 'Depth of a pleat',
      why: 'Deeper pleats make a bolder fan of fewer creases, and take more from the height.',
      input: { kind: 'fixed length', min: 3, max: 8 },
    },
    choice('top', 'The tied top', 'A gap is quicker; a closed fan takes many pleats and two spots of glue.', {
      gap: 'Two half fans with a gap',
      fan: 'Closed to one fan',
    }),
    choice('join', 'Seam and base', 'Glue lies flatter; tape holds at once and can be lifted.', {
      glue: 'Glue stick',
      tape: 'Thin double-sided tape',
    }),
  ],
  rooms: ['box'],
  closure: ({ pleats }) =>
    pleats > 0
      ? { kind: 'tied', words: 'a ribbon round the pleats' }
      : { kind: 'flap', words: 'its mouth, folded over' },
  adhesive: () => 'needed',
  fixedLengths: true,
  cuts: () => 'none',
  skill: 3,
  minutes: 25,
  papers: '60 to 90 g/m²: heavier paper does not hold its pleats.',
  ceiling: { mm: 1000, why: 'its seam and base give way' },
  cautions: [
    { kind: 'glue', words: 'Glue with the window open, and let the seam dry before you go on.' },
    { kind: 'handling', words: 'Do not lift a full bag by its fan.' },
  ],
  fold,
  floor(sheet, params) {
    const { x1, x2, d, l } = frameOf(sheet, params);
    return [point(x1 + d / 2, l), point(x2 - d / 2, l), point(x2 + d / 2, l), point(x1 - d / 2, l)];
  },
  sizes({ finished, flat }, sheet, params, thicknessMm) {
    const frame = frameOf(sheet, params);
    const { x1, x2, d, l, height, o } = frame;
    const at = (x: number, y: number) => whereIs(finished, point(x, y));
    const front = distance3(at(x1 + d / 2, l), at(x2 - d / 2, l));
    const depth = distance3(at(x1 - d / 2, l), at(x1 + d / 2, l));
    const wall = distance3(at(frame.width / 2, l), at(frame.width / 2, height));
    const { pleatedMm, roomMm } = heightsOf(params, frame, wall, depth);
    const { widthMm, heightMm } = flatExtent(flat!);
    const most = mostLayers(flat!);
    return {
      rooms: [
        BOX.of({
          lengthMm: front - thicknessMm,
          widthMm: depth - thicknessMm,
          depthMm: roomMm - thicknessMm,
        }),
      ],
      outer: { lengthMm: front + thicknessMm, widthMm: depth + 2 * thicknessMm, heightMm: wall - pleatedMm },
      lengths: [
        { name: 'walls, before pleating', mm: wall },
        { name: 'flat bag, wide', mm: widthMm },
        { name: 'flat bag, high', mm: heightMm },
        { name: 'flaps of the base over each other', mm: distance3(at(o / 2, 0), at(frame.width / 2, 0)) },
      ],
      layers: [
        { name: 'thickest', count: mostLayers(finished) },
        { name: 'thickest when flat', count: most },
      ],
    };
  },
};
