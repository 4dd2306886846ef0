import * as z from 'zod';
import {
  alone,
  anyForm,
  anyPiece,
  demandsOn,
  easeMm,
  flatExtent,
  type Form,
  IDENTITY,
  lineThrough,
  mostLayers,
  type Piece,
  point,
  type PutBody,
  roomKind,
  whereIs,
} from '../../src/index';

/** A made-up kind of room: between two covers, as wide and as high as these. */
export const COVERS = roomKind('covers', ['widthMm', 'heightMm'], {
  names: { widthMm: 'Between the covers, wide', heightMm: 'Between the covers, high' },
  holds: ['flat things'],
  demands({ purpose, options: { ease }, lying }) {
    if (purpose.kind !== 'hold' || !lying.length) return null;
    const { summed } = demandsOn<'widthMm' | 'heightMm'>();
    return lying.flatMap((arrangement) => {
      const [, low, wide] = [...arrangement.box].sort((p, q) => p - q);
      const part = (value: number) => [
        { name: 'contents', value },
        { name: 'ease', value: easeMm(value, ease) },
      ];
      return alone(
        summed('covers, wide', ({ widthMm }) => widthMm, part(low)),
        summed('covers, high', ({ heightMm }) => heightMm, part(wide)),
      ).map((way) => ({ ...way, arrangement }));
    });
  },
});

const none = z.object({});

/** A strip that is as it was cut. */
const strap: Piece<z.infer<typeof none>> = {
  id: 'made-up-strap',
  name: 'Strap',
  sheetShape: { longPerShort: [2, 30], why: 'a strap is long and narrow.', lies: 'across' },
  leastSheetMm: 8,
  fields: [],
  params: none,
  fold: (hand) => ({ steps: [], finished: hand.pose }),
  sizes({ finished }, _sheet, _params, thicknessMm) {
    const { widthMm, heightMm } = flatExtent(finished);
    return {
      rooms: [COVERS.of({ widthMm: heightMm, heightMm: widthMm })],
      outer: { lengthMm: widthMm, widthMm: heightMm, heightMm: thicknessMm },
      lengths: [],
      layers: [{ name: 'thickest', count: 1 }],
    };
  },
};

/** A made-up form of two pieces: a folder folded once, and a strap that lies in its fold, as long as the folder is high. */
const folder: Form<z.infer<typeof none>> = {
  id: 'made-up-folder',
  name: 'Folder with a strap',
  family: 'envelopes and wraps',
  use: 'Two covers and a strap between them.',
  sheetShape: { longPerShort: [1.2, 3], why: 'it is folded across.', lies: 'across' },
  leastSheetMm: 40,
  fields: [],
  params: none,
  rooms: ['covers'],
  closure: () => ({ kind: 'tied', words: 'its strap' }),
  adhesive: () => 'none',
  cuts: () => 'none',
  skill: 1,
  minutes: 2,
  papers: 'Any.',
  ceiling: { mm: 2000, why: 'nobody has such a table' },
  cautions: [],
  fold(hand, { outline }) {
    const width = Math.max(...outline.map((p) => p.x));
    const height = Math.max(...outline.map((p) => p.y));
    hand.valley('back', {
      kind: 'line-onto-line',
      line: lineThrough(point(width, 0), point(width, height)),
      onto: lineThrough(point(0, 0), point(0, height)),
      moving: point(width, height / 2),
    });
    return { steps: [], finished: hand.pose };
  },
  sizes({ finished }, { outline }, _params, thicknessMm) {
    const height = Math.max(...outline.map((p) => p.y));
    const { widthMm } = flatExtent(finished);
    const high = whereIs(finished, point(0, height)).y - whereIs(finished, point(0, 0)).y;
    return {
      rooms: [COVERS.of({ widthMm, heightMm: high })],
      outer: { lengthMm: high, widthMm, heightMm: mostLayers(finished) * thicknessMm },
      lengths: [],
      layers: [{ name: 'thickest', count: mostLayers(finished) }],
    };
  },
  pieces: [anyPiece(strap)],
  entries: () => [
    { key: 'folder', name: 'Folder', pieceId: 'made-up-folder', params: {}, copies: 1, sheet: { kind: 'asked' } },
    {
      ...{ key: 'strap', name: 'Strap', pieceId: 'made-up-strap', params: {}, copies: 1 },
      sheet: {
        kind: 'follows',
        of: 'folder',
        needs: ({ outer }) => [
          demandsOn<'heightMm'>().demand('as long as the folder is high', ({ heightMm }) => heightMm, outer.lengthMm),
        ],
      },
    },
  ],
  assemble(made) {
    const [cover, band] = [...made.values()];
    const height = Math.max(...cover.sheet.outline.map((p) => p.y));
    const [long, wide] = ['x', 'y'].map((axis) => Math.max(...band.sheet.outline.map((p) => p[axis as 'x' | 'y'])));
    // Upright, beside the fold, in the middle of the height.
    const turned = [0, -1, 0, 1, 0, 0, 0, 0, 1, wide + 1, (height - long) / 2, 0];
    const at = (entry: string) => ({ entry, copy: 0 });
    const puts: readonly PutBody[] = [
      { ref: at('folder'), pose: cover.folding.finished, motion: IDENTITY },
      { ref: at('strap'), pose: band.folding.finished, motion: turned },
    ];
    const sheetWidth = Math.max(...cover.sheet.outline.map((p) => p.x));
    return {
      states: { closed: puts.map(({ ref, pose, motion }) => ({ ref, shape: pose, motion })) },
      joints: [
        {
          kind: 'slotted',
          tab: { body: at('strap'), at: point(long / 2, wide / 2) },
          between: [
            { body: at('folder'), at: point(1, height / 2), side: 'white' },
            { body: at('folder'), at: point(sheetWidth - 1, height / 2), side: 'white' },
          ],
        },
      ],
      steps: [],
    };
  },
};

export const madeUpFolder: Form = anyForm(folder);
