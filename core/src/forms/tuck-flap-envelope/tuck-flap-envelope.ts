import { flatExtent } from '../../folding/layers-at';
import { whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import { distance } from '../../measure/point';
import { squareFrame } from '../at-hand';
import type { Form, SheetSize } from '../form';
import { choice } from '../choice';
import { POCKET } from '../../rooms/pocket';
import { LEAST, mostHem, mostSide, sharesOf, type TuckFlapParams, tuckFlapParams } from './shares';
import { fold } from './fold-envelope';

const lengthRange =
  (least: number, most: (other: number) => number, other: string, otherShare: number) =>
  ({ widthMm }: SheetSize, params: Readonly<Record<string, unknown>>): readonly [number, number] => {
    const given = params[other];
    const share = typeof given === 'number' ? given / widthMm : otherShare;
    return [least * widthMm, most(share) * widthMm];
  };

/** An envelope that closes itself: the flap's tip slides behind a hemmed pocket. */
export const tuckFlapEnvelope: Form<TuckFlapParams> = {
  id: 'tuck-flap-envelope',
  name: 'Tuck-flap envelope',
  family: 'envelopes and wraps',
  use: 'A note, spare buttons on a card, a repair ticket: closed without glue, opened and closed again.',
  sheetShape: 'square',
  leastSheetMm: 110,
  params: tuckFlapParams,
  fields: [
    choice(
      'marks',
      'Marks found by folding',
      'Pinched marks hardly show; whole creases are easier to line up, and show on the back.',
      { pinched: 'Pinched at the edges', creased: 'Creased all the way' },
    ),
    {
      key: 'hemMm',
      label: 'Hem',
      why: 'The flap tucks in as deep as the hem is wide.',
      input: {
        kind: 'length',
        folded: 'An eighth of the sheet, found by folding',
        range: lengthRange(LEAST.hem, mostHem, 'sideMm', 3 / 16),
      },
    },
    {
      key: 'sideMm',
      label: 'Side folds',
      why: 'Narrow sides make a wide envelope with a low pocket.',
      input: {
        kind: 'length',
        folded: 'Three sixteenths of the sheet, found by folding',
        range: lengthRange(LEAST.side, mostSide, 'hemMm', 1 / 8),
      },
    },
  ],
  rooms: ['pocket'],
  closure: () => ({ kind: 'flap', words: 'its own flap, tucked in' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 2,
  minutes: 9,
  papers: '60 to 100 g/m². Beside the pocket up to nine layers meet, so stiff paper wants scoring.',
  ceiling: { mm: 700, why: 'a pocket of one layer gives way at its corners' },
  cautions: [],
  fold,
  sizes({ finished }, sheet, params, thicknessMm) {
    const { side, on } = squareFrame(sheet);
    const { c, p } = sharesOf(side, params);
    const corners = [on(p, c + p), on(1 - p, c + p), on(1 - p, 0.5 + p), on(p, 0.5 + p)].map((q) =>
      whereIs(finished, q),
    );
    const edge = whereIs(finished, on(0.5, c));
    const tip = whereIs(finished, on(0.5, 1));
    const { widthMm, heightMm } = flatExtent(finished);
    const most = mostLayers(finished);
    return {
      rooms: [
        POCKET.of({ widthMm: distance(corners[0], corners[1]), heightMm: distance(corners[1], corners[2]) }, corners),
      ],
      outer: { lengthMm: widthMm, widthMm: heightMm, heightMm: most * thicknessMm },
      lengths: [
        { name: 'front of the pocket', mm: distance(edge, whereIs(finished, on(0.5, c + p))) },
        { name: 'flap tucked in', mm: distance(edge, tip) },
        { name: 'each side over the front', mm: whereIs(finished, on(0, 0.6)).x - corners[0].x },
      ],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
