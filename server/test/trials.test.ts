import {
  type Job,
  type LogEntry,
  MOST_PHOTOGRAPHS,
  type NewTrial,
  type Paper,
  type Photograph,
  type Problem,
  trial as trialSchema,
  type Trial,
} from '@odd-corner/contract';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { bench, type Bench, KRAFT, post, rowsOf, watchJob } from './workshop';

const start = async (): Promise<{ b: Bench; job: Job; paper: Paper; draft: (more?: object) => NewTrial }> => {
  const b = bench();
  const paper = await post<Paper>(b, '/api/papers', { ...KRAFT, count: 4 });
  const job = await post<Job>(b, '/api/jobs', watchJob(paper.id));
  const draft = (more: object = {}): NewTrial => ({
    ...{ id: randomUUID(), kind: 'pour', title: job.title, make: job.makes[0].make, jobId: job.id },
    ...{ makeId: job.makes[0].id, entryId: null, what: 'Dice of 16 mm', paperId: paper.id, folderHandId: null },
    ...{ asked: { shape: 'block', mm: '16 16 16', shaken: false }, unit: 'pieces', guess: 20, truth: null },
    ...{ foretold: { least: 18, likely: 21, most: 24 }, role: 'Sorter', note: '' },
    ...more,
  });
  return { b, job, paper, draft };
};

describe('trials', () => {
  it('keep what was guessed and told, and take what came later', async () => {
    const { b, draft } = await start();
    const sent = draft();
    const kept = trialSchema.parse(await post(b, '/api/trials', sent));
    expect(kept).toMatchObject({ ...sent, version: 1 });
    expect((await b.send('POST', '/api/trials', sent)).status).toBe(200);
    expect((await b.send('POST', '/api/trials', { ...sent, guess: 30 })).status).toBe(409);
    const came = { ...kept, truth: 22, note: 'The last one lay on top.' };
    const changed = await b.send('PUT', `/api/trials/${kept.id}`, came);
    expect(changed.body).toMatchObject({ guess: 20, truth: 22, version: 2 });
    expect((await b.send('PUT', `/api/trials/${kept.id}`, came)).status).toBe(409);
  });

  it('are found by kind, form, job and words, and lie in the bin when they are taken out', async () => {
    const { b, job, draft } = await start();
    const [poured, soaked] = [
      draft(),
      draft({ kind: 'soak', unit: 'minutes', what: 'A basin', note: 'Waxed outside' }),
    ];
    for (const one of [poured, soaked]) await post(b, '/api/trials', one);
    const ids = async (query: string): Promise<string[]> =>
      (await rowsOf<Trial>(b, `/api/trials?${query}`)).map(({ id }) => id);
    expect(await ids('kind=soak')).toEqual([soaked.id]);
    expect(await ids(`job=${job.id}`)).toHaveLength(2);
    expect(await ids('form=hat-boat')).toEqual([]);
    expect(await ids('search=WAXED')).toEqual([soaked.id]);
    await b.send('DELETE', `/api/trials/${soaked.id}`);
    expect(await ids('')).toEqual([poured.id]);
    expect((await b.send('GET', '/api/bin')).body).toMatchObject([{ id: soaked.id, kind: 'trial' }]);
    await b.send('POST', `/api/trials/${soaked.id}/restore`);
    expect(await ids('')).toHaveLength(2);
  });

  it('outlive their job, and name nothing that is not here', async () => {
    const { b, job, draft } = await start();
    const kept = await post<Trial>(b, '/api/trials', draft());
    await b.send('DELETE', `/api/jobs/${job.id}`);
    await b.send('DELETE', `/api/bin/${job.id}`);
    expect(await rowsOf(b, '/api/trials')).toEqual([{ ...kept, jobId: null, makeId: null }]);
    for (const more of [{ jobId: randomUUID() }, { paperId: randomUUID() }, { entryId: randomUUID() }])
      expect((await b.send('POST', '/api/trials', draft({ jobId: null, makeId: null, ...more }))).status).toBe(404);
    const wrong = await b.send('POST', '/api/trials', draft({ foretold: { least: 9, likely: 3, most: 12 } }));
    expect(wrong.status).toBe(400);
    expect((wrong.body as Problem).issues?.[0].path).toEqual(['foretold']);
  });
});

