import {
  type Job,
  type JobDraft,
  type LogEntry,
  logEntryChange,
  newFolderHand,
  newJob,
  newLogEntry,
  newPaper,
  newThing,
  type Routes,
  routes,
  settingsDraft,
} from '@odd-corner/contract';
import * as fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import type * as z from 'zod';
import { arbitraryOf } from './arbitrary-of';
import { bench, type Bench, post, rowsOf, watchJob } from './workshop';

const RUNS = Number(process.env['FC_MANY'] ?? 20);

const anyOf = <T extends z.ZodType>(schema: T): fc.Arbitrary<z.infer<T>> =>
  arbitraryOf(schema) as fc.Arbitrary<z.infer<T>>;

/** Half of a character, which the door refuses before any schema. */
const whole = (value: unknown): boolean => !/\\u[dD][89abAB]/.test(JSON.stringify(value));

const JOB_OF_A_TRAY = watchJob(null);
const WATCH = JOB_OF_A_TRAY.makes[0];

describe('everything that the schemas allow', () => {
  it.each([
    ['papers', newPaper],
    ['things', newThing],
    ['hands', newFolderHand],
  ] as const)('of the %s is written and read back', (list, schema) =>
    fc.assert(
      fc.asyncProperty(anyOf<z.ZodType<object>>(schema).filter(whole), async (any) => {
        const b = bench();
        // A paper that it was cut from would have to be there.
        const draft = 'offcutOf' in any ? { ...any, offcutOf: null } : any;
        const sent = schema.parse(draft);
        expect(await post(b, `/api/${list}`, draft)).toMatchObject(sent);
        expect(await rowsOf(b, `/api/${list}`)).toMatchObject([sent]);
        const changed = await b.send('PUT', `/api/${list}/${sent.id}`, { ...draft, version: 1 });
        expect(changed).toMatchObject({ status: 200, body: { ...sent, version: 2 } });
      }),
      { numRuns: RUNS },
    ),
  );

  it('of a job is written and read back, with makes that can be folded', () =>
    fc.assert(
      fc.asyncProperty(anyOf(newJob).filter(whole), fc.uuid(), async (draft, handId) => {
        const b = bench();
        await post(b, '/api/hands', { id: handId, name: 'Ines', missMm: 0.3 });
        const makes = draft.makes.map((make) => ({ ...make, make: WATCH.make }));
        const sent: JobDraft & { id: string } = newJob.parse({ ...draft, folderHandId: handId, makes });
        const added = await post<Job>(b, '/api/jobs', sent);
        const said = sent.makes.map(({ chance, ...make }) => ({ ...make, told: { chance } }));
        expect(added).toMatchObject({ ...sent, makes: said });
        expect(await rowsOf(b, '/api/jobs')).toEqual([added]);
        expect((await b.send('POST', '/api/jobs', sent)).status).toBe(200);
      }),
      { numRuns: RUNS },
    ));

  it('of a log entry is written, corrected and read back', () =>
    fc.assert(
      fc.asyncProperty(anyOf(newLogEntry), anyOf(logEntryChange), fc.uuid(), async (first, second, handId) => {
        fc.pre(whole([first, second]));
        const b = bench();
        await post(b, '/api/hands', { id: handId, name: 'Ines', missMm: 0.3 });
        const { id: jobId, makes } = await post<Job>(b, '/api/jobs', JOB_OF_A_TRAY);
        const names = Object.keys(makes[0].told!.sizes);
        /** The same sizes by names that the make has, on no paper of the shelf. */
        const fitting = <T extends { measured: Record<string, number>; sheetsUsed: { sheets: number }[] }>(
          entry: T,
        ) => ({
          ...entry,
          folderHandId: handId,
          measured: Object.fromEntries(Object.values(entry.measured).map((mm, k) => [names[k], mm])),
          sheetsUsed: entry.sheetsUsed.slice(0, 1).map(({ sheets }) => ({ paperId: null, sheets })),
        });
        const sent = { ...fitting(first), jobId, makeId: makes[0].id };
        const written = await post<LogEntry>(b, '/api/log', sent);
        expect(written).toMatchObject(sent);
        const change = { ...fitting(second), version: 1 };
        const changed = await b.send('PUT', `/api/log/${written.id}`, change);
        expect(changed).toMatchObject({ status: 200, body: { ...change, version: 2 } });
        expect(await rowsOf(b, '/api/log')).toEqual([changed.body]);
      }),
      { numRuns: RUNS },
    ));

  it('of the settings is written and read back', async () => {
    const b = bench();
    let version = 1;
    await fc.assert(
      fc.asyncProperty(anyOf(settingsDraft), async (draft) => {
        const { status } = await b.send('PUT', '/api/settings', { ...draft, version });
        expect(status).toBe(200);
        version++;
        expect((await b.send('GET', '/api/settings')).body).toEqual({ ...draft, version });
      }),
      { numRuns: RUNS },
    );
  });
});

