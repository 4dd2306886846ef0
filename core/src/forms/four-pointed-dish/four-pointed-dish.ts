import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance } from '../../measure/point';
import type { Form } from '../form';
import { BOX } from '../../rooms/box';
import { BASE, type DishParams, fourPointedDishParams, frameOf, rim, SIDES, wallLimits } from './frame';
import { fold } from './fold-dish';
import { SMALL_PARTS } from '../../purpose/cautions';

export { DISH_WALL } from './frame';

/** An open dish with four points round its rim. */
export const fourPointedDish: Form<DishParams> = {
  id: 'four-pointed-dish',
  name: 'Four-pointed dish',
  family: 'open boxes and lids',
  use: 'Sweets, clips, washers: an open dish that stands by itself, with four points round its rim.',
  sheetShape: 'square',
  leastSheetMm: 90,
  params: fourPointedDishParams,
  fields: [
    {
      key: 'wallMm',
      label: 'Walls, along their slant',
      why: 'Higher walls lean in further: the opening gets smaller than the base.',
      input: {
        kind: 'length',
        folded: 'Up to the corners of the little pockets, found by folding',
        range: ({ widthMm }) => wallLimits(widthMm),
      },
    },
  ],
  rooms: ['box'],
  closure: () => ({ kind: 'open', words: 'open, a little narrower above than below' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 2,
  minutes: 15,
  papers:
    '60 to 90 g/m². Twenty thin layers lie at two corners while it is folded, so thick paper does not press flat.',
  ceiling: { mm: 600, why: 'its walls of plain paper lean outwards' },
  cautions: [SMALL_PARTS],
  fold,
  floor: (sheet, params) => SIDES.map((k) => frameOf(sheet, params).at(k, ...BASE)),
  sizes({ finished, flat }, sheet, params, thicknessMm) {
    const frame = frameOf(sheet, params);
    const { at, w } = frame;
    const { d } = rim(w);
    const base = distance(whereIs(finished, at(0, ...BASE)), whereIs(finished, at(1, ...BASE)));
    const rimAt = (k: number) => whereIs(finished, at(k, ...d));
    const opening = distance(rimAt(0), rimAt(1));
    const depth = Math.abs(rimAt(0).z - whereIs(finished, at(0, ...BASE)).z);
    const tips = SIDES.map((k) => whereIs(finished, at(k, 1, 1)));
    const span = Math.max(...tips.map((p) => distance(p, tips[0])));
    const most = mostLayers(flat!);
    return {
      rooms: [
        BOX.of({
          lengthMm: opening - thicknessMm,
          widthMm: opening - thicknessMm,
          depthMm: depth - thicknessMm,
        }),
      ],
      outer: {
        lengthMm: span,
        widthMm: span,
        heightMm: depth + thicknessMm,
      },
      lengths: [
        { name: 'base', mm: base },
        { name: 'opening', mm: opening },
        { name: 'tip to tip', mm: span },
      ],
      // Base and opening are alike squares: a frustum.
      volumes: [{ name: 'to the rim', ml: ((depth / 3) * (base ** 2 + base * opening + opening ** 2)) / 1000 }],
      layers: [
        { name: 'thickest', count: mostLayers(finished) },
        { name: 'thickest while it is flat', count: most },
      ],
    };
  },
};
