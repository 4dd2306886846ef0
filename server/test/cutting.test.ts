import type {
  CuttingPlanKept,
  Job,
  Listed,
  LogEntry,
  NewCuttingPlan,
  Paper,
  PaperMonth,
  Problem,
} from '@odd-corner/contract';
import { USUAL_CUTTING } from '@odd-corner/contract';
import * as fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { bench, type Bench, KRAFT, post, watchJob } from './workshop';

const ROOT = '/api/cutting-plans';

async function kraft(b: Bench, more: Partial<typeof KRAFT> = {}): Promise<Paper> {
  return post<Paper>(b, '/api/papers', { ...KRAFT, ...more, id: randomUUID() });
}

/** So many sheets of a paper, each parted in the middle; what is beyond a strip is left over. */
function planFor(paper: Paper, sheets: number, more: Partial<NewCuttingPlan> = {}): NewCuttingPlan {
  const { widthMm, heightMm } = paper;
  const piece = { xMm: 0, yMm: 0, widthMm: 200, heightMm };
  return {
    ...{ id: randomUUID(), title: 'Ticket pockets', options: USUAL_CUTTING, missing: [0] },
    lines: [
      {
        ...{ name: 'Pocket', widthMm: 200, heightMm, count: sheets, mayTurn: true, grain: null, papers: null },
        ...{ makeId: null, entryKey: null },
      },
    ],
    parents: [
      {
        ...{ id: randomUUID(), paperId: paper.id, sheets },
        sheet: { name: paper.name, widthMm, heightMm, caliperMm: 0.12 },
        pieces: [{ ...piece, line: 0, turned: false }],
        cuts: [{ piece: { xMm: 0, yMm: 0, widthMm, heightMm }, runs: 'upright', atMm: 200 }],
        offcuts: [{ xMm: 200, yMm: 0, widthMm: widthMm - 200, heightMm }],
      },
    ],
    proof: { aim: 'paper', value: sheets * widthMm * heightMm, least: null, sheets, leastSheets: null, whole: true },
    ...more,
  };
}

const shelf = async (b: Bench): Promise<Paper[]> =>
  ((await b.send('GET', '/api/papers')) as unknown as { body: Listed<Paper> }).body.rows;

async function tick(b: Bench, plan: CuttingPlanKept, done: boolean, k = 0): Promise<{ status: number; body: never }> {
  return b.send('POST', `${ROOT}/${plan.id}/cut`, { version: plan.version, parentId: plan.parents[k].id, done });
}