describe('anything else', () => {
  // What is streamed has no end.
  const all = (Object.values(routes) as readonly Routes[keyof Routes][]).filter(
    (route) => !('kind' in route && route.kind === 'stream'),
  );

  /** A valid body with one thing in it replaced, left out, or put in too much. */
  const spoilt = (schema: z.ZodType): fc.Arbitrary<unknown> =>
    fc
      .tuple(arbitraryOf(schema), fc.jsonValue(), fc.nat(), fc.constantFrom('replace', 'leave out', 'put in'))
      .map(([value, other, at, how]) => spoil(value, other, at, how));

  it('is a 4xx and leaves nothing, on every route', () =>
    fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...all).chain((route) =>
          fc.record({
            route: fc.constant(route),
            id: fc.oneof(fc.uuid(), fc.constant(JOB.id), fc.string({ maxLength: 40 }), fc.constant('..%2f..')),
            query: fc.dictionary(
              fc.constantFrom('limit', 'cursor', 'search', 'state', 'form', 'from', 'x'),
              fc.string(),
              {
                maxKeys: 3,
              },
            ),
            body: 'body' in route ? fc.oneof(spoilt(route.body), fc.jsonValue(), fc.string()) : fc.jsonValue(),
            type: fc.constantFrom('application/json', 'application/json', 'application/json', 'text/plain', ''),
          }),
        ),
        async ({ route, id, query, body, type }) => {
          const before = counts(B);
          const search = new URLSearchParams(query).toString();
          const path = `${route.path.replace(':id', encodeURIComponent(id))}${search ? `?${search}` : ''}`;
          const hasBody = route.method !== 'GET' && route.method !== 'DELETE';
          const { status, body: answer } = await B.send(route.method, path, hasBody ? body : undefined, {
            ...(type && hasBody ? { 'content-type': type } : {}),
          });
          expect(status).toBeLessThan(500);
          if (status >= 400) {
            expect(answer).toMatchObject({ status });
            expect(counts(B)).toEqual(before);
          }
        },
      ),
      { numRuns: 10 * RUNS },
    ));
});

let B: Bench;
let JOB = { id: randomUUID() as string };
beforeAll(async () => {
  B = bench({ verify: () => Promise.resolve({ refused: 'Nothing is folded here.' }) });
  const made = bench();
  JOB = await post<Job>(made, '/api/jobs', JOB_OF_A_TRAY);
});

/** How many rows are in each table. */
function counts({ workshop: { db } }: Bench): Record<string, number> {
  const tables = [
    'papers',
    'things',
    'hands',
    'jobs',
    'makes',
    'progress',
    'log_entries',
    'sheets_used',
    'cut_sheets',
    'paper_moves',
    'cutting_plans',
    'plan_parents',
    'plan_makes',
  ];
  return Object.fromEntries(
    tables.map((table) => [table, db.prepare<[], { n: number }>(`SELECT count(*) AS n FROM ${table}`).get()!.n]),
  );
}

/** Puts something else into a place of a piece of JSON. */
function spoil(value: unknown, other: unknown, at: number, how: string): unknown {
  if (typeof value !== 'object' || value === null) return other;
  const keys = Object.keys(value);
  if (!keys.length || how === 'put in') return { ...value, [`odd${at}`]: other };
  const key = keys[at % keys.length];
  const child = (value as Record<string, unknown>)[key];
  const next = Math.floor(at / keys.length);
  const deeper = typeof child === 'object' && child !== null && next % 2 === 1;
  const copy: Record<string, unknown> = { ...(value as Record<string, unknown>) };
  if (deeper) copy[key] = spoil(child, other, next >> 1, how);
  else if (how === 'leave out') delete copy[key];
  else copy[key] = other;
  return Array.isArray(value) ? Object.values(copy) : copy;
}
