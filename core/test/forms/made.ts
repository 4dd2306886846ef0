import * as fc from 'fast-check';
import { formById, make, type Made, type Piece, type RoomKind } from '../../src/index';

/** Sides of sheets that all forms manage, in mm. */
export const sheet = fc.double({ min: 125, max: 900, noNaN: true });

/** Paper without thickness: sizes are those between creases. */
export const paper = { thicknessMm: 0 };

const square = (mm: number) => ({ widthMm: mm, heightMm: mm });

/** A sheet that suits a form: square, or as oblong as it likes. */
export const sheetOf = (id: string, mm: number) => {
  const { sheetShape } = formById(id);
  return sheetShape === 'square' ? square(mm) : { widthMm: 1.29 * mm, heightMm: mm };
};

/** How much longer than wide a sheet is that suits a form. */
export const usualSheet = ({ sheetShape }: Pick<Piece, 'sheetShape'>): number =>
  sheetShape === 'square' ? 1 : Math.max(1.29, sheetShape.longPerShort[0]);

export const made = (id: string, s: number, params: unknown = {}): Made =>
  make(id, { sheet: sheetOf(id, s), params, paper });

/** A length that a form tells, by the beginning of its name. */
export const lengthOf = ({ sizes }: Made, name: string): number =>
  sizes.lengths.find((l) => l.name.startsWith(name))!.mm;

/** The sizes of a piece's room, which is of a kind. */
export const roomIn = <K extends string>({ schema }: RoomKind<K>, { sizes }: Pick<Made, 'sizes'>) =>
  schema.parse(sizes.rooms[0]).sizes;
