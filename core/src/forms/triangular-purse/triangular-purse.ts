import { whereIs } from '../../folding/pose';
import { spanOf } from '../../folding/solid-measures';
import { mostLayers } from '../../folding/stack-depth';
import { distance3 } from '../../measure/vector3';
import { SMALL_PARTS } from '../../purpose/cautions';
import { TRIANGLE } from '../../rooms/triangle';
import type { Form } from '../form';
import { fold } from './fold-purse';
import { depthLimits, frameOf, halves, type TriangularPurseParams, triangularPurseParams } from './frame';

/** A purse with a triangular profile: pushed together at its ends, its ridge gapes; let go, it closes. */
export const triangularPurse: Form<TriangularPurseParams> = {
  id: 'triangular-purse',
  name: 'Triangular purse',
  family: 'purses',
  use: 'Coins, tokens, a folded note, keys: squeezed at its ends it opens, let go it closes.',
  sheetShape: 'square',
  leastSheetMm: 120,
  params: triangularPurseParams,
  fields: [
    {
      key: 'depthMm',
      label: 'Depth of the base',
      why: 'Deeper holds more and leaves a lower flap; as long and as high it is anyway.',
      input: { kind: 'length', folded: 'a fifth of the sheet', range: ({ widthMm }) => depthLimits(widthMm) },
    },
  ],
  rooms: ['triangle'],
  closure: () => ({ kind: 'tucked', words: 'two ridges that spring against each other' }),
  adhesive: () => 'optional',
  cuts: () => 'none',
  skill: 3,
  minutes: 20,
  papers:
    '70 to 120 g/m², springy and tough at folds: its ends are bent at every opening. Up to 160 g/m² above 300 mm.',
  ceiling: { mm: 700, why: 'its ridge no longer springs shut' },
  cautions: [SMALL_PARTS],
  fold,
  floor(sheet, params) {
    const {
      at,
      p: [x, y],
    } = frameOf(sheet, params);
    return [at([-x, -y]), at([x, -y]), at([x, y]), at([-x, y])];
  },
  sizes({ finished }, sheet, params, thicknessMm) {
    const frame = frameOf(sheet, params);
    const { p, q, m, slant, depth, side } = frame;
    const [[front], [back, backLeft]] = halves(frame);
    const at = (part: typeof front, x: number, y: number) => whereIs(finished, part([x, y]));
    const [corner, otherCorner, farCorner] = [at(front, ...p), at(back, ...p), at(backLeft, ...p)];
    const apex = at(front, ...m);
    const base = distance3(corner, otherCorner);
    const slope = distance3(corner, at(front, q[0], q[1]));
    const height = apex.z - (corner.z + otherCorner.z) / 2;
    const outer = spanOf(finished);
    const most = mostLayers(finished);
    const room = TRIANGLE.of({
      lengthMm: distance3(otherCorner, farCorner) - thicknessMm,
      baseMm: base - thicknessMm,
      heightMm: height - thicknessMm,
      slantMm: slope - thicknessMm,
    });
    return {
      rooms: [room],
      outer: {
        lengthMm: outer.x + thicknessMm,
        widthMm: outer.y + 2 * thicknessMm,
        heightMm: outer.z + 2 * thicknessMm,
      },
      lengths: [
        {
          name: 'flap, over the wall',
          mm: distance3(at(front, 0, q[1]), at(front, 0, Math.min(q[1] + depth / 2, side / 2))),
        },
        { name: 'seam below the ridge', mm: distance3(at(front, ...frame.d), at(front, 0, q[1])) },
        { name: 'strip turned in', mm: Math.max(0, side / 2 - depth - slant) },
      ],
      volumes: [{ name: 'inside', ml: (distance3(otherCorner, farCorner) * base * height) / 2000 }],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
