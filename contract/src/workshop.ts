import * as z from 'zod';
import { job } from './job';
import { paper } from './paper';
import { logEntry } from './log-entry';
import { settingsDraft } from './settings';
import { thing } from './thing';

/** Everything that a workshop holds. */
export const workshop = z.object({
  settings: settingsDraft,
  papers: z.array(paper),
  things: z.array(thing),
  jobs: z.array(job.omit({ state: true })),
  pieces: z.array(logEntry),
});

export type Workshop = z.infer<typeof workshop>;
