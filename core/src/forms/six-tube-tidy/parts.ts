import * as z from 'zod';
import { point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { PANEL } from '../../rooms/panel';
import { flatExtent } from '../../folding/layers-at';
import { anyPiece, type FormSizes, type Folding, type Piece } from '../form';
import { recordSteps } from '../record-steps';
import { CARD_WORDS, STRIP_WORDS } from './words';

const NO_PARAMS = z.object({});

const extent = ({ outline }: Sheet) => ({
  width: Math.max(...outline.map((p) => p.x)),
  height: Math.max(...outline.map((p) => p.y)),
});

function cutSizes({ finished }: Folding, thicknessMm: number): FormSizes {
  const { widthMm, heightMm } = flatExtent(finished);
  const [long, wide] = [Math.max(widthMm, heightMm), Math.min(widthMm, heightMm)];
  return {
    rooms: [PANEL.of({ lengthMm: long, widthMm: wide })],
    outer: { lengthMm: widthMm, widthMm: heightMm, heightMm: thicknessMm },
    lengths: [],
    layers: [{ name: 'thickest', count: 1 }],
  };
}

/** A strip of another colour that shows in a unit's window. */
const strip: Piece<z.infer<typeof NO_PARAMS>> = {
  id: 'six-tube-tidy-strip',
  name: 'Strip of the tidy',
  sheetShape: {
    longPerShort: [1.6, 2.6],
    lies: 'across',
    why: 'it is as long as a tube and as wide as one of its sides.',
  },
  leastSheetMm: 15,
  fields: [],
  params: NO_PARAMS,
  fold(hand) {
    const { steps, step } = recordSteps(hand);
    step(STRIP_WORDS, { arrows: [{ kind: 'push-in', grip: point(1, 1) }] }, () => undefined);
    return { steps, finished: hand.pose };
  },
  sizes: (folding, _sheet, _params, thicknessMm) => cutSizes(folding, thicknessMm),
};

/** The widest hexagon of an oblong card: its corners on the middles of the short sides. */
const card: Piece<z.infer<typeof NO_PARAMS>> = {
  id: 'six-tube-tidy-base',
  name: 'Base of the tidy',
  sheetShape: {
    longPerShort: [2 / Math.sqrt(3), 1.2],
    lies: 'across',
    why: 'a hexagon is as wide over its corners as 1.155 times over its sides.',
  },
  leastSheetMm: 40,
  fields: [],
  params: NO_PARAMS,
  fold(hand, sheet) {
    const { width, height } = extent(sheet);
    const { steps, step } = recordSteps(hand);
    step(
      CARD_WORDS,
      { creases: ['cut'], arrows: [{ kind: 'push-in', grip: point(0.02 * width, 0.02 * height) }] },
      () => {
        for (const x of [0, width])
          for (const y of [0, height])
            hand.cut({
              kind: 'through-points',
              a: hand.at(point(x, height / 2)),
              b: hand.at(point(x ? (3 * width) / 4 : width / 4, y)),
              moving: hand.at(point(x, y)),
            });
      },
    );
    return { steps, finished: hand.pose };
  },
  sizes: (folding, _sheet, _params, thicknessMm) => cutSizes(folding, thicknessMm),
};

export const tidyParts = [anyPiece(strip), anyPiece(card)];
