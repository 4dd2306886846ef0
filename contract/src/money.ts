import { CURRENCIES } from '@odd-corner/core';
import * as z from 'zod';
import { MOST_SHEETS, TOO_MANY_SHEETS } from './shared';

export const currency = z.enum(CURRENCIES);

/** What so many sheets cost: `minor` is in the currency's minor unit (cents). */
export const price = z.object({
  minor: z
    .int('Write a price, for example 12.50.')
    .min(0, 'A price cannot be below zero.')
    .max(100_000_000, 'That is more than a price can be here.'),
  currency,
  sheets: z.int('Count whole sheets.').min(1, 'A price is for one sheet or more.').max(MOST_SHEETS, TOO_MANY_SHEETS),
});

export type Price = z.infer<typeof price>;
