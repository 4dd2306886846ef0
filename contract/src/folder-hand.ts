import * as z from 'zod';
import { id, name, version } from './shared';

/** Whose hands fold: a name or a role, and by how much they miss a mark, one standard deviation in mm. */
export const folderHandDraft = z.object({
  name,
  missMm: z
    .number('Write how far this hand misses, for example 0.3 mm.')
    .min(0.02, 'No hand is more accurate than 0.02 mm.')
    .max(5, 'A miss of more than 5 mm is not a fold.'),
});

/** As it is sent to be added: its id is made by the sender. */
export const newFolderHand = folderHandDraft.extend({ id });

export const folderHand = folderHandDraft.extend({ id, version });

export type FolderHandDraft = z.infer<typeof folderHandDraft>;
export type FolderHand = z.infer<typeof folderHand>;
export type NewFolderHand = z.infer<typeof newFolderHand>;
