import {
  type Binned,
  type Job,
  job as jobSchema,
  type JobDraft,
  type JobMake,
  type Paper,
  problem,
} from '@odd-corner/contract';
import { foldMake } from '@odd-corner/core';
import { toFold } from '@odd-corner/contract';
import { randomUUID } from 'node:crypto';
import { bench, type Bench, KRAFT, post, rowsOf, watchJob } from './workshop';

const start = async (draft = watchJob(null)): Promise<{ b: Bench; begun: Job; make: JobMake }> => {
  const b = bench();
  const begun = jobSchema.parse(await post<Job>(b, '/api/jobs', draft));
  return { b, begun, make: begun.makes[0] };
};

/** The same with one make changed. */
const withMake = (draft: JobDraft, change: (make: JobDraft['makes'][number]['make']) => unknown): object => ({
  ...draft,
  makes: draft.makes.map((one) => ({ ...one, make: change(one.make) })),
});

const progressOf = (body: unknown): JobMake['progress'] => jobSchema.parse(body).makes[0].progress;

describe('what is told of a job', () => {
  it('is folded by the server: sizes of all entries, how far the hand spreads them, papers as they are', async () => {
    const b = bench();
    const { id } = await post<Paper>(b, '/api/papers', KRAFT);
    const { makes } = jobSchema.parse(await post<Job>(b, '/api/jobs', watchJob(id)));
    const [{ told, make }] = makes;
    const { entries } = foldMake(toFold(make));
    for (const [key, { sizes }] of entries)
      for (const [name, mm] of Object.entries(sizes.rooms[0].sizes)) {
        const size = told!.sizes[`${key}/${sizes.rooms[0].kind}.${name}`];
        expect(size.mm).toBeCloseTo(mm, 9);
        expect(size.sdMm).toBeGreaterThan(0);
      }
    expect(told).toMatchObject({ handMm: 0.3, papers: { tray: [{ paperId: id, name: KRAFT.name, caliperMm: 0.12 }] } });
    await b.send('PUT', `/api/papers/${id}`, { ...KRAFT, caliperMm: 0.2, version: 1 });
    const again = await rowsOf<Job>(b, '/api/jobs');
    expect(again[0].makes[0].told).toEqual(told);
  });

  it('spreads in proportion to the hand', async () => {
    const b = bench();
    const hand = await post<{ id: string }>(b, '/api/hands', { name: 'Apprentice', missMm: 0.9 });
    const usual = await post<Job>(b, '/api/jobs', watchJob(null));
    const rough = await post<Job>(b, '/api/jobs', { ...watchJob(null), folderHandId: hand.id });
    for (const [key, { mm, sdMm }] of Object.entries(rough.makes[0].told!.sizes)) {
      expect(mm).toBe(usual.makes[0].told!.sizes[key].mm);
      expect(sdMm).toBeCloseTo(3 * usual.makes[0].told!.sizes[key].sdMm!, 9);
    }
  });

  it.each<[string, (make: JobDraft['makes'][number]['make']) => unknown, RegExp]>([
    ['a form that is not here', (make) => ({ ...make, formId: 'paper-moon' }), /No form is called/],
    ['constructor', (make) => ({ ...make, formId: 'constructor' }), /No form is called/],
    ['a lid some millimetres too small', (make) => smaller(make, 6), /.+/],
    ['a sheet that is not square', (make) => ({ ...make, entries: make.entries.map(oblong) }), /needs a square sheet/],
    ['an entry too few', (make) => ({ ...make, entries: make.entries.slice(1) }), /There is no sheet for “Tray”/],
    [
      'an entry too many',
      (make) => ({ ...make, entries: [...make.entries, { ...make.entries[1], key: 'spoon' }] }),
      /has no “spoon”/,
    ],
    ['an entry twice', (make) => ({ ...make, entries: [...make.entries, make.entries[1]] }), /called the same/],
    [
      'another piece',
      (make) => ({ ...make, entries: make.entries.map((e) => ({ ...e, pieceId: 'canoe' })) }),
      /not folded as/,
    ],
    ['more copies', (make) => ({ ...make, entries: make.entries.map((e) => ({ ...e, copies: 2 })) }), /1 times, not 2/],
    ['a wall that is a word', (make) => ({ ...make, params: { ...make.params, lid: 'silver' } }), /lid/],
  ])('is refused with the reason for %s, and nothing is kept', async (_, change, why) => {
    const b = bench();
    const { status, body } = await b.send('POST', '/api/jobs', {
      id: randomUUID(),
      ...withMake(watchJob(null), change),
    });
    expect(status).toBe(422);
    expect(problem.parse(body).issues).toMatchObject([
      { path: ['makes', 0, 'make'], message: expect.stringMatching(why) as string },
    ]);
    expect(await rowsOf(b, '/api/jobs')).toEqual([]);
  });

  it('is left as it was when only the name changes, and told anew for other sheets', async () => {
    const { b, begun } = await start();
    const { makes } = watchJob(null);
    const same = { title: 'Clock parts', folderHandId: null, makes: [{ ...makes[0], id: begun.makes[0].id }] };
    const renamed = await b.send('PUT', `/api/jobs/${begun.id}`, { ...same, version: 1 });
    expect(renamed).toMatchObject({ status: 200, body: { title: 'Clock parts', version: 2 } });
    expect(jobSchema.parse(renamed.body).makes).toEqual(begun.makes);
    const larger = withMake(same, (make) => smaller(make, -4));
    const changed = jobSchema.parse((await b.send('PUT', `/api/jobs/${begun.id}`, { ...larger, version: 2 })).body);
    const wide = 'lid/box.lengthMm';
    expect(changed.makes[0].told!.sizes[wide].mm).toBeGreaterThan(begun.makes[0].told!.sizes[wide].mm);
    expect(await b.send('PUT', `/api/jobs/${begun.id}`, { ...larger, version: 2 })).toMatchObject({
      status: 409,
      body: { current: { version: 3 } },
    });
  });

  it('needs a paper and a hand that are known', async () => {
    const b = bench();
    expect((await b.send('POST', '/api/jobs', { ...watchJob(randomUUID()), id: randomUUID() })).status).toBe(404);
    const strange = { ...watchJob(null), folderHandId: randomUUID(), id: randomUUID() };
    expect((await b.send('POST', '/api/jobs', strange)).status).toBe(404);
  });
});

