import { type Job, type LogEntry, logEntry, type Paper, type Problem, problem } from '@odd-corner/contract';
import * as fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { bench, type Bench, KRAFT, post, rowsOf, watchJob } from './workshop';

interface Begun {
  readonly b: Bench;
  readonly sheet: Paper;
  readonly begun: Job;
  /** An entry of one copy as it is sent. */
  readonly entry: (
    sheets?: number,
    more?: object,
  ) => { id: string; sheetsUsed: { paperId: string | null; sheets: number }[] };
  readonly count: () => Promise<{ count: number; reserved: number }>;
}

const start = async (count = 3): Promise<Begun> => {
  const b = bench();
  const sheet = await post<Paper>(b, '/api/papers', { ...KRAFT, count });
  const begun = await post<Job>(b, '/api/jobs', watchJob(sheet.id));
  return {
    ...{ b, sheet, begun },
    entry: (sheets = 1, more = {}) => ({
      ...{ id: randomUUID(), jobId: begun.id, makeId: begun.makes[0].id, copies: 1, folderHandId: null },
      ...{ measured: { 'tray/box.lengthMm': 62, 'tray/box.depthMm': 31 }, fits: 'well', minutes: 20, note: '' },
      sheetsUsed: [{ paperId: sheet.id, sheets }],
      ...more,
    }),
    count: async () => {
      const [{ count: there, reserved }] = await rowsOf<Paper>(b, '/api/papers');
      return { count: there, reserved };
    },
  };
};

/** A plan that takes so many sheets of one paper. */
const planOf = (paperId: string, sheets: number) => ({
  parents: [
    {
      ...{ paperId, sheets },
      pieces: [{ entryKey: 'tray', xMm: 0, yMm: 0, widthMm: 157, heightMm: 157, turned: false }],
    },
  ],
});

