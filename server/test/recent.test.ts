import { MOST_RECENT, type Recent, type RecentDraft } from '@odd-corner/contract';
import { parsePurpose } from '@odd-corner/core';
import * as fc from 'fast-check';
import { bench } from './workshop';

const draft = (ml: number): RecentDraft => ({ text: `${ml} ml`, purpose: parsePurpose(`${ml} ml`) });

describe('what was asked last', () => {
  it('stands latest first, each question once, and a few in all', () =>
    fc.assert(
      fc.asyncProperty(fc.array(fc.integer({ min: 1, max: 20 }), { maxLength: 30 }), async (asked) => {
        const b = bench();
        for (const ml of asked) {
          const { status, body } = await b.send('POST', '/api/recent', draft(ml));
          expect(status).toBe(200);
          expect((body as Recent[])[0].text).toBe(`${ml} ml`);
          // Two questions in one moment have no order.
          await new Promise((resolve) => setTimeout(resolve, 2));
        }
        const kept = (await b.send('GET', '/api/recent')).body as Recent[];
        const latest = [...new Set([...asked].reverse())].slice(0, MOST_RECENT);
        expect(kept.map(({ text }) => text)).toEqual(latest.map((ml) => `${ml} ml`));
      }),
      { numRuns: 6 },
    ));

  it.each([
    ['no words', { ...draft(5), text: ' ' }],
    ['no purpose', { text: '5 ml', purpose: null }],
    ['a purpose that is none', { text: '5 ml', purpose: { kind: 'dream' } }],
  ])('is refused with %s', async (_, body) => {
    const { status } = await bench().send('POST', '/api/recent', body);
    expect(status).toBe(400);
  });

  it('that cannot be read any more is left out, and takes nothing else with it', async () => {
    const b = bench();
    await b.send('POST', '/api/recent', draft(5));
    b.workshop.db.prepare(`INSERT INTO recent (purpose, text, asked_at) VALUES ('{"kind":"dream"}', 'x', 'y')`).run();
    expect(((await b.send('GET', '/api/recent')).body as Recent[]).map(({ text }) => text)).toEqual(['5 ml']);
  });
});