/** A photograph as a camera writes it: larger than is kept, lying on its side, with the place where it was taken. */
const photographed = async (): Promise<Buffer> =>
  sharp({ create: { width: 2400, height: 1200, channels: 3, background: '#b98d5b' } })
    .withExif({ IFD0: { Make: 'A camera' }, IFD3: { GPSLatitude: '50/1 21/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();

describe('photographs', () => {
  const send = async (b: Bench, of: string, id: string, picture: Buffer, own = randomUUID()) => {
    const response = await b.bytes('POST', `/api/photographs/${own}?of=${of}&id=${id}`, picture);
    return { status: response.status, body: await response.json(), id: own };
  };

  it('are kept upright, smaller, and without where and by what they were taken', async () => {
    const { b, job } = await start();
    const picture = await photographed();
    expect((await sharp(picture).metadata()).exif).toBeDefined();
    const { status, body, id } = await send(b, 'job', job.id, picture);
    expect(status).toBe(201);
    expect(body as Photograph).toMatchObject({ of: 'job', ofId: job.id, width: 800, height: 1600, words: '' });
    const response = await b.bytes('GET', `/api/photographs/${id}`);
    expect(response.headers.get('content-type')).toBe('image/webp');
    const kept = await sharp(Buffer.from(await response.arrayBuffer())).metadata();
    expect(kept).toMatchObject({ format: 'webp', width: 800, height: 1600 });
    expect([kept.exif, kept.xmp, kept.iptc, kept.orientation]).toEqual([undefined, undefined, undefined, undefined]);
  });

  it('are of a job, an entry or a trial, said in words, and gone with it', async () => {
    const { b, job, draft } = await start();
    const picture = await photographed();
    const { id: trialId } = await post<Trial>(b, '/api/trials', draft());
    const entry = await post<LogEntry>(b, '/api/log', {
      ...{ id: randomUUID(), jobId: job.id, makeId: job.makes[0].id, copies: 1, folderHandId: null, fits: null },
      ...{ minutes: null, note: '', sheetsUsed: [], measured: {} },
    });
    const sent = [
      await send(b, 'trial', trialId, picture),
      await send(b, 'entry', entry.id, picture),
      await send(b, 'job', job.id, picture),
    ];
    expect((await b.send('PUT', `/api/photographs/${sent[0].id}`, { words: 'Dice heaped up' })).body).toMatchObject({
      words: 'Dice heaped up',
    });
    await b.send('DELETE', `/api/trials/${trialId}`);
    await b.send('DELETE', `/api/bin/${trialId}`);
    await b.send('DELETE', `/api/photographs/${sent[1].id}`);
    const statuses = await Promise.all(
      sent.map(async ({ id }) => (await b.send('GET', `/api/photographs/${id}`)).status),
    );
    expect(statuses).toEqual([404, 404, 200]);
  });

  it('that are none, too many, or of nothing are refused', async () => {
    const { b, job } = await start();
    const words = async (of: string, id: string, picture: Buffer): Promise<readonly [number, string]> => {
      const { status, body } = await send(b, of, id, picture);
      return [status, (body as Problem).detail ?? ''];
    };
    expect((await words('job', job.id, Buffer.from('not a picture')))[0]).toBe(422);
    const picture = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
    expect((await words('job', randomUUID(), picture))[0]).toBe(404);
    for (let k = 0; k < MOST_PHOTOGRAPHS; k++) expect((await words('job', job.id, picture))[0]).toBe(201);
    expect(await words('job', job.id, picture)).toEqual([422, expect.stringContaining('Remove one first')]);
  });
});