describe('the logbook', () => {
  it('keeps what was made, what it should have been, and the paper as it was, whatever becomes of them', async () => {
    const { b, begun, sheet, entry } = await start();
    const written = logEntry.parse(await post(b, '/api/log', entry(2)));
    expect(written).toMatchObject({
      ...{ title: begun.title, make: begun.makes[0].make, predicted: begun.makes[0].told!.sizes },
      papers: { tray: [{ paperId: sheet.id, name: KRAFT.name, caliperMm: 0.12 }] },
      sheetsUsed: [{ paperId: sheet.id, paperName: KRAFT.name, sheets: 2 }],
    });
    await b.send('DELETE', `/api/jobs/${begun.id}`);
    await b.send('DELETE', `/api/bin/${begun.id}`);
    await b.send('DELETE', `/api/papers/${sheet.id}`);
    await b.send('DELETE', `/api/bin/${sheet.id}`);
    expect(await rowsOf(b, '/api/log')).toEqual([
      { ...written, jobId: null, makeId: null, sheetsUsed: [{ paperId: null, paperName: KRAFT.name, sheets: 2 }] },
    ]);
  });

  it('takes sheets off the shelf, once however often it is sent, and gives them back', async () => {
    const { b, entry, count } = await start();
    const draft = entry(2);
    const written = logEntry.parse(await post(b, '/api/log', draft));
    expect(await b.send('POST', '/api/log', draft)).toMatchObject({ status: 200, body: written });
    expect((await b.send('POST', '/api/log', { ...draft, note: 'Other' })).status).toBe(409);
    expect(await count()).toMatchObject({ count: 1 });
    expect((await b.send('DELETE', `/api/log/${draft.id}`)).status).toBe(200);
    expect(await count()).toMatchObject({ count: 3 });
    expect((await b.send('DELETE', `/api/log/${draft.id}`)).status).toBe(404);
    expect((await b.send('POST', `/api/log/${draft.id}/restore`)).body).toMatchObject({
      sheetsUsed: written.sheetsUsed,
    });
    expect(await count()).toMatchObject({ count: 1 });
    expect((await b.send('POST', `/api/log/${draft.id}/restore`)).status).toBe(200);
    expect(await count()).toMatchObject({ count: 1 });
  });

  it('is corrected by version: sheets move with it, and the hand decides how far it spreads', async () => {
    const { b, entry, count } = await start(5);
    const hand = await post<{ id: string }>(b, '/api/hands', { name: 'Tomas', missMm: 0.6 });
    const written = await post<LogEntry>(b, '/api/log', entry(1));
    const { copies, fits, measured, foldedAt } = written;
    const change = {
      ...{ copies, fits, measured, foldedAt, minutes: 31, note: 'Counted wrongly.', folderHandId: hand.id, version: 1 },
      sheetsUsed: entry(4).sheetsUsed,
    };
    const { body } = await b.send('PUT', `/api/log/${written.id}`, change);
    const now = logEntry.parse(body);
    expect(now).toMatchObject({ minutes: 31, note: 'Counted wrongly.', version: 2 });
    expect(await count()).toMatchObject({ count: 1 });
    for (const [key, { sdMm }] of Object.entries(now.predicted))
      expect(sdMm).toBeCloseTo(2 * written.predicted[key].sdMm!, 9);
    expect((await b.send('PUT', `/api/log/${written.id}`, change)).status).toBe(409);
    const tooMany = { ...change, version: 2, sheetsUsed: entry(6).sheetsUsed };
    expect((await b.send('PUT', `/api/log/${written.id}`, tooMany)).status).toBe(422);
    expect(await count()).toMatchObject({ count: 1 });
  });

  it('refuses more sheets than there are, and sizes that the make has not, beside their fields', async () => {
    const { b, entry, count } = await start(1);
    const many = await b.send('POST', '/api/log', entry(2));
    expect(many.status).toBe(422);
    expect((many.body as Problem).issues?.[0].path).toEqual(['sheetsUsed', 0, 'sheets']);
    const odd = await b.send('POST', '/api/log', entry(0, { measured: { 'hull/box.lengthMm': 12 } }));
    expect(odd.status).toBe(422);
    expect(problem.parse(odd.body).issues?.[0].path).toEqual(['measured', 'hull/box.lengthMm']);
    expect(await rowsOf(b, '/api/log')).toEqual([]);
    expect(await count()).toMatchObject({ count: 1 });
  });

  it('does not let a count rise above what is counted', async () => {
    const { b, entry, sheet, count } = await start();
    const draft = entry(2);
    await post(b, '/api/log', draft);
    const full = { ...KRAFT, count: 99_999, version: sheet.version + 1 };
    expect((await b.send('PUT', `/api/papers/${sheet.id}`, full)).status).toBe(200);
    expect((await b.send('DELETE', `/api/log/${draft.id}`)).status).toBe(422);
    expect(await rowsOf(b, '/api/log')).toHaveLength(1);
    expect(await count()).toMatchObject({ count: 99_999 });
  });

  it('counts nothing of a paper that has left the shelf', async () => {
    const { b, sheet, entry } = await start();
    await b.send('DELETE', `/api/papers/${sheet.id}`);
    const draft = entry(2);
    expect(await post(b, '/api/log', draft)).toMatchObject({ sheetsUsed: [{ paperName: KRAFT.name, sheets: 2 }] });
    await b.send('DELETE', `/api/log/${draft.id}`);
    expect((await b.send('POST', `/api/papers/${sheet.id}/restore`)).body).toMatchObject({ count: 3 });
  });

  it('is found by form, paper, hand, time and words', async () => {
    const { b, sheet, entry } = await start(9);
    const hand = await post<{ id: string }>(b, '/api/hands', { name: 'Ines', missMm: 0.2 });
    await post(b, '/api/log', entry(1, { note: 'Ends a little TIGHT.' }));
    await post(b, '/api/log', entry(0, { folderHandId: hand.id, sheetsUsed: [] }));
    const { foldedAt } = (await rowsOf<LogEntry>(b, '/api/log'))[0];
    const found = async (query: string): Promise<number> => (await rowsOf(b, `/api/log?${query}`)).length;
    expect(await found('search=little+tight')).toBe(1);
    expect(await found('search=kraft')).toBe(2);
    expect(await found(`paper=${sheet.id}`)).toBe(1);
    expect(await found(`hand=${hand.id}`)).toBe(1);
    expect(await found('form=square-tray-and-eared-lid')).toBe(2);
    expect(await found('form=canoe')).toBe(0);
    expect(await found(`until=${foldedAt}`)).toBeLessThan(2);
    expect(await found('from=2199-01-01T00:00:00Z')).toBe(0);
  });
});

