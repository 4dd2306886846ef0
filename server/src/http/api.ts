import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { binnedRows, purge } from '../bin/bin';
import { addPlan, planAnew, removePlan, restorePlan, tickCut } from '../cutting/keep-plan';
import type { DataHouse } from '../data/data-house';
import { inOneGo } from '../db/in-one-go';
import type { Workshop } from '../db/workshop';
import { acceptCut, doneCut, dropCut, releaseJob, undoneCut } from '../jobs/cut-sheets';
import { addProgress } from '../jobs/add-progress';
import { addJob, changeJob } from '../jobs/keep-job';
import { addLogEntry, changeLogEntry, removeLogEntry, restoreLogEntry } from '../log/record-entry';
import type { Verify } from '../verify/verify-make';
import { type Handlers, mount, replyAdded } from './mount';
import { ProblemError } from './problem-error';

const LARGEST_BODY = 256 * 1024;

/** What the routes work with. */
export interface ApiOptions {
  readonly demo: boolean;
  readonly verify: Verify;
  /** Backups of the workshop's file; null for one in memory. */
  readonly house: DataHouse | null;
  /** The moment as ISO 8601. */
  readonly now?: () => string;
  readonly checkAnswers?: boolean;
}

/** The workshop's routes. */
export function api(workshop: Workshop, options: ApiOptions): Hono {
  const { checkAnswers = false } = options;
  const app = new Hono();
  app.use(
    bodyLimit({
      maxSize: LARGEST_BODY,
      onError: () => {
        throw new ProblemError(413, `Send at most ${LARGEST_BODY / 1024} kB.`);
      },
    }),
  );
  mount(app, handlers(workshop, options), checkAnswers);
  app.all('/api/*', () => {
    throw new ProblemError(404, 'There is no such address here.');
  });
  return app;
}

function handlers(
  workshop: Workshop,
  { demo, verify, house, now = () => new Date().toISOString() }: ApiOptions,
): Handlers {
  const { db, papers, cuttingPlans, things, hands, eye, jobs, log, recent, settings } = workshop;
  const housed = (): DataHouse => {
    if (!house) throw new ProblemError(422, 'This workshop has no file, so there is nothing to copy.');
    return house;
  };
  const removed = (rows: { remove(id: string, at: string): void }, id: string): null => {
    rows.remove(id, now());
    return null;
  };
  return {
    health: () => ({ ok: true, demo }),

    papers: ({ query }) => papers.list(query),
    addPaper: ({ body }) => replyAdded(papers.add(body, now())),
    addPapers: ({ body }) => papers.addMany(body.papers, now()),
    paperMonths: () => papers.moves.months(),
    changePaper: ({ id, body }) => papers.change(id, body, now()),
    removePaper: ({ id }) => removed(papers, id),
    restorePaper: ({ id }) => papers.restore(id),

    cuttingPlans: ({ query }) => cuttingPlans.list(query),
    cuttingPlan: ({ id }) => cuttingPlans.get(id),
    addCuttingPlan: ({ body }) => replyAdded(addPlan(workshop, body, now())),
    planAnew: ({ id, body }) => planAnew(workshop, id, body, now()),
    tickCut: ({ id, body }) => tickCut(workshop, id, body, now()),
    removeCuttingPlan: ({ id }) => {
      removePlan(workshop, id, now());
      return null;
    },
    restoreCuttingPlan: ({ id }) => restorePlan(workshop, id),

    things: ({ query }) => things.list(query),
    addThing: ({ body }) => replyAdded(things.add(body)),
    changeThing: ({ id, body }) => things.change(id, body),
    removeThing: ({ id }) => removed(things, id),
    restoreThing: ({ id }) => things.restore(id),

    hands: ({ query }) => hands.list(query),
    addHand: ({ body }) => replyAdded(hands.add(body)),
    changeHand: ({ id, body }) => hands.change(id, body),
    removeHand: ({ id }) => removed(hands, id),
    restoreHand: ({ id }) => hands.restore(id),

    eyeTries: () => eye.all(),
    addEyeTry: ({ body }) => replyAdded(eye.add(body, now())),
    removeEyeTry: ({ id }) => {
      eye.remove(id);
      return null;
    },

    jobs: ({ query }) => jobs.list(query),
    job: ({ id }) => jobs.get(id),
    addJob: async ({ body }) => replyAdded(await addJob(workshop, verify, body, now())),
    changeJob: ({ id, body }) => changeJob(workshop, verify, id, body, now()),
    removeJob: ({ id }) =>
      inOneGo(db, () => {
        releaseJob(workshop, id);
        return removed(jobs, id);
      }),
    restoreJob: ({ id }) => jobs.restore(id),
    archiveJob: ({ id, body: { version } }) =>
      inOneGo(db, () => {
        jobs.bump(id, version, now());
        releaseJob(workshop, id);
        return jobs.archive(id, now());
      }),
    unarchiveJob: ({ id, body: { version } }) =>
      inOneGo(db, () => {
        jobs.bump(id, version, now());
        return jobs.archive(id, null);
      }),

    addProgress: ({ id, body: { copies } }) => addProgress(workshop, id, copies, now()),
    clearProgress: ({ id }) => inOneGo(db, () => jobs.clearProgress(jobs.ofMake(id).id, id, now())),
    acceptCut: ({ id, body }) => acceptCut(workshop, id, body, now()),
    dropCut: ({ id, body: { version } }) => dropCut(workshop, id, version, now()),
    doneCut: ({ id, body: { version } }) => doneCut(workshop, id, version, now()),
    undoneCut: ({ id, body: { version } }) => undoneCut(workshop, id, version, now()),

    log: ({ query }) => log.list(query),
    addLogEntry: async ({ body }) => replyAdded(await addLogEntry(workshop, verify, body, now())),
    changeLogEntry: ({ id, body }) => changeLogEntry(workshop, id, body, now()),
    removeLogEntry: ({ id }) => {
      removeLogEntry(workshop, id, now());
      return null;
    },
    restoreLogEntry: ({ id }) => restoreLogEntry(workshop, id, now()),

    recent: () => recent.list(),
    addRecent: ({ body }) => recent.add(body, now()),

    bin: () => binnedRows(db),
    purge: ({ id }) => {
      purge(db, id);
      return null;
    },

    settings: () => settings.get(),
    changeSettings: ({ body }) => settings.change(body),

    backups: () => housed().list(),
    addBackup: () => housed().add(),
    restoreBackup: ({ body: { name } }) => housed().restore(name),
  };
}
