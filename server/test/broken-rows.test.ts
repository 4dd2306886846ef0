import type { BrokenRow, Job, Paper } from '@odd-corner/contract';
import { bench, type Bench, KRAFT, post, watchJob } from './workshop';

interface Part {
  readonly rows: readonly { readonly id: string }[];
  readonly broken: readonly BrokenRow[];
  readonly total: number;
}

/** Two rows in each list, and what belongs to the logbook. */
async function filled(): Promise<{ b: Bench; ids: Record<string, string> }> {
  const b = bench();
  const paper = await post<Paper>(b, '/api/papers', KRAFT);
  await post<Paper>(b, '/api/papers', { ...KRAFT, name: 'Other' });
  const thing = await post<{ id: string }>(b, '/api/things', { name: 'Fuse', purpose: { kind: 'liquid', ml: 50 } });
  await post(b, '/api/things', { name: 'Cup', purpose: { kind: 'liquid', ml: 50 } });
  const hand = await post<{ id: string }>(b, '/api/hands', { name: 'Ines', missMm: 0.2 });
  await post(b, '/api/hands', { name: 'Tomas', missMm: 0.4 });
  const job = await post<Job>(b, '/api/jobs', watchJob(paper.id));
  await post<Job>(b, '/api/jobs', watchJob(null));
  const entry = {
    ...{ jobId: job.id, makeId: job.makes[0].id, copies: 1, folderHandId: null, sheetsUsed: [], measured: {} },
    ...{ fits: null, minutes: null, note: '' },
  };
  const log = await post<{ id: string }>(b, '/api/log', entry);
  await post(b, '/api/log', entry);
  return { b, ids: { papers: paper.id, things: thing.id, hands: hand.id, jobs: job.id, log: log.id } };
}

describe('a row that cannot be read any more', () => {
  it.each([
    ['papers', "UPDATE papers SET kind = 'vellum' WHERE id = ?", /kind/],
    ['things', `UPDATE things SET purpose = '{"kind":"dream"}' WHERE id = ?`, /purpose/],
    ['hands', 'UPDATE hands SET miss_mm = 77 WHERE id = ?', /missMm/],
    ['jobs', "UPDATE jobs SET updated_at = '+10000-01-01T00:00:00.000Z' WHERE id = ?", /updatedAt/],
    [
      'jobs',
      `UPDATE makes SET asked = json_set(asked, '$.options.ease', 'airy') WHERE job_id = ?`,
      /asked\.options\.ease/,
    ],
    ['log', "UPDATE log_entries SET fits = 'sideways' WHERE id = ?", /fits/],
    ['log', `UPDATE log_entries SET make = '[]' WHERE id = ?`, /make/],
  ])(
    'of the %s is told as such (%s); all others come as ever; it can be removed and thrown away',
    async (list, sql, why) => {
      const { b, ids } = await filled();
      const id = ids[list];
      b.workshop.db.prepare(sql).run(id);
      const { status, body } = await b.send('GET', `/api/${list}`);
      expect(status).toBe(200);
      const { rows, broken, total } = body as Part;
      expect(rows).toHaveLength(1);
      expect(total).toBe(2);
      expect(broken).toMatchObject([{ id, why: expect.stringMatching(why) as string, row: { id } }]);
      if (list === 'jobs') expect((await b.send('GET', `/api/jobs/${id}`)).status).toBe(422);
      expect((await b.send('DELETE', `/api/${list}/${id}`)).status).toBe(200);
      expect(((await b.send('GET', `/api/${list}`)).body as Part).broken).toEqual([]);
      expect((await b.send('GET', '/api/bin')).body).toMatchObject([{ id }]);
      expect((await b.send('DELETE', `/api/bin/${id}`)).status).toBe(200);
    },
  );
});