function smaller(make: JobDraft['makes'][number]['make'], byMm: number): unknown {
  const entries = make.entries.map((entry) =>
    entry.key === 'lid'
      ? { ...entry, sheet: { widthMm: entry.sheet.widthMm - byMm, heightMm: entry.sheet.heightMm - byMm } }
      : entry,
  );
  return { ...make, entries };
}

const oblong = (entry: JobDraft['makes'][number]['make']['entries'][number]): unknown => ({
  ...entry,
  sheet: { ...entry.sheet, heightMm: entry.sheet.heightMm + 3 },
});

describe('a kit', () => {
  it('holds several makes, keeps their order, and lets one go', async () => {
    const b = bench();
    const [one, two] = [watchJob(null).makes[0], { ...watchJob(null).makes[0], count: 6 }];
    const kit = await post<Job>(b, '/api/jobs', { title: 'Kit', folderHandId: null, makes: [one, two] });
    expect(kit.makes.map(({ id, count }) => [id, count])).toEqual([
      [one.id, 1],
      [two.id, 6],
    ]);
    const turned = { title: 'Kit', folderHandId: null, makes: [two, one], version: 1 };
    const changed = jobSchema.parse((await b.send('PUT', `/api/jobs/${kit.id}`, turned)).body);
    expect(changed.makes.map(({ id }) => id)).toEqual([two.id, one.id]);
    const left = { ...turned, makes: [one], version: 2 };
    expect(jobSchema.parse((await b.send('PUT', `/api/jobs/${kit.id}`, left)).body).makes).toHaveLength(1);
    const other = { title: 'Thief', folderHandId: null, makes: [one], id: randomUUID() };
    expect((await b.send('POST', '/api/jobs', other)).status).toBe(409);
    expect(await rowsOf(b, '/api/jobs')).toHaveLength(1);
  });
});

