import * as z from 'zod';
import { backup, backupNamed } from './backup';
import { batchRules, seatsSent } from './batch';
import { change } from './change';
import { cuttingAnew, cuttingPlan, cutTicked, newCuttingPlan } from './cutting-plan';
import { eyeTry, newEyeTry } from './eye-try';
import { folderHand, folderHandDraft, newFolderHand } from './folder-hand';
import { health } from './health';
import { cutSent, job, jobDraft, newJob, progressSent } from './job';
import { binned, jobsAsked, listAsked, listOf, logAsked, trialsAsked } from './list';
import { learned } from './learned';
import { logEntry, logEntryChange, newLogEntry } from './log-entry';
import { newPaper, newPapers, paper, paperDraft, paperMonth } from './paper';
import { photograph, photographsAsked, photographWords } from './photograph';
import { printQuery } from './print-query';
import { recent, recentDraft } from './recent';
import { access, placesToOpen, signingIn } from './access';
import { settings, settingsDraft } from './settings';
import { version } from './shared';
import { newThing, thing, thingDraft } from './thing';
import { newTrial, trial, trialChange } from './trial';
import { accepting, incoming } from './workshop-file';

const nothing = z.null();
const versioned = z.object({ version });
/** A file, streamed as it is read. */
const aFile = z.unknown();
/** What was done. */
const words = z.object({ words: z.string() });