describe('cutting plans of several', () => {
  it('reserve, take, give offcuts, and all of it back', async () => {
    const b = bench();
    const paper = await kraft(b);
    const kept = await post<CuttingPlanKept>(b, ROOT, planFor(paper, 2));
    expect((await shelf(b))[0]).toMatchObject({ count: 3, reserved: 2 });
    const cut = (await tick(b, kept, true)).body as CuttingPlanKept;
    expect(cut.parents[0].done).toBe(true);
    const offcut = (await shelf(b)).find((one) => one.offcut)!;
    expect(offcut).toMatchObject({ widthMm: 220, heightMm: 297, count: 2, offcutOf: paper.id, gsm: 90 });
    expect((await shelf(b)).find(({ id }) => id === paper.id)).toMatchObject({ count: 1, reserved: 0 });
    expect((await tick(b, cut, true)).status).toBe(422);
    const back = (await tick(b, cut, false)).body as CuttingPlanKept;
    expect(await shelf(b)).toMatchObject([{ id: paper.id, count: 3, reserved: 2 }]);
    await b.send('DELETE', `${ROOT}/${back.id}`);
    expect((await shelf(b))[0].reserved).toBe(0);
    const restored = await b.send('POST', `${ROOT}/${back.id}/restore`);
    expect(restored.status).toBe(200);
    expect((await shelf(b))[0].reserved).toBe(2);
  });

  it('put offcuts of one size together, and do not take back what was used since', async () => {
    const b = bench();
    const paper = await kraft(b, { count: 9 });
    const [first, second] = [
      await post<CuttingPlanKept>(b, ROOT, planFor(paper, 2)),
      await post<CuttingPlanKept>(b, ROOT, planFor(paper, 3)),
    ];
    const cut = (await tick(b, first, true)).body as CuttingPlanKept;
    await tick(b, second, true);
    const offcuts = (await shelf(b)).filter((one) => one.offcut);
    expect(offcuts).toMatchObject([{ count: 5 }]);
    const { reserved: _, id, ...draft } = offcuts[0];
    await b.send('PUT', `/api/papers/${id}`, { ...draft, count: 1 });
    const refused = await tick(b, cut, false);
    expect(refused.status).toBe(422);
    expect((refused.body as Problem).detail).toContain('was used since');
    expect((await shelf(b)).find((one) => one.id === paper.id)?.count).toBe(4);
  });

  it('let one of two have the last sheet, and tell the other', async () => {
    const b = bench();
    const paper = await kraft(b, { count: 1 });
    const both = await Promise.all([1, 2].map(() => b.send('POST', ROOT, planFor(paper, 1))));
    expect(both.map(({ status }) => status).sort()).toEqual([201, 422]);
    const refused = both.find(({ status }) => status === 422)!.body as Problem;
    expect(refused.detail).toBe('“Kraft A3” has 1 on the shelf, 1 of them kept for other jobs; this takes 1.');
  });

  it('are there once when they are sent twice', async () => {
    const b = bench();
    const plan = planFor(await kraft(b), 1);
    expect((await b.send('POST', ROOT, plan)).status).toBe(201);
    expect((await b.send('POST', ROOT, plan)).status).toBe(200);
    expect((await b.send('POST', ROOT, { ...plan, title: 'Other' })).status).toBe(409);
    expect((await shelf(b))[0].reserved).toBe(1);
  });

  it('are planned anew around what is cut already', async () => {
    const b = bench();
    const paper = await kraft(b, { count: 4 });
    const { parents, ...plan } = planFor(paper, 1);
    const two = [parents[0], { ...parents[0], id: randomUUID() }];
    const kept = await post<CuttingPlanKept>(b, ROOT, { ...plan, parents: two });
    const cut = (await tick(b, kept, true)).body as CuttingPlanKept;
    const { missing, proof } = plan;
    const next = { version: cut.version, missing, proof, parents: [{ ...parents[0], id: randomUUID(), sheets: 3 }] };
    const anew = (await b.send('PUT', `${ROOT}/${kept.id}`, next)).body as CuttingPlanKept;
    expect(anew.parents.map(({ done, sheets }) => [done, sheets])).toEqual([
      [true, 1],
      [false, 3],
    ]);
    expect((await b.send('PUT', `${ROOT}/${kept.id}`, next)).status).toBe(409);
    const [piece] = parents[0].pieces;
    const stray = { ...parents[0], id: randomUUID(), pieces: [{ ...piece, line: 7 }] };
    const strayed = await b.send('PUT', `${ROOT}/${kept.id}`, { ...next, version: anew.version, parents: [stray] });
    expect(strayed.status).toBe(422);
    const tooMany = { ...next, version: anew.version, parents: [{ ...parents[0], id: randomUUID(), sheets: 4 }] };
    expect((await b.send('PUT', `${ROOT}/${kept.id}`, tooMany)).status).toBe(422);
    expect((await b.send('GET', `${ROOT}/${kept.id}`)).body as CuttingPlanKept).toEqual(anew);
  });

  it('refuse a paper of another size by now, and one that is not there', async () => {
    const b = bench();
    const paper = await kraft(b);
    const other = planFor({ ...paper, widthMm: 430 }, 1);
    expect(((await b.send('POST', ROOT, other)).body as Problem).detail).toContain('another size by now');
    expect((await b.send('POST', ROOT, planFor({ ...paper, id: randomUUID() }, 1))).status).toBe(404);
    const strayLine = planFor(paper, 1);
    strayLine.parents[0].pieces[0].line = 1;
    expect((await b.send('POST', ROOT, strayLine)).status).toBe(400);
  });

  it('hold the sheets of a make, which is recorded once they are cut and takes none twice', async () => {
    const b = bench();
    const paper = await kraft(b, { count: 5 });
    const job = await post<Job>(b, '/api/jobs', { ...watchJob(paper.id), id: randomUUID() });
    const [{ id: makeId, make }] = job.makes;
    const plan = planFor(paper, 1);
    const [line] = plan.lines;
    const of = { ...line, makeId, entryKey: make.entries[0].key };
    const kept = await post<CuttingPlanKept>(b, ROOT, { ...plan, lines: [of] });
    const seen = ((await b.send('GET', `/api/jobs/${job.id}`)).body as Job).makes[0];
    expect(seen.inPlan).toEqual({ id: kept.id, title: 'Ticket pockets', done: false });
    const entry = {
      ...{ id: randomUUID(), jobId: job.id, makeId, copies: 1, folderHandId: null, fits: null, minutes: null },
      ...{ note: '', measured: {}, sheetsUsed: [{ paperId: paper.id, sheets: 1 }] },
    };
    const resized = { ...make, entries: make.entries.map((one) => ({ ...one, papers: [null] })) };
    const draft = { ...watchJob(paper.id), version: job.version };
    const changed = { ...draft, makes: [{ ...draft.makes[0], id: makeId, make: resized }] };
    const refused = await b.send('PUT', `/api/jobs/${job.id}`, changed);
    expect(refused.status).toBe(422);
    expect((refused.body as Problem).detail).toContain('cutting plan “Ticket pockets”');
    const early = await b.send('POST', '/api/log', entry);
    expect(early.status).toBe(422);
    expect((early.body as Problem).detail).toContain('tick there that they are cut');
    const cut = (await tick(b, kept, true)).body as CuttingPlanKept;
    // Without the plan its sheets would be taken once more.
    expect((await b.send('DELETE', `${ROOT}/${kept.id}`)).status).toBe(422);
    const recorded = await post<LogEntry>(b, '/api/log', entry);
    expect((await shelf(b)).find(({ id }) => id === paper.id)?.count).toBe(4);
    expect(((await tick(b, cut, false)).body as Problem).detail).toContain('in the logbook');
    await b.send('DELETE', `/api/log/${recorded.id}`);
    expect((await shelf(b)).find(({ id }) => id === paper.id)?.count).toBe(4);
    const second = planFor(paper, 1);
    expect(((await b.send('POST', ROOT, { ...second, lines: [of] })).body as Problem).detail).toContain('already');
  });

  it('never have a sheet twice or less than none, whatever the order of things', () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.constantFrom('add', 'cut', 'uncut', 'remove', 'restore', 'count'), fc.nat(30)), {
          minLength: 5,
          maxLength: 25,
        }),
        async (acts) => {
          const b = bench();
          const paper = await kraft(b, { count: 6 });
          const plans: string[] = [];
          // What the count was set to by hand, so that all sheets can be told.
          let counted = 6;
          const plan = async (n: number): Promise<CuttingPlanKept | null> => {
            const { status, body } = await b.send('GET', `${ROOT}/${plans[n % Math.max(1, plans.length)]}`);
            return status === 200 ? body : null;
          };
          for (const [act, n] of acts) {
            if (act === 'add') {
              const sent = planFor(paper, 1 + (n % 3));
              if ((await b.send('POST', ROOT, sent)).status === 201) plans.push(sent.id);
            } else if (act === 'count') {
              const now = (await shelf(b)).find(({ id }) => id === paper.id)!;
              const { reserved: _, id, ...draft } = now;
              await b.send('PUT', `/api/papers/${id}`, { ...draft, count: n % 9 });
              counted += (n % 9) - now.count;
            } else if (plans.length) {
              const one = await plan(n);
              if ((act === 'cut' || act === 'uncut') && one) await tick(b, one, act === 'cut');
              if (act === 'remove') await b.send('DELETE', `${ROOT}/${plans[n % plans.length]}`);
              if (act === 'restore') await b.send('POST', `${ROOT}/${plans[n % plans.length]}/restore`);
            }
            const papers = await shelf(b);
            const count = papers.find(({ id }) => id === paper.id)!.count;
            const offcuts = papers.filter(({ offcut }) => offcut).reduce((sum, one) => sum + one.count, 0);
            expect(papers.every((one) => one.count >= 0)).toBe(true);
            // Each sheet is on the shelf, or cut, and then its offcut is there.
            expect(count + offcuts).toBe(counted);
          }
        },
      ),
      { numRuns: 25 },
    ));
});

