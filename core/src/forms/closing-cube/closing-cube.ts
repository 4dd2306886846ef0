import { layersThrough } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance } from '../../measure/point';
import type { Form } from '../form';
import { choice } from '../choice';
import { BOX } from '../../rooms/box';
import { B1, B2, type ClosingCubeParams, closingCubeParams, frameOf, L, P, SIDES } from './frame';
import { fold } from './fold-cube';
import { SMALL_PARTS } from '../../purpose/cautions';

/** A cube in one piece, its lid a ring of four flaps. */
export const closingCube: Form<ClosingCubeParams> = {
  id: 'closing-cube',
  name: 'Closing cube',
  family: 'closing boxes',
  use: 'A ring, a watch, a handful of dice: a cube that opens and closes again, with nothing to lose.',
  sheetShape: 'square',
  leastSheetMm: 85,
  params: closingCubeParams,
  fields: [
    choice('mirror', 'Turns to the', 'Both are equally good; left-handed folders often find the right one easier.', {
      left: 'Left',
      right: 'Right',
    }),
    choice('thirds', 'Thirds', 'By eye leaves no pencil mark; a ruler is surer on thick paper.', {
      eye: 'By eye: a flat S, then set right',
      ruler: 'With a ruler',
    }),
  ],
  rooms: ['box'],
  closure: () => ({ kind: 'tucked', words: 'its own lid of four flaps and four tucked tips' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 3,
  minutes: 25,
  papers: '70 to 120 g/m², crisp. Nine layers lie in the lid; a paper with two colours gives a contrasting top.',
  ceiling: { mm: 600, why: 'walls of plain paper bulge' },
  cautions: [SMALL_PARTS],
  fold,
  floor: (sheet, { mirror }) => SIDES.map((k) => frameOf(sheet, mirror).at(k, B1)),
  sizes({ finished }, sheet, { mirror }, thicknessMm) {
    const frame = frameOf(sheet, mirror);
    const { at } = frame;
    const placed = (k: number, p: readonly [number, number]) => whereIs(finished, at(k, p));
    const length = distance(placed(0, B1), placed(0, B2));
    const width = distance(placed(1, B1), placed(1, B2));
    const height = placed(0, P).z - placed(0, B1).z;
    // A wall has its gusset on one half only: on either side of its diagonal.
    const wall = Math.max(...[1.8, 2.2].map((x) => layersThrough(finished, at(0, [x, 4.1 - x]))));
    const lid = layersThrough(finished, at(0, [1.4, 1.1]));
    const floor = layersThrough(finished, at(0, [3.1, 3.05]));
    return {
      rooms: [
        BOX.of({
          lengthMm: length - 2 * wall * thicknessMm,
          widthMm: width - 2 * wall * thicknessMm,
          depthMm: height - (lid + floor) * thicknessMm,
        }),
      ],
      outer: { lengthMm: length + thicknessMm, widthMm: width + thicknessMm, heightMm: height + lid * thicknessMm },
      lengths: [
        { name: 'edge of the cube', mm: length },
        { name: 'grid to crease', mm: distance(at(0, [0, 0]), at(0, L)) },
      ],
      layers: [
        { name: 'thickest', count: mostLayers(finished) },
        { name: 'lid', count: lid },
        { name: 'walls', count: wall },
        { name: 'floor', count: floor },
      ],
    };
  },
};