describe('sheets kept for a cutting plan', () => {
  it('are kept once, taken when they are cut, and not again when it is recorded', async () => {
    const { b, begun, sheet, entry, count } = await start(5);
    const make = `/api/makes/${begun.makes[0].id}`;
    const accepted = await b.send('PUT', `${make}/cut`, { version: 1, plan: planOf(sheet.id, 3) });
    expect(accepted).toMatchObject({ status: 200, body: { version: 2, makes: [{ cut: { done: false } }] } });
    expect(await count()).toEqual({ count: 5, reserved: 3 });
    const again = await b.send('PUT', `${make}/cut`, { version: 2, plan: planOf(sheet.id, 4) });
    expect(again.status).toBe(200);
    expect(await count()).toEqual({ count: 5, reserved: 4 });
    expect((await b.send('POST', `${make}/cut/done`, { version: 3 })).body).toMatchObject({
      makes: [{ cut: { done: true } }],
    });
    expect((await b.send('POST', `${make}/cut/done`, { version: 4 })).status).toBe(422);
    expect(await count()).toEqual({ count: 1, reserved: 0 });
    const [first, second] = [entry(3), entry(2)];
    await post(b, '/api/log', first);
    expect(await count()).toEqual({ count: 1, reserved: 0 });
    await post(b, '/api/log', second);
    expect(await count()).toEqual({ count: 0, reserved: 0 });
    await b.send('DELETE', `/api/log/${second.id}`);
    expect(await count()).toEqual({ count: 1, reserved: 0 });
    const undone = await b.send('POST', `${make}/cut/undone`, { version: 4 });
    expect(undone.status).toBe(200);
    // Three were used and stay used; the one that was not is back, and kept.
    expect(await count()).toEqual({ count: 2, reserved: 1 });
    await b.send('DELETE', `/api/log/${first.id}`);
    expect(await count()).toEqual({ count: 5, reserved: 4 });
    expect((await b.send('POST', `${make}/cut/drop`, { version: 4 })).status).toBe(409);
    expect((await b.send('POST', `${make}/cut/drop`, { version: 5 })).status).toBe(200);
    expect(await count()).toEqual({ count: 5, reserved: 0 });
  });

  it('that are recorded before they are ticked as cut are not taken twice, and corrected nor once more', async () => {
    const { b, begun, sheet, entry, count } = await start(7);
    const make = `/api/makes/${begun.makes[0].id}`;
    const first = entry(1);
    const written = logEntry.parse(await post(b, '/api/log', first));
    await b.send('PUT', `${make}/cut`, { version: 1, plan: planOf(sheet.id, 3) });
    expect(await count()).toEqual({ count: 6, reserved: 3 });
    const second = entry(2);
    await post(b, '/api/log', second);
    expect(await count()).toEqual({ count: 4, reserved: 1 });
    const { id: _, jobId: __, makeId: ___, ...rest } = first as typeof first & Record<'jobId' | 'makeId', string>;
    const corrected = { ...rest, foldedAt: written.foldedAt, version: 1 };
    expect((await b.send('PUT', `/api/log/${first.id}`, corrected)).status).toBe(200);
    // Three of three are used: ticked as cut, no more is taken.
    expect(await count()).toEqual({ count: 4, reserved: 0 });
    expect((await b.send('POST', `${make}/cut/done`, { version: 2 })).status).toBe(200);
    expect(await count()).toEqual({ count: 4, reserved: 0 });
    await b.send('DELETE', `/api/log/${second.id}`);
    // Cut and not used: it lies there, off the shelf.
    expect(await count()).toEqual({ count: 4, reserved: 0 });
    await b.send('POST', `${make}/cut/undone`, { version: 3 });
    expect(await count()).toEqual({ count: 6, reserved: 2 });
    await b.send('DELETE', `/api/log/${first.id}`);
    expect(await count()).toEqual({ count: 7, reserved: 3 });
  });

  it('that were cut stay counted when their paper has left the shelf', async () => {
    const { b, begun, sheet, entry } = await start(5);
    const make = `/api/makes/${begun.makes[0].id}`;
    await b.send('PUT', `${make}/cut`, { version: 1, plan: planOf(sheet.id, 2) });
    await b.send('POST', `${make}/cut/done`, { version: 2 });
    const [first, second] = [entry(1), entry(3)];
    await post(b, '/api/log', first);
    await b.send('DELETE', `/api/papers/${sheet.id}`);
    await post(b, '/api/log', second);
    await b.send('DELETE', `/api/log/${second.id}`);
    await b.send('DELETE', `/api/log/${first.id}`);
    await b.send('POST', `/api/papers/${sheet.id}/restore`);
    expect((await b.send('POST', `${make}/cut/undone`, { version: 3 })).status).toBe(200);
    expect(await rowsOf<Paper>(b, '/api/papers')).toMatchObject([{ count: 5, reserved: 2 }]);
  });

  it('are refused to the second of two jobs that want the last', async () => {
    const { b, begun, sheet } = await start(3);
    const other = await post<Job>(b, '/api/jobs', watchJob(sheet.id));
    const accept = (one: Job) =>
      b.send('PUT', `/api/makes/${one.makes[0].id}/cut`, { version: 1, plan: planOf(sheet.id, 2) });
    const both = await Promise.all([accept(begun), accept(other)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 422]);
    const refused = both.find(({ status }) => status === 422)!;
    expect(problem.parse(refused.body).detail).toBe(
      '“Kraft A3” has 3 on the shelf, 2 of them kept for other jobs; this takes 2.',
    );
  });

  it('are free again when the job is put away, removed, or made of other sheets', async () => {
    for (const end of ['archive', 'remove', 'change'] as const) {
      const { b, begun, sheet, count } = await start(3);
      await b.send('PUT', `/api/makes/${begun.makes[0].id}/cut`, { version: 1, plan: planOf(sheet.id, 2) });
      expect(await count()).toEqual({ count: 3, reserved: 2 });
      if (end === 'archive') await b.send('POST', `/api/jobs/${begun.id}/archive`, { version: 2 });
      if (end === 'remove') await b.send('DELETE', `/api/jobs/${begun.id}`);
      if (end === 'change') {
        const { makes, ...rest } = watchJob(null);
        const changed = { ...rest, makes: [{ ...makes[0], id: begun.makes[0].id }], version: 2 };
        expect((await b.send('PUT', `/api/jobs/${begun.id}`, changed)).status).toBe(200);
      }
      expect(await count()).toEqual({ count: 3, reserved: 0 });
    }
  });

  it('are never negative and never counted twice, whatever the order of things', () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({
            act: fc.constantFrom(
              'accept',
              'drop',
              'done',
              'undone',
              'record',
              'takeOut',
              'putIn',
              'remove',
              'restore',
              'correct',
            ),
            job: fc.nat(1),
            sheets: fc.integer({ min: 1, max: 4 }),
          }),
          { maxLength: 25 },
        ),
        async (acts) => {
          const { b, begun, sheet, count } = await start(7);
          const all = [begun, await post<Job>(b, '/api/jobs', watchJob(sheet.id))];
          /** Sheets in entries of the logbook that are there, by entry. */
          const written: { id: string; sheets: number; job: number; there: boolean }[] = [];
          for (const { act, job, sheets } of acts) {
            const { id, makes } = all[job];
            const make = `/api/makes/${makes[0].id}`;
            const version = (await b.send('GET', `/api/jobs/${id}`)).status === 200 ? await versionOf(b, id) : 1;
            const mine = written.filter((one) => one.job === job);
            const last = mine[mine.length - 1] as (typeof mine)[number] | undefined;
            if (act === 'accept') await b.send('PUT', `${make}/cut`, { version, plan: planOf(sheet.id, sheets) });
            if (act === 'drop') await b.send('POST', `${make}/cut/drop`, { version });
            if (act === 'done' || act === 'undone') await b.send('POST', `${make}/cut/${act}`, { version });
            if (act === 'remove') await b.send('DELETE', `/api/jobs/${id}`);
            if (act === 'restore') await b.send('POST', `/api/jobs/${id}/restore`);
            if (act === 'record') {
              const entry = recordOf(all[job], sheet.id, sheets);
              const { status } = await b.send('POST', '/api/log', entry);
              if (status === 201) written.push({ id: entry.id, sheets, job, there: true });
            }
            if (act === 'takeOut' && last?.there)
              last.there = (await b.send('DELETE', `/api/log/${last.id}`)).status !== 200;
            if (act === 'putIn' && last && !last.there)
              last.there = (await b.send('POST', `/api/log/${last.id}/restore`)).status === 200;
            if (act === 'correct' && last?.there) {
              const { id: _, jobId: __, makeId: ___, ...rest } = recordOf(all[job], sheet.id, sheets);
              const seen = (await rowsOf<LogEntry>(b, '/api/log')).find((one) => one.id === last.id)!;
              const next = { ...rest, foldedAt: seen.foldedAt, version: seen.version };
              if ((await b.send('PUT', `/api/log/${last.id}`, next)).status === 200) last.sheets = sheets;
            }
            const stock = await count();
            expect(stock.count).toBeGreaterThanOrEqual(0);
            const { sum } = b.workshop.db
              .prepare<[], { sum: number }>(
                'SELECT coalesce(sum(sheets - covered), 0) AS sum FROM cut_sheets WHERE done = 1',
              )
              .get()!;
            const used = written.filter(({ there }) => there).reduce((n, one) => n + one.sheets, 0);
            // What is on the shelf, what lies cut and unused, and what went into things are always all of it.
            expect(stock.count + sum + used).toBe(7);
          }
        },
      ),
      { numRuns: 8 },
    ));
});

