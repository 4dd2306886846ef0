import * as z from 'zod';
import { choice } from '../choice';

/** How many strips a track may have: even numbers, so that both ends are alike. */
const COUNTS = { eight: 8, six: 6, ten: 10, twelve: 12 } as const;

export const strips = z.enum(['eight', 'six', 'ten', 'twelve']).default('eight');

/** The number that is chosen by its name. */
export const stripsOf = (name: keyof typeof COUNTS): number => COUNTS[name];

export const stripsField = choice(
  'strips',
  'Strips',
  'Eight are surest. Fewer make a shorter and steeper path, more a longer and flatter one in narrower gutters.',
  { eight: 'Eight', six: 'Six', ten: 'Ten', twelve: 'Twelve' },
);