describe('progress', () => {
  const tick = (b: Bench, makeId: string, done: string[], seconds: number, copy = 0) =>
    b.send('POST', `/api/makes/${makeId}/progress`, { copies: [{ entryKey: 'tray', copy, done, seconds }] });

  it('is merged, whichever device says it first, and a job that has some is on the table', async () => {
    const { b, begun, make } = await start();
    expect(begun.state).toBe('planned');
    await tick(b, make.id, ['half-across', 'half-up'], 40);
    const { body } = await tick(b, make.id, ['half-up', 'corners'], 30);
    expect(jobSchema.parse(body).state).toBe('folding');
    expect(progressOf(body)).toEqual([
      { entryKey: 'tray', copy: 0, done: ['half-across', 'half-up', 'corners'], seconds: 40 },
    ]);
    expect((await tick(b, make.id, ['half-across'], 5, 1)).status).toBe(422);
    const spoon = { copies: [{ entryKey: 'spoon', copy: 0, done: [], seconds: 1 }] };
    expect((await b.send('POST', `/api/makes/${make.id}/progress`, spoon)).status).toBe(422);
    expect(progressOf((await b.send('GET', `/api/jobs/${begun.id}`)).body)).toHaveLength(1);
    const cleared = await b.send('DELETE', `/api/makes/${make.id}/progress`);
    expect(progressOf(cleared.body)).toEqual([]);
    expect(jobSchema.parse(cleared.body).state).toBe('planned');
  });

  it('of a make that is not here is not found, and after its job was removed neither', async () => {
    const { b, begun, make } = await start();
    expect((await tick(b, randomUUID(), ['half-up'], 1)).status).toBe(404);
    await b.send('DELETE', `/api/jobs/${begun.id}`);
    expect((await tick(b, make.id, ['half-up'], 1)).status).toBe(404);
  });
});

describe('jobs in a list', () => {
  it('come in parts, the last changed first, each once; are found by what they say; and by their state', async () => {
    const b = bench();
    const titles = ['Älteste Knöpfe', 'Fuses', 'Watch parts', 'Seeds', 'Radio knobs'];
    for (const title of titles) await post<Job>(b, '/api/jobs', { ...watchJob(null), title });
    const seen: string[] = [];
    let next: string | null = '';
    while (next !== null) {
      const { body } = await b.send('GET', `/api/jobs?limit=2${next ? `&cursor=${next}` : ''}`);
      const part = body as { rows: Job[]; next: string | null; total: number };
      expect(part.total).toBe(titles.length);
      seen.push(...part.rows.map(({ title }) => title));
      next = part.next;
    }
    expect([...seen].sort()).toEqual([...titles].sort());
    const found = async (query: string): Promise<string[]> =>
      (await rowsOf<Job>(b, `/api/jobs?${query}`)).map(({ title }) => title);
    expect(await found('search=%C3%A4lteste+KN%C3%96')).toEqual(['Älteste Knöpfe']);
    expect(await found('search=square+tray')).toHaveLength(titles.length);
    expect(await found('search=fuses+radio')).toEqual([]);
    expect(await found('state=folding')).toEqual([]);
    const [{ makes }] = await rowsOf<Job>(b, '/api/jobs?search=seeds');
    await b.send('POST', `/api/makes/${makes[0].id}/progress`, {
      copies: [{ entryKey: 'tray', copy: 0, done: ['turn'], seconds: 9 }],
    });
    expect(await found('state=folding')).toEqual(['Seeds']);
    expect(await found('state=planned')).toHaveLength(titles.length - 1);
  });

  it.each(['limit=0', 'limit=501', 'limit=ten', 'cursor=nowhere', 'state=lost', `search=${'x'.repeat(201)}`])(
    'are not asked for by %s',
    async (query) => expect((await bench().send('GET', `/api/jobs?${query}`)).status).toBe(400),
  );

  it('are put away and fetched again, by their version', async () => {
    const { b, begun } = await start();
    const away = await b.send('POST', `/api/jobs/${begun.id}/archive`, { version: 1 });
    expect(away).toMatchObject({ status: 200, body: { version: 2, archivedAt: expect.any(String) as string } });
    expect(await rowsOf(b, '/api/jobs?archived=no')).toEqual([]);
    expect((await b.send('POST', `/api/jobs/${begun.id}/unarchive`, { version: 1 })).status).toBe(409);
    expect((await b.send('POST', `/api/jobs/${begun.id}/unarchive`, { version: 2 })).body).toMatchObject({
      archivedAt: null,
    });
  });
});