/** Every route: what goes in and what comes out. Server and web read the same table. */
export const routes = {
  health: { method: 'GET', path: '/api/health', answer: health },

  access: { method: 'GET', path: '/api/access', answer: access },
  /** Answers with a cookie that is kept for a month. */
  signIn: { method: 'POST', path: '/api/access', body: signingIn, answer: access },
  signOut: { method: 'DELETE', path: '/api/access', answer: access },
  placesToOpen: { method: 'GET', path: '/api/access/places', answer: placesToOpen },

  /** A stream of server-sent events, one for each change. */
  changes: { method: 'GET', path: '/api/changes', answer: change, kind: 'stream' },
  openApi: { method: 'GET', path: '/api/openapi.json', answer: z.record(z.string(), z.unknown()) },

  papers: { method: 'GET', path: '/api/papers', query: listAsked, answer: listOf(paper) },
  addPaper: { method: 'POST', path: '/api/papers', body: newPaper, answer: paper },
  changePaper: { method: 'PUT', path: '/api/papers/:id', body: paperDraft.extend({ version }), answer: paper },
  removePaper: { method: 'DELETE', path: '/api/papers/:id', answer: nothing },
  restorePaper: { method: 'POST', path: '/api/papers/:id/restore', answer: paper },

  /** All of them or none. */
  addPapers: { method: 'POST', path: '/api/papers/many', body: newPapers, answer: z.array(paper) },
  paperMonths: { method: 'GET', path: '/api/papers/months', answer: z.array(paperMonth) },

  cuttingPlans: { method: 'GET', path: '/api/cutting-plans', query: listAsked, answer: listOf(cuttingPlan) },
  cuttingPlan: { method: 'GET', path: '/api/cutting-plans/:id', answer: cuttingPlan },
  /** Keeps a plan and reserves its sheets. */
  addCuttingPlan: { method: 'POST', path: '/api/cutting-plans', body: newCuttingPlan, answer: cuttingPlan },
  /** Plans anew what is not cut yet. */
  planAnew: { method: 'PUT', path: '/api/cutting-plans/:id', body: cuttingAnew, answer: cuttingPlan },
  /** Moves the stock: sheets off the shelf and their offcuts onto it, or the other way round. */
  tickCut: { method: 'POST', path: '/api/cutting-plans/:id/cut', body: cutTicked, answer: cuttingPlan },
  removeCuttingPlan: { method: 'DELETE', path: '/api/cutting-plans/:id', answer: nothing },
  restoreCuttingPlan: { method: 'POST', path: '/api/cutting-plans/:id/restore', answer: cuttingPlan },

  things: { method: 'GET', path: '/api/things', query: listAsked, answer: listOf(thing) },
  addThing: { method: 'POST', path: '/api/things', body: newThing, answer: thing },
  changeThing: { method: 'PUT', path: '/api/things/:id', body: thingDraft.extend({ version }), answer: thing },
  removeThing: { method: 'DELETE', path: '/api/things/:id', answer: nothing },
  restoreThing: { method: 'POST', path: '/api/things/:id/restore', answer: thing },

  hands: { method: 'GET', path: '/api/hands', query: listAsked, answer: listOf(folderHand) },
  addHand: { method: 'POST', path: '/api/hands', body: newFolderHand, answer: folderHand },
  changeHand: { method: 'PUT', path: '/api/hands/:id', body: folderHandDraft.extend({ version }), answer: folderHand },
  removeHand: { method: 'DELETE', path: '/api/hands/:id', answer: nothing },
  restoreHand: { method: 'POST', path: '/api/hands/:id/restore', answer: folderHand },

  /** Tries to find places by eye, the earliest first. */
  eyeTries: { method: 'GET', path: '/api/eye-tries', answer: z.array(eyeTry) },
  addEyeTry: { method: 'POST', path: '/api/eye-tries', body: newEyeTry, answer: eyeTry },
  removeEyeTry: { method: 'DELETE', path: '/api/eye-tries/:id', answer: nothing },

  jobs: { method: 'GET', path: '/api/jobs', query: jobsAsked, answer: listOf(job) },
  job: { method: 'GET', path: '/api/jobs/:id', answer: job },
  addJob: { method: 'POST', path: '/api/jobs', body: newJob, answer: job },
  changeJob: { method: 'PUT', path: '/api/jobs/:id', body: jobDraft.extend({ version }), answer: job },
  removeJob: { method: 'DELETE', path: '/api/jobs/:id', answer: nothing },
  restoreJob: { method: 'POST', path: '/api/jobs/:id/restore', answer: job },
  archiveJob: { method: 'POST', path: '/api/jobs/:id/archive', body: versioned, answer: job },
  unarchiveJob: { method: 'POST', path: '/api/jobs/:id/unarchive', body: versioned, answer: job },

  /** Merged with what is there: a step that is done stays done, whichever device says so. */
  addProgress: { method: 'POST', path: '/api/makes/:id/progress', body: progressSent, answer: job },
  /** Folding begins anew, all copies. */
  clearProgress: { method: 'DELETE', path: '/api/makes/:id/progress', answer: job },
  /** How its copies are folded from now on; who folds them stays. */
  changeBatch: { method: 'PUT', path: '/api/makes/:id/batch', body: batchRules, answer: job },
  /** Says who folds some copies: the latest word counts. */
  takeSeats: { method: 'POST', path: '/api/makes/:id/seats', body: seatsSent, answer: job },
  /** PDFs of a make: its steps, an open sheet at its true size, labels for what was made. */
  booklet: { method: 'GET', path: '/api/makes/:id/booklet', query: printQuery, answer: aFile, kind: 'file' },
  creasePages: { method: 'GET', path: '/api/makes/:id/crease-sheet', query: printQuery, answer: aFile, kind: 'file' },
  labels: { method: 'GET', path: '/api/makes/:id/labels', query: printQuery, answer: aFile, kind: 'file' },
  /** Keeps the sheets of a cutting plan for a make. */
  acceptCut: { method: 'PUT', path: '/api/makes/:id/cut', body: cutSent, answer: job },
  dropCut: { method: 'POST', path: '/api/makes/:id/cut/drop', body: versioned, answer: job },
  /** Takes the sheets off the shelf. */
  doneCut: { method: 'POST', path: '/api/makes/:id/cut/done', body: versioned, answer: job },
  undoneCut: { method: 'POST', path: '/api/makes/:id/cut/undone', body: versioned, answer: job },

  log: { method: 'GET', path: '/api/log', query: logAsked, answer: listOf(logEntry) },
  addLogEntry: { method: 'POST', path: '/api/log', body: newLogEntry, answer: logEntry },
  changeLogEntry: { method: 'PUT', path: '/api/log/:id', body: logEntryChange, answer: logEntry },
  /** Takes an entry out of the logbook and puts its sheets back on the shelf. */
  removeLogEntry: { method: 'DELETE', path: '/api/log/:id', answer: nothing },
  restoreLogEntry: { method: 'POST', path: '/api/log/:id/restore', answer: logEntry },

  trials: { method: 'GET', path: '/api/trials', query: trialsAsked, answer: listOf(trial) },
  addTrial: { method: 'POST', path: '/api/trials', body: newTrial, answer: trial },
  changeTrial: { method: 'PUT', path: '/api/trials/:id', body: trialChange, answer: trial },
  removeTrial: { method: 'DELETE', path: '/api/trials/:id', answer: nothing },
  restoreTrial: { method: 'POST', path: '/api/trials/:id/restore', answer: trial },

  /** Photographs of a job, an entry of the logbook or a trial. */
  photographs: { method: 'GET', path: '/api/photographs', query: photographsAsked, answer: z.array(photograph) },
  /** Sends one, as it is; its id is made by the sender. */
  addPhotograph: {
    method: 'POST',
    path: '/api/photographs/:id',
    query: photographsAsked,
    answer: photograph,
    takes: 'file',
  },
  photograph: { method: 'GET', path: '/api/photographs/:id', answer: aFile, kind: 'file' },
  sayPhotograph: { method: 'PUT', path: '/api/photographs/:id', body: photographWords, answer: photograph },
  removePhotograph: { method: 'DELETE', path: '/api/photographs/:id', answer: nothing },

  /** What the logbook says of hands and papers. */
  learned: { method: 'GET', path: '/api/learned', answer: learned },

  /** What was asked last, the latest first. */
  recent: { method: 'GET', path: '/api/recent', answer: z.array(recent) },
  addRecent: { method: 'POST', path: '/api/recent', body: recentDraft, answer: z.array(recent) },

  bin: { method: 'GET', path: '/api/bin', answer: z.array(binned) },
  /** Throws away for good what is in the bin. */
  purge: { method: 'DELETE', path: '/api/bin/:id', answer: nothing },

  settings: { method: 'GET', path: '/api/settings', answer: settings },
  changeSettings: { method: 'PUT', path: '/api/settings', body: settingsDraft.extend({ version }), answer: settings },

  backups: { method: 'GET', path: '/api/backups', answer: z.array(backup) },
  addBackup: { method: 'POST', path: '/api/backups', answer: backup },
  /** Puts a backup in place of what is there, of which a backup is made first. */
  restoreBackup: {
    method: 'POST',
    path: '/api/backups/restore',
    body: backupNamed,
    answer: words,
  },

  /** All of the workshop as one file. */
  takeOut: { method: 'GET', path: '/api/workshop', answer: aFile, kind: 'file' },
  /** Sends such a file, as it is: nothing is changed by that, it is looked at and waits to be accepted. */
  bringIn: { method: 'POST', path: '/api/workshop/incoming', answer: incoming, takes: 'file' },
  acceptIncoming: { method: 'POST', path: '/api/workshop/incoming/accept', body: accepting, answer: words },
  dropIncoming: { method: 'DELETE', path: '/api/workshop/incoming', answer: nothing },
} as const;

export type Routes = typeof routes;
export type RouteName = keyof Routes;
export type Answer<N extends RouteName> = z.infer<Routes[N]['answer']>;
export type Body<N extends RouteName> = Routes[N] extends { body: infer B extends z.ZodType } ? z.infer<B> : undefined;
export type Query<N extends RouteName> = Routes[N] extends { query: infer Q extends z.ZodType }
  ? z.infer<Q>
  : undefined;
