import { type Paper, paper, problem, USUAL_SETTINGS } from '@odd-corner/contract';
import { CURRENCIES, parsePurpose } from '@odd-corner/core';
import * as fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { bench, KRAFT, post, rowsOf, watchJob } from './workshop';

describe('papers on the shelf', () => {
  it('come back as they were written', async () => {
    const b = bench();
    const added = paper.parse(await post<Paper>(b, '/api/papers', KRAFT));
    expect(added).toMatchObject({ ...KRAFT, version: 1, reserved: 0 });
    expect(await rowsOf(b, '/api/papers')).toEqual([added]);
  });

  it('are found by their names, whatever letters these have, in parts and in order', async () => {
    const b = bench();
    for (const name of ['Überpapier', 'kraft roll', 'Kraft A3', 'Šedý KRAFT'])
      await post<Paper>(b, '/api/papers', { ...KRAFT, name });
    const names = async (query: string): Promise<string[]> =>
      (await rowsOf<Paper>(b, `/api/papers?${query}`)).map(({ name }) => name);
    expect(await names('search=%C3%BCBER')).toEqual(['Überpapier']);
    expect(await names('search=KRAFT+%C5%A1')).toEqual(['Šedý KRAFT']);
    expect(await names('')).toEqual(['Kraft A3', 'kraft roll', 'Überpapier', 'Šedý KRAFT']);
    const { next } = (await b.send('GET', '/api/papers?limit=2')).body as { next: string };
    expect(await names(`limit=2&cursor=${next}`)).toEqual(['Überpapier', 'Šedý KRAFT']);
  });

  it('keep any price that a schema allows, or none', () =>
    fc.assert(
      fc.asyncProperty(
        fc.option(
          fc.record({
            minor: fc.nat(100_000_000),
            currency: fc.constantFrom(...CURRENCIES),
            sheets: fc.integer({ min: 1, max: 100_000 }),
          }),
        ),
        async (price) => {
          const b = bench();
          const { id } = await post<Paper>(b, '/api/papers', { ...KRAFT, price });
          expect(await rowsOf(b, '/api/papers')).toMatchObject([{ price }]);
          const back = price ? null : { minor: 1, currency: 'EUR', sheets: 1 };
          await b.send('PUT', `/api/papers/${id}`, { ...KRAFT, price: back, version: 1 });
          expect(await rowsOf(b, '/api/papers')).toMatchObject([{ price: back, version: 2 }]);
        },
      ),
      { numRuns: 15 },
    ));

  it('a write based on an old reading gets 409 and the row as it stands', async () => {
    const b = bench();
    const { id } = await post<Paper>(b, '/api/papers', KRAFT);
    const first = await b.send('PUT', `/api/papers/${id}`, { ...KRAFT, count: 9, version: 1 });
    expect(first).toMatchObject({ status: 200, body: { count: 9, version: 2 } });
    const second = await b.send('PUT', `/api/papers/${id}`, { ...KRAFT, count: 5, version: 1 });
    expect(second).toMatchObject({ status: 409, body: { status: 409, current: { count: 9, version: 2 } } });
  });

  it('can be removed and put back', async () => {
    const b = bench();
    const { id } = await post<Paper>(b, '/api/papers', KRAFT);
    expect((await b.send('DELETE', `/api/papers/${id}`)).status).toBe(200);
    expect(await rowsOf(b, '/api/papers')).toEqual([]);
    expect((await b.send('DELETE', `/api/papers/${id}`)).status).toBe(404);
    expect((await b.send('POST', `/api/papers/${id}/restore`)).body).toMatchObject({ name: KRAFT.name });
  });

  it.each([
    [{ count: -1 }, ['count']],
    [{ count: 1.5 }, ['count']],
    [{ gsm: 0 }, ['gsm']],
    [{ name: '   ' }, ['name']],
    [{ colourFront: 'blue' }, ['colourFront']],
    [{ kind: 'marble' }, ['kind']],
    [{ widthMm: null }, ['widthMm']],
    [{ price: { minor: 1.5, currency: 'EUR', sheets: 1 } }, ['price', 'minor']],
    [{ price: { minor: 1, currency: 'XXX', sheets: 1 } }, ['price', 'currency']],
    [{ price: { minor: 1, currency: 'EUR', sheets: 0 } }, ['price', 'sheets']],
  ])('refuses %j beside its field', async (wrong, path) => {
    const { status, body, response } = await bench().send('POST', '/api/papers', {
      ...KRAFT,
      id: randomUUID(),
      ...wrong,
    });
    expect(status).toBe(400);
    expect(response.headers.get('content-type')).toContain('application/problem+json');
    expect(problem.parse(body).issues?.[0]).toMatchObject({ path });
  });
});

