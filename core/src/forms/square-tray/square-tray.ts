import * as z from 'zod';
import type { Sheet } from '../../paper/sheet';
import { MOST_NESTED } from '../../purpose/share';
import { choice } from '../choice';
import { anyPiece, type Entry, type Folding, type Form, type ParamField, type Piece } from '../form';
import { around, over } from '../play';
import { assembleTrays } from './assemble-trays';
import { boxFrame } from './box-frame';
import { foldTray, wallLimits } from './fold-tray';
import { earsMm, measureTray } from './measure-tray';
import { SMALL_PARTS } from '../../purpose/cautions';

/** Wall height in mm when it is measured; null when the folded edge is simply brought to the middle crease. */
const wallMm = z.number().positive().nullable().default(null);

const WALLS: ParamField = {
  key: 'wallMm',
  label: 'Walls',
  why: 'Measured walls fit what goes in; the folded edge to the middle crease needs no ruler.',
  input: {
    kind: 'length',
    folded: 'Half the base, as folding alone gives',
    range: ({ widthMm }) => wallLimits(widthMm),
  },
};

const sizes = ({ finished }: Folding, sheet: Sheet, params: { readonly wallMm: number | null }, thicknessMm: number) =>
  measureTray(finished, boxFrame(sheet, params.wallMm), thicknessMm);

const lidParams = z.object({
  /** Its end flaps go over the rim to the outside and stand up as ears; else it is folded like the tray. */
  ears: z.boolean().default(true),
  wallMm,
});

/** A lid: the tray again, from a sheet that is a little larger, with ears or without. */
const lid: Piece<z.infer<typeof lidParams>> = {
  id: 'square-tray-lid',
  name: 'Lid of the square tray',
  sheetShape: 'square',
  leastSheetMm: 60,
  fields: [WALLS],
  params: lidParams,
  fold: (hand, sheet, params, unit) =>
    foldTray(hand, sheet, params.ears ? 'eared lid' : 'plain lid', params.wallMm, unit),
  sizes(folding, sheet, params, thicknessMm) {
    const measured = sizes(folding, sheet, params, thicknessMm);
    if (!params.ears) return measured;
    const ears = earsMm(folding.finished, boxFrame(sheet, params.wallMm));
    const { outer, lengths } = measured;
    return {
      ...measured,
      outer: { ...outer, heightMm: outer.heightMm + ears },
      lengths: [...lengths, { name: 'ears, above the lid', mm: ears }],
    };
  },
};

/** Trays in each other: a set larger than this is folded one after the other. */

export const squareTrayParams = z.object({
  lid: z.enum(['none', 'plain', 'eared']).default('none'),
  /** How many trays stand in each other; the innermost is asked for. */
  nested: z.int().min(1).max(MOST_NESTED).default(1),
  wallMm,
});

export type SquareTrayParams = z.infer<typeof squareTrayParams>;

/** The key of the k-th tray of a set, from the innermost outwards. */
const trayKey = (k: number): string => (k ? `tray-${k + 1}` : 'tray');

function entries({ lid: cover, nested, wallMm: walls }: SquareTrayParams): readonly [Entry, ...Entry[]] {
  const tray = (k: number): Entry => ({
    key: trayKey(k),
    name: nested === 1 ? 'Tray' : `Tray ${k + 1}, from the innermost`,
    pieceId: squareTray.id,
    params: { wallMm: k ? null : walls },
    copies: 1,
    sheet: k ? { kind: 'follows', of: trayKey(k - 1), needs: around } : { kind: 'asked' },
  });
  const others = Array.from({ length: nested - 1 }, (_, k) => tray(k + 1));
  if (cover === 'none') return [tray(0), ...others];
  const outermost = trayKey(nested - 1);
  const overIt: Entry = {
    key: 'lid',
    name: cover === 'eared' ? 'Lid with ears' : 'Lid',
    pieceId: lid.id,
    params: { ears: cover === 'eared', wallMm: nested === 1 ? walls : null },
    copies: 1,
    sheet: { kind: 'follows', of: outermost, needs: over },
  };
  return [tray(0), ...others, overIt];
}

/** A square open tray locked by its own end flaps: with a lid, or several in each other. */
export const squareTray: Form<SquareTrayParams> = {
  id: 'square-tray-and-eared-lid',
  name: 'Square tray',
  family: 'open boxes and lids',
  use: 'Small parts that belong together; with a lid from a slightly larger sheet, or a set of trays in each other.',
  sheetShape: 'square',
  leastSheetMm: 60,
  params: squareTrayParams,
  makeFields: [
    choice('lid', 'Lid', 'Folded like the tray, from a sheet a little larger; ears are there to lift it by.', {
      none: 'None',
      plain: 'Plain',
      eared: 'With ears',
    }),
    {
      key: 'nested',
      label: 'Trays in each other',
      why: 'Each next one is as much larger as the paper of both and some play ask.',
      input: { kind: 'count', min: 1, max: MOST_NESTED },
    },
  ],
  fields: [WALLS],
  rooms: ['box'],
  closure: ({ lid: cover }) =>
    cover === 'none'
      ? { kind: 'open', words: 'open, or with a lid of its own' }
      : { kind: 'lid', words: 'a lid of its own' },
  adhesive: ({ lid: cover }) => (cover === 'eared' ? 'optional' : 'none'),
  cuts: () => 'none',
  skill: 2,
  minutes: 12,
  papers: '70 to 120 g/m²: the ends have six layers, ten under high walls, so stiffer paper does not lie down.',
  ceiling: { mm: 900, why: 'its walls lean outwards' },
  cautions: [SMALL_PARTS],
  fold: (hand, sheet, params, unit) => foldTray(hand, sheet, 'tray', params.wallMm, unit),
  floor(sheet, params) {
    const { b, on } = boxFrame(sheet, params.wallMm);
    return [on(-b, -b), on(b, -b), on(b, b), on(-b, b)];
  },
  sizes,
  pieces: [anyPiece(lid)],
  entries,
  assemble: (made) => assembleTrays(made),
};
