import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance, lineThrough, sideOf } from '../../measure/point';
import { squareFrame } from '../at-hand';
import type { Form } from '../form';
import { choice } from '../choice';
import { POCKET } from '../../rooms/pocket';
import { fold, T, type ThirdsTwistParams, thirdsTwistParams } from './fold-twist';
import { SMALL_PARTS } from '../../purpose/cautions';

/** A letter, or a wrap for a small flat thing, that twists shut into a ninth of its sheet. */
export const thirdsTwist: Form<ThirdsTwistParams> = {
  id: 'thirds-twist-letterfold',
  name: 'Thirds twist letter',
  family: 'envelopes and wraps',
  use: 'A letter that is its own envelope; a token, a coin or a packet of seeds lies in its middle.',
  sheetShape: 'square',
  leastSheetMm: 100,
  params: thirdsTwistParams,
  fields: [
    choice(
      'thirds',
      'Thirds',
      'A ruler is quickest. By eye, every further pinch halves what the guess was off. Two folds that cross divide exactly.',
      { ruler: 'With a ruler', eye: 'By eye, then set right', folds: 'By folds that cross' },
    ),
  ],
  rooms: ['pocket'],
  closure: () => ({ kind: 'twists', words: 'four vanes, the last tucked under the first' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 3,
  minutes: 12,
  papers: '60 to 90 g/m², crisp rather than soft. Nine layers everywhere make thick paper spring open.',
  ceiling: { mm: 700, why: 'the twist does not hold so much paper together' },
  cautions: [SMALL_PARTS],
  fold,
  sizes({ finished }, sheet, _params, thicknessMm) {
    const { on } = squareFrame(sheet);
    const corners = [on(T, T), on(1 - T, T), on(1 - T, 1 - T), on(T, 1 - T)].map((p) => whereIs(finished, p));
    const width = distance(corners[0], corners[1]);
    const height = distance(corners[1], corners[2]);
    const most = mostLayers(finished);
    const tip = whereIs(finished, on(0, 0));
    return {
      // A vane climbs over what lies inside before it lies flat, on both sides; thick things hold it open.
      rooms: [POCKET.of({ widthMm: width, heightMm: height }, corners, { thicknessTimes: 2, mostThickMm: width / 20 })],
      outer: { lengthMm: width, widthMm: height, heightMm: most * thicknessMm },
      lengths: [
        { name: 'side of the closed square', mm: width },
        { name: 'vane, from its hinge to its tip', mm: Math.abs(sideOf(lineThrough(corners[0], corners[3]), tip)) },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