describe('the bin', () => {
  it('keeps what was removed until it is put back or thrown away for good', async () => {
    const { b, begun } = await start();
    const paper = await post<Paper>(b, '/api/papers', KRAFT);
    await b.send('DELETE', `/api/jobs/${begun.id}`);
    await b.send('DELETE', `/api/papers/${paper.id}`);
    const binned = (await b.send('GET', '/api/bin')).body as Binned[];
    // Both went within a moment: which was the last is not known.
    expect(binned.sort((p, q) => (p.kind < q.kind ? -1 : 1))).toMatchObject([
      { id: begun.id, kind: 'job', title: 'Watch parts' },
      { id: paper.id, kind: 'paper', title: KRAFT.name },
    ]);
    expect((await b.send('POST', `/api/papers/${paper.id}/restore`)).status).toBe(200);
    expect((await b.send('DELETE', `/api/bin/${paper.id}`)).status).toBe(404);
    expect((await b.send('DELETE', `/api/bin/${begun.id}`)).status).toBe(200);
    expect((await b.send('GET', '/api/bin')).body).toEqual([]);
    expect((await b.send('POST', `/api/jobs/${begun.id}/restore`)).status).toBe(404);
    expect(b.workshop.db.prepare('SELECT count(*) AS n FROM makes').get()).toEqual({ n: 0 });
  });
});

describe('time in single steps', () => {
  it('is kept by the ids of steps; of two devices the one that saw more of a step counts', async () => {
    const { b, make } = await start();
    const send = (stepSeconds?: Record<string, number>) =>
      b.send('POST', `/api/makes/${make.id}/progress`, {
        copies: [
          { entryKey: 'tray', copy: 0, done: ['half-across'], seconds: 30, ...(stepSeconds && { stepSeconds }) },
        ],
      });
    await send({ 'half-across': 12, turn: 4 });
    await send();
    const { body } = await send({ 'half-across': 9, corners: 20 });
    expect(progressOf(body)[0].stepSeconds).toEqual({ 'half-across': 12, turn: 4, corners: 20 });
  });
});

describe('copies folded together', () => {
  const seatsOf = (body: unknown) => jobSchema.parse(body).makes[0].batch.seats;
  const copy = (n: number) => ({ entryKey: 'tray', copy: n });

  it('begin one by one, with nobody’s name on them; how they are folded is kept beside who folds them', async () => {
    const { b, make } = await start();
    expect(make.batch).toEqual({ way: 'copies', gate: null, openTo: null, seats: [] });
    await b.send('POST', `/api/makes/${make.id}/seats`, { name: 'Blue chair', copies: [copy(0)] });
    const rules = { way: 'stages', gate: 'all', openTo: 0 };
    const { body, status } = await b.send('PUT', `/api/makes/${make.id}/batch`, rules);
    expect(status).toBe(200);
    expect(jobSchema.parse(body).makes[0].batch).toEqual({ ...rules, seats: [{ ...copy(0), name: 'Blue chair' }] });
    // The job's own version stays: nobody who has it open is told of a conflict.
    expect(jobSchema.parse(body).version).toBe(1);
  });

  it('go over to who takes them last, and can be given back', async () => {
    const { b, make } = await start();
    const to = (name: string | null) => b.send('POST', `/api/makes/${make.id}/seats`, { name, copies: [copy(0)] });
    await to('Blue chair');
    expect(seatsOf((await to('Window')).body)).toEqual([{ ...copy(0), name: 'Window' }]);
    expect(seatsOf((await to(null)).body)).toEqual([]);
  });

  it('keep who folds them when the job is changed, and are only those that there are', async () => {
    const { b, make, begun } = await start();
    await b.send('POST', `/api/makes/${make.id}/seats`, { name: 'Window', copies: [copy(0)] });
    const { makes, ...rest } = watchJob(null);
    const next = { ...rest, title: 'Other words', version: 1, makes: makes.map((one) => ({ ...one, id: make.id })) };
    const changed = await b.send('PUT', `/api/jobs/${begun.id}`, next);
    expect(changed.status).toBe(200);
    expect(seatsOf(changed.body)).toEqual([{ ...copy(0), name: 'Window' }]);
    const stray = await b.send('POST', `/api/makes/${make.id}/seats`, { name: 'Window', copies: [copy(7)] });
    expect(stray.status).toBe(422);
    expect((await b.send('PUT', `/api/makes/${make.id}/batch`, { way: 'by luck', gate: 0, openTo: -1 })).status).toBe(
      400,
    );
  });
});
