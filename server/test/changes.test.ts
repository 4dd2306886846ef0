import {
  change,
  CHANGES,
  type Change,
  type Job,
  PAGE_HEADER,
  type Paper,
  type RouteName,
  routes,
  TOPICS,
} from '@odd-corner/contract';
import { ChangesHub } from '../src/http/changes-hub';
import { openDatabase } from '../src/db/open-database';
import { openWorkshop } from '../src/db/workshop';
import { serverApp } from '../src/http/server-app';
import { bench, KRAFT, MIGRATIONS, post, usualServer, watchJob } from './workshop';

/** Events of a stream, as they come. */
async function* events(body: ReadableStream<Uint8Array>): AsyncGenerator<{ event: string; data: unknown }> {
  const reader = body.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      text += value;
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const lines = text.slice(0, end).split('\n');
        const said = Object.fromEntries(lines.map((line) => line.split(/: (.*)/s, 2))) as Record<string, string>;
        text = text.slice(end + 2);
        if (said['event']) yield { event: said['event'], data: JSON.parse(said['data']) };
      }
    }
  } finally {
    // As a page that is closed.
    await reader.cancel();
  }
}

describe('what changes', () => {
  it('is told to every page that is open, with whose change it is; what was refused is not', async () => {
    const hub = new ChangesHub();
    const b = bench({ hub });
    const told: Change[] = [];
    const end = hub.listen((one) => told.push(change.parse(one)));
    const { id } = await post<Paper>(b, '/api/papers', KRAFT);
    await b.send('PUT', `/api/papers/${id}`, { ...KRAFT, version: 9 });
    await b.send('PUT', `/api/papers/${id}`, { ...KRAFT, count: 9, version: 1 }, { [PAGE_HEADER]: 'the bench' });
    const job = await post<Job>(b, '/api/jobs', watchJob(id));
    await b.send('GET', '/api/jobs');
    await b.send('DELETE', `/api/jobs/${job.id}`);
    expect(told).toEqual([
      { topics: ['papers'], id: null, by: null, n: 1 },
      { topics: ['papers'], id, by: 'the bench', n: 2 },
      { topics: ['jobs'], id: null, by: null, n: 3 },
      { topics: ['jobs', 'papers'], id: job.id, by: null, n: 4 },
    ]);
    end();
    await post(b, '/api/papers', KRAFT);
    expect(told).toHaveLength(4);
  });

  it('is said of every route that writes', () => {
    const silent = new Set<RouteName>(['signIn', 'signOut', 'addBackup', 'bringIn', 'dropIncoming']);
    for (const [name, { method }] of Object.entries(routes) as [RouteName, { method: string }][])
      expect([name, name in CHANGES]).toEqual([name, method !== 'GET' && !silent.has(name)]);
    for (const topics of Object.values(CHANGES)) for (const topic of topics) expect(TOPICS).toContain(topic);
  });

  it('is streamed as it happens, the count of changes first, and ends with the page', async () => {
    const hub = new ChangesHub();
    const app = serverApp(openWorkshop(openDatabase(':memory:', MIGRATIONS)), { ...usualServer(), hub });
    hub.done('addPaper', null, null);
    const asked = new Request('http://localhost:4377/api/changes', {
      headers: { host: 'localhost:4377', 'accept-encoding': 'gzip' },
    });
    const answer = await app.fetch(asked);
    expect(answer.headers.get('content-type')).toContain('text/event-stream');
    // A stream that is compressed is held back.
    expect(answer.headers.get('content-encoding')).toBeNull();
    const stream = events(answer.body!);
    expect((await stream.next()).value).toEqual({ event: 'begun', data: { n: 1 } });
    expect(hub.listening).toBe(1);
    hub.done('changeSettings', null, 'another');
    expect((await stream.next()).value).toEqual({
      event: 'change',
      data: { topics: ['settings'], id: null, by: 'another', n: 2 },
    });
    await stream.return(undefined);
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(hub.listening).toBe(0);
  });
});

describe('answers', () => {
  it('are compressed where they are long and the asker can read that', async () => {
    const b = bench();
    for (let k = 0; k < 20; k++) await post(b, '/api/papers', { ...KRAFT, name: `Paper ${k}` });
    const asked = (path: string, encoding: string) => b.send('GET', path, undefined, { 'accept-encoding': encoding });
    expect((await asked('/api/papers', 'gzip')).response.headers.get('content-encoding')).toBe('gzip');
    expect((await asked('/api/papers', 'identity')).response.headers.get('content-encoding')).toBeNull();
    expect((await asked('/api/settings', 'gzip')).response.headers.get('content-encoding')).toBeNull();
  });
});

describe('the description of the routes', () => {
  it('names each of them once, with what goes in and out, and is made from the table', async () => {
    const { status, body } = await bench().send('GET', '/api/openapi.json');
    expect(status).toBe(200);
    const { paths } = body as { paths: Record<string, Record<string, { operationId: string; requestBody?: unknown }>> };
    const told = Object.entries(paths).flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, { operationId, requestBody }]) => [
        operationId,
        method,
        path,
        !!requestBody,
      ]),
    );
    const table = Object.entries(routes).map(([name, route]) => [
      name,
      route.method.toLowerCase(),
      route.path.replace(':id', '{id}'),
      'body' in route || 'takes' in route,
    ]);
    expect(told.sort()).toEqual(table.sort());
  });
});
