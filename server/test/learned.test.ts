import { type Job, type Learned, learned as schema, type LogEntry, type Paper } from '@odd-corner/contract';
import { randomUUID } from 'node:crypto';
import { bench, type Bench, KRAFT, learnHere, post, usualServer, watchJob } from './workshop';

/** A workshop in which one hand has folded trays that came out off by so much. */
async function folded(offs: readonly number[]): Promise<{ b: Bench; paper: Paper; asked: () => number; job: Job }> {
  let asked = 0;
  const b = bench({
    learn: (what) => {
      asked++;
      return learnHere(what);
    },
  });
  const paper = await post<Paper>(b, '/api/papers', { ...KRAFT, count: 40 });
  const job = await post<Job>(b, '/api/jobs', watchJob(paper.id));
  const { sizes } = job.makes[0].told!;
  for (const off of offs)
    await post<LogEntry>(b, '/api/log', {
      ...{ id: randomUUID(), jobId: job.id, makeId: job.makes[0].id, copies: 1, folderHandId: null, fits: null },
      ...{ minutes: 30, note: '', sheetsUsed: [{ paperId: paper.id, sheets: 1 }] },
      measured: Object.fromEntries(
        ['lengthMm', 'depthMm'].map((name) => [`tray/box.${name}`, sizes[`tray/box.${name}`].mm + off]),
      ),
    });
  return { b, paper, job, asked: () => asked };
}

const ask = async (b: Bench): Promise<Learned> => schema.parse((await b.send('GET', '/api/learned')).body);

describe('what the logbook says of a hand', () => {
  it('is nothing to begin with', async () => {
    const b = bench();
    expect(await ask(b)).toEqual({
      hands: [{ handId: null, pieces: 0, any: null, papers: {}, pace: null }],
      papers: [],
    });
  });

  it('follows what was measured, by hand and paper, with its time', async () => {
    const { b, paper } = await folded([-1.2, -1, -1.1, -0.9]);
    const [usual] = (await ask(b)).hands;
    expect(usual.pieces).toBe(4);
    expect(usual.papers[paper.id].leanMm).toBeLessThan(-0.1);
    expect(usual.papers[paper.id].forms['square-tray-and-eared-lid'].pieces).toBe(4);
    expect(usual.pace).toMatchObject({ pieces: 4 });
    const [thick] = (await ask(b)).papers;
    expect(thick).toMatchObject({ paperId: paper.id, pieces: 4 });
    expect(Math.abs(thick.caliperMm - KRAFT.caliperMm!)).toBeLessThan(0.02);
  });

  it('follows the time in single steps of copies that are in the logbook, once each', async () => {
    const { b, job } = await folded([]);
    const steps = async () => (await ask(b)).hands[0].pace?.steps ?? {};
    const copies = ['tray', 'lid'].map((entryKey) => ({
      ...{ entryKey, copy: 0, done: ['turn'], seconds: 90 },
      stepSeconds: { turn: 20, corners: 60 },
    }));
    const sent = await b.send('POST', `/api/makes/${job.makes[0].id}/progress`, { copies });
    expect(sent).toMatchObject({ status: 200 });
    expect(await steps()).toEqual({});
    const write = () =>
      post<LogEntry>(b, '/api/log', {
        ...{ id: randomUUID(), jobId: job.id, makeId: job.makes[0].id, copies: 1, folderHandId: null, fits: null },
        ...{ minutes: 30, note: '', sheetsUsed: [], measured: {} },
      });
    await write();
    const { turn, corners } = (await steps())['square-tray-and-eared-lid'];
    expect(turn.copies).toBe(2);
    expect(corners.times / turn.times).toBeGreaterThan(1.2);
    // Shrunk towards even: two copies do not prove three times as long.
    expect(corners.times / turn.times).toBeLessThan(3);
    await write();
    expect((await steps())['square-tray-and-eared-lid']['turn'].copies).toBe(2);
  });

  it('is worked out once for as long as nothing has changed that it follows from', async () => {
    const { b, job, asked } = await folded([0.2]);
    const [one, other] = [await ask(b), await ask(b)];
    expect(other).toEqual(one);
    expect(asked()).toBe(1);
    // A title says nothing of a hand.
    await b.send('POST', `/api/jobs/${job.id}/archive`, { version: job.version });
    await ask(b);
    expect(asked()).toBe(1);
    await b.send('POST', '/api/hands', { id: randomUUID(), name: 'Sorter', missMm: 0.5 });
    expect((await ask(b)).hands).toHaveLength(2);
    expect(asked()).toBe(2);
  });

  it('that could not be worked out is tried again', async () => {
    const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    let fails = true;
    const b = bench({
      learn: (what) => (fails ? Promise.reject(new Error('The thread ended.')) : usualServer().learn(what)),
    });
    expect((await b.send('GET', '/api/learned')).status).toBe(500);
    expect(said).toHaveBeenCalled();
    said.mockRestore();
    fails = false;
    expect((await b.send('GET', '/api/learned')).status).toBe(200);
  });
});