describe('what is sent twice', () => {
  const WATCH = watchJob(null);
  const THING = { name: 'Fuses', purpose: parsePurpose('42 x 38 x 20') };

  it.each([
    ['papers', KRAFT, { ...KRAFT, count: 4 }],
    ['papers', { ...KRAFT, price: { minor: 7, currency: 'EUR', sheets: 2 } }, KRAFT],
    ['things', THING, { ...THING, name: 'Other fuses' }],
    ['hands', { name: 'Ines', missMm: 0.25 }, { name: 'Ines', missMm: 0.3 }],
    ['jobs', WATCH, { ...WATCH, title: 'Other parts' }],
  ])('is counted once among the %s; other content under its id is refused', async (list, draft, other) => {
    const b = bench();
    const id = randomUUID();
    const all = await Promise.all(Array.from({ length: 20 }, () => b.send('POST', `/api/${list}`, { id, ...draft })));
    expect(all.map(({ status }) => status).sort()).toEqual([...Array.from({ length: 19 }, () => 200), 201]);
    for (const { body } of all) expect(body).toEqual(all[0].body);
    expect(await rowsOf(b, `/api/${list}`)).toEqual([all[0].body]);
    const refused = await b.send('POST', `/api/${list}`, { id, ...other });
    expect(refused).toMatchObject({ status: 409, body: { current: all[0].body } });
    await b.send('DELETE', `/api/${list}/${id}`);
    expect((await b.send('POST', `/api/${list}`, { id, ...draft })).status).toBe(409);
    expect(await rowsOf(b, `/api/${list}`)).toEqual([]);
  });

  it.each(['papers', 'things', 'jobs', 'log', 'hands'])('must bring its id to be added to the %s', async (list) => {
    const { status, body } = await bench().send('POST', `/api/${list}`, { ...KRAFT, ...THING, ...watchJob(null) });
    expect(status).toBe(400);
    expect(problem.parse(body).issues?.map(({ path }) => path[0])).toContain('id');
  });
});

describe('a text with half of a character', () => {
  it.each([
    ['papers', { ...KRAFT, name: `${'x'.repeat(78)}\ud83d` }, ['name']],
    ['jobs', { ...watchJob(null), title: '\ude00 parts' }, ['title']],
    [
      'things',
      { name: 'Fuses', purpose: parsePurpose('a 1 x 2 x 3, b\udfff 4 x 5 x 6') },
      ['purpose', 'pieces', 1, 'name'],
    ],
  ])('is refused for %s, beside its field; a whole one is kept', async (list, draft, path) => {
    const b = bench();
    const { status, body } = await b.send('POST', `/api/${list}`, { id: randomUUID(), ...draft });
    expect(status).toBe(400);
    expect(problem.parse(body).issues).toMatchObject([{ path }]);
    expect(await rowsOf(b, `/api/${list}`)).toEqual([]);
  });

  it('is told from a whole one', async () => {
    const b = bench();
    const name = `Überseepapier ${String.fromCodePoint(0x1f600)}`;
    const { id } = await post<Paper>(b, '/api/papers', { ...KRAFT, name });
    expect(await rowsOf(b, '/api/papers')).toMatchObject([{ id, name }]);
  });
});

