import { flatExtent } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance, lineThrough, sideOf } from '../../measure/point';
import { SMALL_PARTS } from '../../purpose/cautions';
import { EIGHT_SIDED } from '../../rooms/eight-sided';
import { choice } from '../choice';
import type { Form } from '../form';
import { A, D0, fold, QUARTERS, quarterOf, type TwistPouchParams, twistPouchParams } from './fold-pouch';

/** A flat pouch whose eight pleats are twisted over what it holds; closed it is a four-pointed star. */
export const twistPouch: Form<TwistPouchParams> = {
  id: 'twist-pouch',
  name: 'Twist pouch',
  family: 'purses',
  use: 'Coins, stamps, tokens, a flat gift: eight pleats snap shut over it, and it slips into an envelope.',
  sheetShape: 'square',
  leastSheetMm: 80,
  params: twistPouchParams,
  fields: [
    choice('mirror', 'Pleats', 'Lay them the way your hand turns; one pouch is the mirror image of the other.', {
      right: 'To the right',
      left: 'To the left',
    }),
  ],
  rooms: ['eight-sided'],
  closure: () => ({ kind: 'twists', words: 'eight pleats that snap over each other' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 3,
  minutes: 20,
  papers:
    '60 to 90 g/m², crisp: nine layers lie round the middle. Crease very sharply, for the closure has no tolerance.',
  ceiling: { mm: 500, why: 'its panels sag open' },
  cautions: [SMALL_PARTS],
  fold,
  sizes({ finished }, sheet, params, thicknessMm) {
    const parts = QUARTERS.map((k) => quarterOf(sheet, params, k));
    const at = (k: number, place: typeof A) => whereIs(finished, parts[k % 4](place));
    const corners = QUARTERS.flatMap((k) => [at(k, D0), at(k, A)]);
    const n = corners.length;
    // Opposite edges: the corners of one from the line of the other, the nearest of all.
    const acrossMm = Math.min(
      ...[0, 1, 2, 3].flatMap((k) => {
        const edge = lineThrough(corners[k], corners[k + 1]);
        return [k + 4, k + 5].map((i) => Math.abs(sideOf(edge, corners[i % n])));
      }),
    );
    const most = mostLayers(finished);
    const { widthMm, heightMm } = flatExtent(finished);
    return {
      rooms: [EIGHT_SIDED.of({ acrossMm }, corners)],
      outer: { lengthMm: widthMm, widthMm: heightMm, heightMm: most * thicknessMm },
      lengths: [
        { name: 'tip to tip', mm: widthMm },
        { name: 'floor, corner to corner', mm: distance(at(0, A), at(2, A)) },
        { name: 'notch to notch', mm: distance(at(0, D0), at(2, D0)) },
        { name: 'side of the smallest square envelope', mm: Math.max(widthMm, heightMm) / Math.SQRT2 },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
