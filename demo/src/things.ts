import type { Thing } from '@odd-corner/contract';
import { demoId } from './demo-id';

/** What lies about on the benches and wants a box. */
const ROWS: readonly (readonly [name: string, lengthMm: number, widthMm: number, heightMm: number])[] = [
  ['Watch parts, one handful', 60, 45, 22],
  ['Spare buttons', 55, 55, 25],
  ['Lamp fuses, a dozen', 42, 38, 20],
  ['Brass washers M5', 40, 40, 15],
  ['Wood screws, short', 75, 50, 25],
  ['Hinge with its screws', 76, 50, 9],
  ['Zip sliders', 70, 30, 12],
  ['Bicycle valve caps', 48, 36, 18],
  ['Repair tickets, stack', 105, 74, 12],
  ['Radio knobs, set of four', 52, 52, 20],
  ['Key rings and tags', 65, 40, 16],
  ['Clock weights', 88, 60, 30],
];

export function demoThings(): Thing[] {
  return ROWS.map(([name, lengthMm, widthMm, heightMm], k) => ({
    id: demoId('thing', k + 1),
    name,
    block: { lengthMm, widthMm, heightMm },
    version: 1,
  }));
}
