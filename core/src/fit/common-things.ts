import type { BlockSize } from '../measure/parse-sizes';

/** A thing that many people own, in public standard sizes; it stands on its length × width. */
export interface CommonThing extends BlockSize {
  readonly id: string;
  readonly name: string;
}

const thing = (id: string, name: string, lengthMm: number, widthMm: number, heightMm: number): CommonThing => ({
  id,
  name,
  lengthMm,
  widthMm,
  heightMm,
});

/** Card and paper formats after ISO/IEC 7810 and ISO 216, cells after IEC 60086, dice and tea lights as commonly sold. */
export const COMMON_THINGS: readonly CommonThing[] = [
  thing('cards-id1-10', 'Ten bank-size cards, stacked', 85.6, 54, 7.6),
  thing('slips-a8', 'Stack of A8 slips, 10 mm', 74, 52, 10),
  thing('slips-a7', 'Stack of A7 slips, 10 mm', 105, 74, 10),
  thing('cells-aa-4', 'Four AA cells side by side', 58, 50.5, 14.5),
  thing('cells-aaa-4', 'Four AAA cells side by side', 44.5, 42, 10.5),
  thing('dice-16-4', 'Four 16 mm dice in a square', 32, 32, 16),
  thing('tea-light', 'Tea light', 38, 38, 16),
  thing('cell-9v', '9 V block cell', 48.5, 26.5, 17.5),
];
