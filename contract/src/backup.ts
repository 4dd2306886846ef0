import * as z from 'zod';
import { moment } from './shared';

/** A whole copy of the workshop: its name, when it was made, how large. */
export const backup = z.object({ name: z.string(), at: moment, bytes: z.int().min(0) });

/** While something is written, a copy is made so often. */
export const BACKUP_HOURS = 6;

/** What is to be put back. */
export const backupNamed = z.object({ name: z.string().max(200) });

export type Backup = z.infer<typeof backup>;