describe('things', () => {
  it('are added, changed, removed and put back', async () => {
    const b = bench();
    const draft = { name: 'Fuses', purpose: parsePurpose('a dozen fuses 42 x 38 x 20, 2 rings ø20 x 3') };
    const { id } = await post<{ id: string }>(b, '/api/things', draft);
    expect((await b.send('PUT', `/api/things/${id}`, { ...draft, name: 'Lamp fuses', version: 1 })).body).toMatchObject(
      { name: 'Lamp fuses', version: 2 },
    );
    expect((await b.send('PUT', `/api/things/${id}`, { ...draft, version: 1 })).status).toBe(409);
    await b.send('DELETE', `/api/things/${id}`);
    expect(await rowsOf(b, '/api/things')).toEqual([]);
    expect(await b.send('POST', `/api/things/${id}/restore`)).toMatchObject({
      status: 200,
      body: { name: 'Lamp fuses', purpose: draft.purpose },
    });
  });

  it.each([
    [{ kind: 'hold', pieces: [] }, ['purpose', 'pieces']],
    [{ kind: 'bead', diameterMm: 0 }, ['purpose', 'diameterMm']],
    [{ kind: 'dream' }, ['purpose', 'kind']],
    [
      { kind: 'loose', piece: { name: 'x', count: 0.5, thing: { shape: 'ball', diameterMm: 4 } } },
      ['purpose', 'piece', 'count'],
    ],
  ])('are refused when they are for %j', async (purpose, path) => {
    const { status, body } = await bench().send('POST', '/api/things', { id: randomUUID(), name: 'Odd', purpose });
    expect(status).toBe(400);
    expect(problem.parse(body).issues?.[0]).toMatchObject({ path });
  });
});

describe('the door', () => {
  it.each([
    [{ host: 'evil.example' }, 'GET'],
    [{ host: 'localhost.evil.example:4377' }, 'GET'],
    [{ origin: 'http://evil.example' }, 'POST'],
    [{ origin: 'null' }, 'POST'],
    [{ 'sec-fetch-site': 'cross-site' }, 'POST'],
  ])('stays shut for %j', async (headers, method) => {
    const { status } = await bench().send(method, '/api/papers', method === 'POST' ? KRAFT : undefined, headers);
    expect(status).toBe(403);
  });

  it('takes JSON only, of sensible size', async () => {
    const b = bench();
    expect((await b.send('POST', '/api/papers', 'name=x', { 'content-type': 'text/plain' })).status).toBe(415);
    expect((await b.send('POST', '/api/papers', '{"name":')).status).toBe(400);
    expect((await b.send('POST', '/api/papers', { ...KRAFT, name: 'x'.repeat(300_000) })).status).toBe(413);
  });

  it('says which methods an address answers', async () => {
    const b = bench();
    for (const [method, path, allow] of [
      ['PATCH', '/api/papers', 'GET, HEAD, POST'],
      ['PUT', '/api/log', 'GET, HEAD, POST'],
      ['POST', `/api/jobs/${randomUUID()}`, 'DELETE, GET, HEAD, PUT'],
      ['GET', `/api/makes/${randomUUID()}/cut`, 'PUT'],
      ['DELETE', '/api/health', 'GET, HEAD'],
    ] as const) {
      const { status, body, response } = await b.send(method, path);
      expect(status).toBe(405);
      expect(response.headers.get('allow')).toBe(allow);
      expect(problem.parse(body).status).toBe(405);
    }
    expect((await b.send('HEAD', '/api/papers')).status).toBe(200);
  });

  it('answers unknown addresses and ids in the one error shape', async () => {
    const b = bench();
    for (const path of ['/api/nothing', '/api/jobs/1', `/api/jobs/${randomUUID()}`]) {
      const { status, body } = await b.send('GET', path);
      expect(status).toBe(404);
      expect(problem.parse(body).status).toBe(404);
    }
  });
});

describe('settings', () => {
  it('that do not exist any more are as usual, and all others as they were', async () => {
    const b = bench();
    b.workshop.db.exec("UPDATE settings SET hand = 'left', unit = 'in', page = 'Foolscap'");
    expect((await b.send('GET', '/api/settings')).body).toEqual({ ...USUAL_SETTINGS, unit: 'in', version: 1 });
  });

  it('change by version', async () => {
    const b = bench();
    const { body } = await b.send('GET', '/api/settings');
    expect(
      (await b.send('PUT', '/api/settings', { ...(body as object), unit: 'in', hand: 'exact' })).body,
    ).toMatchObject({
      unit: 'in',
      version: 2,
    });
    expect((await b.send('PUT', '/api/settings', body)).status).toBe(409);
    for (const wrong of [{ unit: 'cubit' }, { hand: 'third' }])
      expect((await b.send('PUT', '/api/settings', { ...(body as object), ...wrong })).status).toBe(400);
  });
});
