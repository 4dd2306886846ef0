import { whereIs } from '../../folding/pose';
import { flatExtent } from '../../folding/layers-at';
import { spanOf } from '../../folding/solid-measures';
import { mostLayers } from '../../folding/stack-depth';
import { distance3 } from '../../measure/vector3';
import { BOX } from '../../rooms/box';
import { choice } from '../choice';
import type { Form } from '../form';
import { fold } from './fold-basket';
import { baseLimits, type CurledEarBasketParams, curledEarBasketParams, frameOf } from './frame';

/** Layers that both walls of a pair lose of the width: a wall is two thick; where corners face each other, eight. */
const [CORNERS_APART, CORNERS_FACE] = [10, 16] as const;

/** A basket with double walls whose four ears are rolled over the rim. */
export const curledEarBasket: Form<CurledEarBasketParams> = {
  id: 'curled-ear-basket',
  name: 'Curled-ear basket',
  family: 'baskets',
  use: 'Buttons, wrapped sweets, thread: light things in an open basket with rolled ears.',
  sheetShape: 'square',
  leastSheetMm: 120,
  fixedLengths: true,
  params: curledEarBasketParams,
  fields: [
    {
      key: 'baseMm',
      label: 'Side of the base',
      why: 'A wider base has lower walls: base and four walls make the sheet.',
      input: { kind: 'length', folded: 'a quarter of the sheet', range: ({ widthMm }) => baseLimits(widthMm) },
    },
    choice('gusset', 'Corners', 'Laid on their own wall they are wrapped by the rolled ear.', {
      own: 'On their own wall',
      next: 'On the next wall',
    }),
    choice(
      'mirror',
      'Arms of the pinwheel',
      'Lay them the way your hand turns; one is the mirror image of the other.',
      {
        clockwise: 'Clockwise',
        counter: 'The other way round',
      },
    ),
    {
      key: 'rodMm',
      label: 'Rod',
      why: 'What the ears are rolled round: a pencil has 7 mm. A thinner one holds better.',
      input: { kind: 'fixed length', min: 4, max: 10 },
    },
  ],
  rooms: ['box'],
  closure: () => ({ kind: 'open', words: 'does not close' }),
  adhesive: () => 'optional',
  cuts: () => 'none',
  skill: 2,
  minutes: 20,
  papers: '100 to 160 g/m², stiff, so that the rolls stay; thin paper springs open.',
  ceiling: { mm: 600, why: 'its rolls no longer hold the walls' },
  cautions: [{ kind: 'glue', words: 'Glue with the window open.' }],
  fold,
  floor(sheet, params) {
    const {
      turns: [at],
      c,
      side,
    } = frameOf(sheet, params);
    return [at([c, c]), at([side - c, c]), at([side - c, side - c]), at([c, side - c])];
  },
  sizes({ finished, flat }, sheet, params, thicknessMm) {
    const {
      turns: [part],
      c,
      h,
      side,
      base: wanted,
    } = frameOf(sheet, params);
    const at = (x: number, y: number) => whereIs(finished, part([x, y]));
    const [a, b, d] = [at(c, c), at(side - c, c), at(c, side - c)];
    const [long, wide] = [distance3(a, b), distance3(a, d)];
    const wall = at(side / 2, h).z - at(side / 2, c).z;
    const lost = (h > wanted / 2 ? CORNERS_FACE : CORNERS_APART) * thicknessMm;
    const outer = spanOf(finished);
    const pinwheel = flatExtent(flat!);
    return {
      rooms: [BOX.of({ lengthMm: long - lost, widthMm: wide - lost, depthMm: wall - thicknessMm })],
      outer: {
        lengthMm: outer.x + 2 * thicknessMm,
        widthMm: outer.y + 2 * thicknessMm,
        heightMm: outer.z + 2 * thicknessMm,
      },
      lengths: [
        { name: 'base', mm: (long + wide) / 2 },
        { name: 'walls, high', mm: wall },
        { name: 'pinwheel, tip to tip', mm: pinwheel.widthMm },
      ],
      volumes: [{ name: 'to the rim', ml: (long * wide * wall) / 1000 }],
      layers: [{ name: 'thickest', count: mostLayers(finished) }],
    };
  },
};
