import { id, MOST_SHEETS } from '@odd-corner/contract';
import * as z from 'zod';

/** Offcuts of one cut that lie on the shelf: which paper they are there, and how many. */
export const keptOffcuts = z.array(z.object({ paperId: id, sheets: z.int().min(1).max(MOST_SHEETS) }));

export type KeptOffcut = z.infer<typeof keptOffcuts>[number];