const versionOf = async (b: Bench, id: string): Promise<number> =>
  ((await b.send('GET', `/api/jobs/${id}`)).body as Job).version;

const recordOf = ({ id: jobId, makes }: Job, paperId: string, sheets: number) => ({
  ...{ id: randomUUID(), jobId, makeId: makes[0].id, copies: 1, folderHandId: null, measured: {}, fits: null },
  ...{ minutes: null, note: '', sheetsUsed: [{ paperId, sheets }] },
});

describe('many at once', () => {
  it('record, take out and put in again, in any order, and the count is exact', async () => {
    const { b, begun, sheet, count } = await start(400);
    const ids = Array.from({ length: 150 }, () => recordOf(begun, sheet.id, 1 + Math.floor(Math.random() * 3)));
    const lanes = ids.map(async (entry) => {
      await b.send('POST', '/api/log', entry);
      await Promise.all([b.send('DELETE', `/api/log/${entry.id}`), b.send('POST', '/api/log', entry)]);
      if (Math.random() < 0.5) await b.send('POST', `/api/log/${entry.id}/restore`);
    });
    await Promise.all(lanes);
    const rows = (await b.send('GET', '/api/log?limit=500')).body as { rows: LogEntry[] };
    const used = rows.rows.reduce((sum, { sheetsUsed }) => sum + sheetsUsed[0].sheets, 0);
    expect(await count()).toEqual({ count: 400 - used, reserved: 0 });
  });
});
