import * as z from 'zod';
import { slug } from './make';

/** How something is printed: on which paper, how many steps a page, and which entry where there are several. */
export const printQuery = z.object({
  page: z.enum(['a4', 'letter']).default('a4'),
  perPage: z.coerce
    .number()
    .pipe(z.union([z.literal(4), z.literal(6), z.literal(9)]))
    .default(6),
  entry: slug.optional(),
  /** A face of the finished piece, by its number from 0: where it lies is drawn on the sheet. */
  shows: z.coerce.number().pipe(z.int().min(0).max(1000)).optional(),
});

export type PrintQuery = z.infer<typeof printQuery>;
