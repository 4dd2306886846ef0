import { type Access, MOST_PHOTOGRAPH_BYTES, type PlacesToOpen } from '@odd-corner/contract';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import type { Keeper } from '../access/keeper';
import { binnedRows, purge } from '../bin/bin';
import { addPlan, planAnew, removePlan, restorePlan, tickCut } from '../cutting/keep-plan';
import type { DataHouse } from '../data/data-house';
import { healthOf } from '../data/health';
import { inOneGo } from '../db/in-one-go';
import type { Workshop } from '../db/workshop';
import { acceptCut, doneCut, dropCut, releaseJob, undoneCut } from '../jobs/cut-sheets';
import { addProgress } from '../jobs/add-progress';
import { changeBatch, takeSeats } from '../jobs/keep-batch';
import { addJob, changeJob } from '../jobs/keep-job';
import type { Learn } from '../learn/learn-from';
import { learning } from '../learn/learning';
import { addLogEntry, changeLogEntry, removeLogEntry, restoreLogEntry } from '../log/record-entry';
import type { Print } from '../print/print-asked';
import { develop } from '../photographs/develop';
import { printed } from '../print/print-job';
import type { Verify } from '../verify/verify-make';
import type { ChangesHub } from './changes-hub';
import { type Handlers, mount, Reply, replyAdded } from './mount';
import { openApi } from './open-api';
import { ProblemError } from './problem-error';
import { streamChanges } from './stream-changes';
import type { Env } from './who-asks';

const LARGEST_BODY = 256 * 1024;
/** A whole workshop of many years. */
const LARGEST_FILE = 512 * 1024 * 1024;
const INCOMING = '/api/workshop/incoming';
const PHOTOGRAPHS = '/api/photographs/';

/** What the routes work with. */
export interface ApiOptions {
  readonly demo: boolean;
  readonly verify: Verify;
  readonly learn: Learn;
  /** The workshop's file, for what is said when it fails; null for one in memory. */
  readonly file: string | null;
  /** Backups of the workshop's file; null for one in memory. */
  readonly house: DataHouse | null;
  /** Keeps the door; null where no passphrase was set. */
  readonly keeper: Keeper | null;
  readonly print: Print;
  readonly hub: ChangesHub;
  /** Where other devices can open it from. */
  readonly places: PlacesToOpen;
  /** The moment as ISO 8601. */
  readonly now?: () => string;
  readonly checkAnswers?: boolean;
}

/** The workshop's routes. */
export function api(workshop: Workshop, options: ApiOptions): Hono<Env> {
  const { checkAnswers = false, hub } = options;
  const app = new Hono<Env>();
  const [limit, photographLimit, fileLimit] = [LARGEST_BODY, MOST_PHOTOGRAPH_BYTES, LARGEST_FILE].map((maxSize) =>
    bodyLimit({
      maxSize,
      onError: () => {
        throw new ProblemError(413, `Send at most ${maxSize / 1024} kB.`);
      },
    }),
  );
  app.use((c, next) => {
    const { path, method } = c.req;
    const sent = method === 'POST' && path.startsWith(PHOTOGRAPHS) ? photographLimit : limit;
    return (path === INCOMING ? fileLimit : sent)(c, next);
  });
  mount(app, handlers(workshop, options), { hub, checkAnswers });
  app.all('/api/*', () => {
    throw new ProblemError(404, 'There is no such address here.');
  });
  return app;
}

function handlers(
  workshop: Workshop,
  { demo, verify, learn, print, file, house, keeper, hub, places, now = () => new Date().toISOString() }: ApiOptions,
): Handlers {
  const { db, papers, cuttingPlans, things, hands, eye, jobs, log, trials, photographs, recent, settings } = workshop;
  const housed = (): DataHouse => {
    if (!house) throw new ProblemError(422, 'This workshop has no file, so there is nothing to copy.');
    return house;
  };
  const removed = (rows: { remove(id: string, at: string): void }, id: string): null => {
    rows.remove(id, now());
    return null;
  };
  const standing = (role: Access['role']): Access => ({ role, asked: keeper !== null });
  const learned = learning(workshop, learn);
  const health = healthOf(db, { file, demo });
  return {
    health: ({ asker }) => {
      const found = health(asker);
      return new Reply(found, found.state === 'ok' ? 200 : 503);
    },
    access: async ({ c, asker }) => standing(keeper ? await keeper.prolonged(c, asker.encrypted) : 'owner'),
    signIn: async ({ c, asker, body }) => standing(keeper ? await keeper.signIn(c, body.passphrase, asker) : 'owner'),
    signOut: ({ c }) => {
      keeper?.signOut(c);
      return standing(keeper ? null : 'owner');
    },
    placesToOpen: () => places,
    changes: ({ c }) => streamChanges(c, hub),
    openApi: () => openApi(),

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
    changeBatch: ({ id, body }) => changeBatch(workshop, id, body, now()),
    takeSeats: ({ id, body }) => takeSeats(workshop, id, body, now()),
    booklet: ({ id, query }) => printed(workshop, print, id, 'booklet', query),
    creasePages: ({ id, query }) => printed(workshop, print, id, 'creases', query),
    labels: ({ id, query }) => printed(workshop, print, id, 'label', query),
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

    learned: () => learned(),

    trials: ({ query }) => trials.list(query),
    addTrial: ({ body }) => replyAdded(trials.add(body, now())),
    changeTrial: ({ id, body }) => trials.change(id, body),
    removeTrial: ({ id }) => removed(trials, id),
    restoreTrial: ({ id }) => trials.restore(id),

    photographs: ({ query }) => photographs.all(query),
    addPhotograph: async ({ id, query, c }) =>
      new Reply(photographs.add(id, query, await develop(await c.req.arrayBuffer()), now()), 201),
    photograph: ({ id }) =>
      new Response(new Uint8Array(photographs.picture(id)), {
        headers: { 'content-type': 'image/webp', 'cache-control': 'private, max-age=31536000, immutable' },
      }),
    sayPhotograph: ({ id, body: { words } }) => photographs.say(id, words),
    removePhotograph: ({ id }) => {
      photographs.remove(id);
      return null;
    },

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

    takeOut: () =>
      new Response(housed().takeOut(), {
        headers: {
          'content-type': 'application/json',
          'content-disposition': `attachment; filename="odd-corner-${now().slice(0, 10)}.json"`,
        },
      }),
    bringIn: ({ c }) => {
      if (!c.req.raw.body) throw new ProblemError(400, 'Send the file of a workshop.');
      return housed().bringIn(c.req.raw.body);
    },
    acceptIncoming: ({ body }) => housed().accept(body),
    dropIncoming: () => {
      housed().drop();
      return null;
    },
  };
}
