import type { Thing } from '@odd-corner/contract';
import { parsePurpose } from '@odd-corner/core';
import { demoId } from './demo-id';

/** What is about on the benches and needs a box, a bag, a slip or a boat, as it would be typed. */
const ROWS: readonly (readonly [name: string, holds: string])[] = [
  ['Watch parts, one handful', '60 x 45 x 22 mm'],
  ['Spare buttons', '55 x 55 x 25 mm'],
  ['Lamp fuses, a dozen', '42 x 38 x 20 mm'],
  ['Brass washers M5', '40 x 40 x 15 mm'],
  ['Wood screws, short', '75 x 50 x 25 mm'],
  ['Hinge with its screws', '76 x 50 x 9 mm'],
  ['Zip sliders', '70 x 30 x 12 mm'],
  ['Bicycle valve caps', '48 x 36 x 18 mm'],
  ['Repair tickets, stack', '105 x 74 x 12 mm'],
  ['Radio knobs, set of four', '52 x 52 x 20 mm'],
  ['Key rings and tags', '65 x 40 x 16 mm'],
  ['Clock weights', '88 x 60 x 30 mm'],
  ['Repair ticket with a hex key', '1 ticket 105 x 74 mm, one hex key 90 x 28 x 5 mm'],
  ['Mended lamp’s bulb', 'bulb ø60 x 108 mm'],
  ['Loose buttons, sixty', '60 loose buttons ø15 x 3 mm'],
  ['Drying dish, a spoonful', '15 ml'],
  ['Washer race, eight washers', 'load 32 g, centre at 6 mm'],
  ['Manual, forty pages', 'pages 4 mm'],
];

export function demoThings(): Thing[] {
  return ROWS.map(([name, holds], k) => ({
    id: demoId('thing', k + 1),
    name,
    purpose: parsePurpose(holds),
    version: 1,
  }));
}
