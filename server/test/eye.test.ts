import { type EyeTry, MOST_EYE_TRIES, newEyeTry } from '@odd-corner/contract';
import * as fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { fillWorkshop, openWorkshop } from '../src/db/workshop';
import { openDatabase } from '../src/db/open-database';
import { arbitraryOf } from './arbitrary-of';
import { bench, MIGRATIONS } from './workshop';

const aTry = (more: Partial<EyeTry> = {}) => ({
  id: randomUUID(),
  ...{ handId: null, share: 1 / 3, set: 0.35, sideMm: 150 },
  ...more,
});

describe('tries to find a place by eye', () => {
  it('whatever is allowed is kept and read back, the earliest first; sent twice it counts once', () =>
    fc.assert(
      fc.asyncProperty(fc.array(arbitraryOf(newEyeTry), { minLength: 1, maxLength: 6 }), async (any) => {
        const b = bench();
        const sent = any.map((one) => ({ ...(one as EyeTry), id: randomUUID(), handId: null }));
        for (const one of sent) {
          expect((await b.send('POST', '/api/eye-tries', one)).status).toBe(201);
          expect((await b.send('POST', '/api/eye-tries', one)).status).toBe(200);
        }
        const kept = (await b.send('GET', '/api/eye-tries')).body as EyeTry[];
        expect(kept.map(({ at: _, ...one }) => one).sort((p, q) => (p.id < q.id ? -1 : 1))).toEqual(
          sent.sort((p, q) => (p.id < q.id ? -1 : 1)),
        );
        expect([...kept].sort((p, q) => (p.at < q.at ? -1 : 1)).map(({ at }) => at)).toEqual(kept.map(({ at }) => at));
      }),
      { numRuns: 15 },
    ));

  it('of a hand that is not here are refused, those of one that is purged go with it', async () => {
    const b = bench();
    expect((await b.send('POST', '/api/eye-tries', aTry({ handId: randomUUID() }))).status).toBe(422);
    const hand = { id: randomUUID(), name: 'Sorter', missMm: 0.4 };
    await b.send('POST', '/api/hands', hand);
    await b.send('POST', '/api/eye-tries', aTry({ handId: hand.id }));
    await b.send('POST', '/api/eye-tries', aTry());
    await b.send('DELETE', `/api/hands/${hand.id}`);
    expect((await b.send('GET', '/api/eye-tries')).body).toHaveLength(2);
    await b.send('DELETE', `/api/bin/${hand.id}`);
    expect(((await b.send('GET', '/api/eye-tries')).body as EyeTry[]).map(({ handId }) => handId)).toEqual([null]);
  });

  it('are taken back; what is not there cannot be', async () => {
    const b = bench();
    const one = aTry();
    await b.send('POST', '/api/eye-tries', one);
    expect((await b.send('DELETE', `/api/eye-tries/${one.id}`)).status).toBe(200);
    expect((await b.send('DELETE', `/api/eye-tries/${one.id}`)).status).toBe(404);
    expect((await b.send('GET', '/api/eye-tries')).body).toEqual([]);
  });

  it.each([
    ['at an end', { share: 0 }],
    ['beyond the sheet', { set: 1.2 }],
    ['on no sheet', { sideMm: 0 }],
    ['of nobody', { handId: 'constructor' }],
  ])('%s are no tries', async (_, more) => {
    const { status } = await bench().send('POST', '/api/eye-tries', aTry(more));
    expect(status).toBe(400);
  });

  it('of one hand are the latest few hundred, and go along when a workshop is taken along', () => {
    const { workshop } = bench();
    const at = (k: number): string => new Date(Date.UTC(2026, 0, 1) + 60_000 * k).toISOString();
    for (let k = 0; k < MOST_EYE_TRIES + 3; k++) workshop.eye.add(aTry(), at(k));
    const rows = workshop.eye.all();
    expect(rows).toHaveLength(MOST_EYE_TRIES);
    expect(rows[0].at).toBe(at(3));
    const other = openWorkshop(openDatabase(':memory:', MIGRATIONS));
    fillWorkshop(other, {
      ...{ settings: workshop.settings.get(), papers: [], things: [], hands: [], jobs: [], log: [] },
      ...{ cuttingPlans: [], moves: [], trials: [], eyeTries: rows },
    });
    expect(other.eye.all()).toEqual(rows);
  });
});
