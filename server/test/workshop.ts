import {
  type Asked,
  askedOf,
  type AskedOptions,
  found,
  type JobDraft,
  makeOf,
  optionsOf,
  type PaperDraft,
  purposeOfOne,
  UNSAID,
} from '@odd-corner/contract';
import { Fitting, isSized, parsePurpose, sizeFor, squareTray } from '@odd-corner/core';
import type { Hono } from 'hono';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { openDatabase } from '../src/db/open-database';
import { openWorkshop, type Workshop } from '../src/db/workshop';
import { lockData } from '../src/data/data-lock';
import { OpenFile } from '../src/data/open-file';
import { ChangesHub } from '../src/http/changes-hub';
import { serverApp, type ServerOptions } from '../src/http/server-app';
import type { Env } from '../src/http/who-asks';
import { NO_JOURNAL } from '../src/journal/journal';
import { type Build, buildHere } from '../src/workshop-file/incoming';
import { type EffectsKnown, type Learn, learnFrom } from '../src/learn/learn-from';
import { printMake } from '../src/print/print-make';
import { type Verdict, type Verify, verifyMake } from '../src/verify/verify-make';

const fitting = new Fitting();

export const MIGRATIONS = join(__dirname, '../migrations');

export interface Bench {
  readonly workshop: Workshop;
  /** The same for a file, sent or asked for. */
  readonly bytes: (method: string, path: string, sent?: Buffer) => Promise<Response>;
  /** Sends a request as the workshop's own page would. */
  readonly send: (
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => Promise<{ status: number; body: never; response: Response }>;
}

const font = (weight: number): string =>
  require.resolve(
    `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`,
  );
/** The files of the type that is shipped. */
export const FONTS = { plain: font(400), bold: font(700) };

const verdicts = new Map<string, Verdict>();
/** Folds on this thread, and what was folded once is not folded again. */
export const verifyHere: Verify = (asked) => {
  const key = JSON.stringify(asked);
  const verdict = verdicts.get(key) ?? verifyMake(asked);
  verdicts.set(key, verdict);
  return Promise.resolve(verdict);
};

const effects: EffectsKnown = new Map();
/** Learns on this thread. */
export const learnHere: Learn = (asked) => Promise.resolve(learnFrom(asked, effects));

/** How a server is made in tests: without a door, for the routes alone. */
export const usualServer = (): ServerOptions => ({
  ...{ demo: false, siteDir: null, keeper: null, proxies: new Set(), journal: NO_JOURNAL, hub: new ChangesHub() },
  ...{
    places: { addresses: [], encrypted: false },
    file: null,
    house: null,
    verify: verifyHere,
    learn: learnHere,
    checkAnswers: true,
  },
  print: (asked) => printMake(asked, FONTS),
});

/** Sends requests to a server as the workshop's own page would. @param now the server as it is at that moment */
export const sender =
  (now: () => Hono<Env>): Bench['send'] =>
  async (method, path, body, headers = {}) => {
    const response = await now().request(`http://localhost:4377${path}`, {
      method,
      headers: {
        host: 'localhost:4377',
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const text = await response.text();
    const { headers: said } = response;
    const isJson = text && /json/.test(said.get('content-type') ?? '') && !said.has('content-encoding');
    return {
      status: response.status,
      body: (isJson ? JSON.parse(text) : text) as never,
      response,
    };
  };

/** A fresh workshop in memory behind the real server application. */
export function bench(options: Partial<ServerOptions> = {}): Bench {
  const workshop = openWorkshop(openDatabase(options.file ?? ':memory:', MIGRATIONS));
  const app = serverApp(workshop, { ...usualServer(), ...options });
  const bytes: Bench['bytes'] = async (method, path, sent) =>
    app.request(`http://localhost:4377${path}`, {
      method,
      headers: { host: 'localhost:4377' },
      ...(sent && { body: new Uint8Array(sent) }),
    });
  return { workshop, bytes, send: sender(() => app) };
}

/** A workshop in a file of its own, as it is open while the server runs. */
export interface OpenBench {
  readonly send: Bench['send'];
  readonly house: OpenFile;
  readonly hub: ChangesHub;
  /** The workshop that is open now. */
  readonly workshop: () => Workshop;
  readonly close: () => void;
}

export function openBench(file: string, build: Build = buildHere): OpenBench {
  const hub = new ChangesHub();
  const lock = lockData(file);
  let [app, workshop]: [Hono<Env> | null, Workshop | null] = [null, null];
  const house = new OpenFile(
    {
      ...{ file, lock, build, migrationsDir: MIGRATIONS, failed: (why) => expect(why).toBeNull() },
      opened: (db, open) => {
        workshop = openWorkshop(db);
        app = serverApp(workshop, { ...usualServer(), hub, file, house: open });
      },
    },
    { anew: false },
  );
  const close = (): void => {
    house.close();
    lock.release();
  };
  return { house, hub, close, send: sender(() => app!), workshop: () => workshop! };
}

export const KRAFT: PaperDraft = {
  name: 'Kraft A3',
  widthMm: 420,
  heightMm: 297,
  count: 3,
  gsm: 90,
  kind: 'kraft',
  caliperMm: 0.12,
  colourFront: '#b98d5b',
  colourBack: '#b08653',
  price: null,
  foodSafe: 'unknown',
  ...UNSAID,
};

/** What a job is asked for: a form, what it holds as it would be typed, and on which paper. */
export interface JobWanted {
  readonly formId: string;
  readonly holds: string;
  readonly title?: string;
  readonly paperId?: string | null;
  readonly thicknessMm?: number;
  readonly options?: Partial<AskedOptions>;
  readonly given?: Readonly<Record<string, unknown>>;
  readonly count?: number;
}

/** A job as it is sent, its sheets found by the engine. */
export function jobFor({ formId, holds, title = holds, thicknessMm = 0.12, ...wanted }: JobWanted): JobDraft {
  const { paperId = null, options: more, given, count = 1 } = wanted;
  const on = { gsm: 90, thicknessMm, handMm: 0.3 };
  const usual = { ease: 'easy', turning: 'upright', fingerRoom: false, ruler: 'mm', confidence: null } as const;
  const asked: Asked = {
    ...{ text: holds, purpose: parsePurpose(holds) },
    options: { ...askedOf({ ...usual, ...on }, 1), ...more },
  };
  const answer = sizeFor(fitting, formId, purposeOfOne(asked)!, optionsOf(asked.options, on), given);
  if (!isSized(answer)) throw new Error(`No sheet does for ${holds} as ${formId}.`);
  const make = makeOf(found(answer), () => ({ papers: [paperId], thicknessMm }));
  return {
    ...{ title, folderHandId: null },
    makes: [{ id: randomUUID(), asked, make, count, chance: answer.chance, marks: null, art: null }],
  };
}

/** A tray with its lid for watch parts, as a job is sent. */
export const watchJob = (paperId: string | null): JobDraft =>
  jobFor({
    ...{ formId: squareTray.id, holds: '60 x 45 x 22', title: 'Watch parts', paperId },
    ...{ options: { lid: 'eared' }, given: { wallMm: null } },
  });

/** Sends what is to be added, with an id unless it has one. */
export async function post<T>(b: Pick<Bench, 'send'>, path: string, body: object): Promise<T> {
  const { status, body: answer } = await b.send('POST', path, { id: randomUUID(), ...body });
  expect(status).toBe(201);
  return answer;
}

/** The rows of a list. */
export async function rowsOf<T>(b: Pick<Bench, 'send'>, path: string): Promise<T[]> {
  const { status, body } = await b.send('GET', path);
  expect(status).toBe(200);
  return (body as { rows: T[] }).rows;
}
