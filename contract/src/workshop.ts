import * as z from 'zod';
import { cuttingPlan } from './cutting-plan';
import { eyeTry } from './eye-try';
import { folderHand } from './folder-hand';
import { job } from './job';
import { logEntry } from './log-entry';
import { paper, paperMove } from './paper';
import { settingsDraft } from './settings';
import { thing } from './thing';
import { trial } from './trial';

/** Everything that a workshop holds. */
export const workshop = z.object({
  settings: settingsDraft,
  papers: z.array(paper.omit({ reserved: true })),
  things: z.array(thing),
  hands: z.array(folderHand),
  jobs: z.array(job.omit({ state: true })),
  log: z.array(logEntry),
  cuttingPlans: z.array(cuttingPlan),
  /** How sheets came and went, the earliest first. */
  moves: z.array(paperMove),
  eyeTries: z.array(eyeTry),
  trials: z.array(trial),
});

export type Workshop = z.infer<typeof workshop>;
