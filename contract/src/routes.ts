import * as z from 'zod';
import { job, jobDraft, newJob, progress } from './job';
import { newPaper, paper, paperDraft } from './paper';
import { logEntry, logEntryDraft } from './log-entry';
import { settings, settingsDraft } from './settings';
import { version } from './shared';
import { newThing, thing, thingDraft } from './thing';

/** Every route: what goes in and what comes out. Server and web read the same table. */
export const routes = {
  health: { method: 'GET', path: '/api/health', answer: z.object({ ok: z.literal(true), demo: z.boolean() }) },
  papers: { method: 'GET', path: '/api/papers', answer: z.array(paper) },
  addPaper: { method: 'POST', path: '/api/papers', body: newPaper, answer: paper },
  changePaper: { method: 'PUT', path: '/api/papers/:id', body: paperDraft.extend({ version }), answer: paper },
  removePaper: { method: 'DELETE', path: '/api/papers/:id', answer: z.null() },
  restorePaper: { method: 'POST', path: '/api/papers/:id/restore', answer: paper },
  things: { method: 'GET', path: '/api/things', answer: z.array(thing) },
  addThing: { method: 'POST', path: '/api/things', body: newThing, answer: thing },
  changeThing: { method: 'PUT', path: '/api/things/:id', body: thingDraft.extend({ version }), answer: thing },
  removeThing: { method: 'DELETE', path: '/api/things/:id', answer: z.null() },
  restoreThing: { method: 'POST', path: '/api/things/:id/restore', answer: thing },
  jobs: { method: 'GET', path: '/api/jobs', answer: z.array(job) },
  job: { method: 'GET', path: '/api/jobs/:id', answer: job },
  addJob: { method: 'POST', path: '/api/jobs', body: newJob, answer: job },
  changeJob: { method: 'PUT', path: '/api/jobs/:id', body: jobDraft.extend({ version }), answer: job },
  removeJob: { method: 'DELETE', path: '/api/jobs/:id', answer: z.null() },
  restoreJob: { method: 'POST', path: '/api/jobs/:id/restore', answer: job },
  /** Last write wins: the hand at the table is where it is. */
  setProgress: { method: 'PUT', path: '/api/jobs/:id/progress', body: progress, answer: job },
  pieces: { method: 'GET', path: '/api/pieces', answer: z.array(logEntry) },
  addPiece: { method: 'POST', path: '/api/pieces', body: logEntryDraft, answer: logEntry },
  /** Takes an entry out of the logbook and puts its sheets back on the shelf. */
  undoPiece: { method: 'DELETE', path: '/api/pieces/:id', answer: z.null() },
  settings: { method: 'GET', path: '/api/settings', answer: settings },
  changeSettings: { method: 'PUT', path: '/api/settings', body: settingsDraft.extend({ version }), answer: settings },
} as const;

export type Routes = typeof routes;
export type RouteName = keyof Routes;
export type Answer<N extends RouteName> = z.infer<Routes[N]['answer']>;
export type Body<N extends RouteName> = Routes[N] extends { body: infer B extends z.ZodType } ? z.infer<B> : undefined;
