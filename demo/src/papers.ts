import type { Paper, Workshop } from '@odd-corner/contract';
import { demoId } from './demo-id';

type Row = readonly [
  name: string,
  widthMm: number,
  heightMm: number,
  count: number,
  gsm: number,
  kind: Paper['kind'],
  caliperMm: number | null,
  front: string,
  back: string,
  /** What how many sheets cost, in cents. */
  price?: readonly [minor: number, sheets: number],
  foodSafe?: Paper['foodSafe'],
];

/** The paper drawer of the repair café, as counted after last Saturday. */
const ROWS: readonly Row[] = [
  ['Harbour blue squares', 150, 150, 42, 70, 'origami', 0.08, '#2f6f9f', '#fbfaf5', [640, 100]],
  ['Rust squares', 200, 200, 18, 70, 'origami', null, '#b5562b', '#fbfaf5'],
  ['Moss squares, both sides', 240, 240, 9, 80, 'origami', null, '#5d7a45', '#8aa06c'],
  ['Office white A4', 297, 210, 240, 80, 'printer', 0.1, '#f4f4ef', '#f4f4ef', [495, 500]],
  ['Office white A3', 420, 297, 35, 80, 'printer', 0.1, '#f4f4ef', '#f4f4ef', [990, 500]],
  ['Brown kraft A3', 420, 297, 26, 90, 'kraft', 0.12, '#b98d5b', '#b08653', [1250, 50], 'yes'],
  ['Brown kraft roll ends', 500, 350, 11, 70, 'kraft', null, '#b98d5b', '#b08653'],
  ['Sail cloth print', 305, 305, 14, 115, 'patterned', null, '#c9a227', '#fbfaf5', [900, 20]],
  ['Slate construction', 305, 229, 30, 120, 'construction', 0.2, '#5a6570', '#5a6570'],
  ['Old sea charts', 640, 450, 7, 110, 'patterned', 0.13, '#9fbfc4', '#f3efe2'],
  ['Ticket card A4', 297, 210, 60, 160, 'cardstock', 0.21, '#e8d9b0', '#e8d9b0', [780, 100]],
  ['Gold foil squares', 100, 100, 25, 60, 'foil', 0.06, '#c8a13a', '#f6f2e6', [450, 50], 'no'],
];

export function demoPapers(): Workshop['papers'] {
  return ROWS.map(
    ([name, widthMm, heightMm, count, gsm, kind, caliperMm, colourFront, colourBack, price, foodSafe], k) => ({
      id: demoId('paper', k + 1),
      name,
      widthMm,
      heightMm,
      count,
      gsm,
      kind,
      caliperMm,
      colourFront,
      colourBack,
      price: price ? { minor: price[0], currency: 'EUR', sheets: price[1] } : null,
      foodSafe: foodSafe ?? 'unknown',
      version: 1,
    }),
  );
}