describe('how paper comes and goes', () => {
  it('is told by the month: used, lost, and what lies there', async () => {
    const b = bench();
    const paper = await kraft(b, { price: { minor: 500, currency: 'EUR', sheets: 10 } });
    const kept = await post<CuttingPlanKept>(b, ROOT, planFor(paper, 2));
    const plain = (await b.send('GET', '/api/papers/months')).body as PaperMonth[];
    expect(plain).toMatchObject([{ usedMm2: 0, wasteMm2: 0, sheets: 3, value: [{ currency: 'EUR', minor: 150 }] }]);
    await tick(b, kept, true);
    const [month] = (await b.send('GET', '/api/papers/months')).body as PaperMonth[];
    expect(month.usedMm2).toBeCloseTo(2 * 200 * 297);
    expect(month).toMatchObject({ wasteMm2: 0, sheets: 3, value: [{ minor: 50 }] });
  });

  it('counts what is lost of a make’s own sheets, and nothing once they were not cut after all', async () => {
    const b = bench();
    const paper = await kraft(b, { count: 5 });
    const job = await post<Job>(b, '/api/jobs', { ...watchJob(paper.id), id: randomUUID() });
    const [{ id: makeId, make }] = job.makes;
    const at = { xMm: 0, yMm: 0, turned: false };
    const parent = {
      ...{ paperId: paper.id, sheets: 2 },
      pieces: [{ ...at, entryKey: make.entries[0].key, widthMm: 200, heightMm: 297 }],
      offcuts: [{ xMm: 200, yMm: 0, widthMm: 100, heightMm: 297 }],
    };
    const accepted = await b.send('PUT', `/api/makes/${makeId}/cut`, { version: 1, plan: { parents: [parent] } });
    expect(accepted.status).toBe(200);
    const lost = async (): Promise<number> =>
      ((await b.send('GET', '/api/papers/months')).body as PaperMonth[])[0].wasteMm2;
    await b.send('POST', `/api/makes/${makeId}/cut/done`, { version: 2 });
    expect(await lost()).toBeCloseTo(2 * 120 * 297);
    expect((await shelf(b)).map(({ count }) => count).sort()).toEqual([2, 3]);
    await b.send('POST', `/api/makes/${makeId}/cut/undone`, { version: 3 });
    expect(await lost()).toBeCloseTo(0);
    expect(await shelf(b)).toMatchObject([{ count: 5, reserved: 2 }]);
  });

  it('brings many papers in, all or none', async () => {
    const b = bench();
    const papers = [1, 2, 3].map((n) => ({ ...KRAFT, id: randomUUID(), name: `Kraft ${n}` }));
    expect((await b.send('POST', '/api/papers/many', { papers })).status).toBe(200);
    expect(await shelf(b)).toHaveLength(3);
    const more = [
      { ...KRAFT, id: randomUUID() },
      { ...papers[0], name: 'Another under an id that is taken' },
    ];
    expect((await b.send('POST', '/api/papers/many', { papers: more })).status).toBe(409);
    expect(await shelf(b)).toHaveLength(3);
    expect((await b.send('POST', '/api/papers/many', { papers: [] })).status).toBe(400);
  });

  it('keeps what a paper is by now, its stack, grain, place and mark', async () => {
    const b = bench();
    const said = { stackSheets: 25, runs: 'height', marginsMm: 4, lowMark: 5, place: 'Flat drawer' } as const;
    expect(await kraft(b, said)).toMatchObject(said);
    const wrong = await b.send('POST', '/api/papers', { ...KRAFT, id: randomUUID(), offcutOf: randomUUID() });
    expect(wrong.status).toBe(404);
  });
});
