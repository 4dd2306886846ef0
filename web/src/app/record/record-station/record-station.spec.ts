import type { JobMake } from '@odd-corner/contract';
import { aJob, aMake, aPaper, atStation, type PageBench } from '../../testing/bench';
import { RecordStation } from './record-station';

// The turning model wants WebGL; its own end-to-end test looks at it.
jest.mock('../../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

const HAND = { id: '00000000-0000-4000-8000-000000000071', name: 'Bench lead', missMm: 0.2, version: 1 };
const job = aJob({ makes: [aMake({ done: [16, 16], seconds: 750 })] });

describe('writing down what came out', () => {
  const bench = async (make: JobMake = job.makes[0], hands: object[] = []): Promise<PageBench<RecordStation>> => {
    const made = await atStation(RecordStation, aJob({ makes: [make] }), { hands });
    made.answer('GET', '/api/hands', hands);
    await made.settle(300);
    return made;
  };

  it('knows the sheets from the cutting plan, the minutes from the table, and what was predicted with its spread', async () => {
    const b = await bench();
    expect(await b.reads('Sheets of Kraft')).toBe('1');
    expect(await b.reads('Minutes')).toBe('25');
    expect(await b.reads('How many')).toBe('1');
    expect(b.text).toMatch(/predicted 62\.\d mm, give or take 0\.\d mm/);
    expect(b.text).toContain('Lid with ears, if you measured it as well');
  });

  it('counts the offcuts that it was cut from, not the sheets that it might have taken', async () => {
    const [make] = job.makes;
    const rest = aPaper({ id: '00000000-0000-4000-8000-000000000021', name: 'Kraft, offcut', offcut: true });
    const piece = { entryKey: 'tray', xMm: 0, yMm: 0, widthMm: 100, heightMm: 100, turned: false };
    const cut = { plan: { parents: [{ paperId: rest.id, sheets: 2, pieces: [piece] }] }, done: true };
    const made = await atStation(RecordStation, aJob({ makes: [{ ...make, cut }] }), { papers: [aPaper(), rest] });
    made.answer('GET', '/api/hands', []);
    await made.settle(300);
    expect(await made.reads('Sheets of Kraft, offcut')).toBe('2');
    expect(made.text).not.toMatch(/Sheets of Kraft(?!,)/);
  });

  it('sends what was measured in millimetres, by the names that sizes have everywhere', async () => {
    const b = await bench(job.makes[0], [HAND]);
    await b.write('Inside, long', '2 7/16 in');
    await b.write('Inside, wide', '6,1 cm');
    await b.write('Note', '  Crisp.  ');
    await b.write('How many', '2');
    await b.choose('Its contents fit', 'tightly');
    await b.choose('Folded by', 'Bench lead');
    await b.submit();
    const body = b.sent('POST', '/api/log').request.body as { measured: Record<string, number>; id: string };
    expect(body).toMatchObject({
      ...{ jobId: job.id, makeId: job.makes[0].id, copies: 2, fits: 'tight', folderHandId: HAND.id },
      ...{ sheetsUsed: [{ paperId: aPaper().id, sheets: 1 }], minutes: 25, note: 'Crisp.' },
    });
    expect(Object.keys(body.measured).sort()).toEqual(['tray/box.lengthMm', 'tray/box.widthMm']);
    expect(body.measured['tray/box.lengthMm']).toBeCloseTo(61.9125, 9);
    expect(body.measured['tray/box.widthMm']).toBeCloseTo(61, 9);
    expect(body.id).toMatch(/^[0-9a-f-]{36}$/);
  });

  it('asks for what a boat has where it is a boat, and needs nothing measured', async () => {
    const b = await bench(aMake({ formId: 'square-canoe', holds: 'load 20 g', papers: [null] }));
    expect(b.text).toContain('Pointed canoe, by the ruler');
    expect(b.text).not.toContain('Sheets of');
    await b.submit();
    expect(b.sent('POST', '/api/log').request.body).toMatchObject({
      measured: {},
      sheetsUsed: [],
      fits: null,
      minutes: null,
    });
  });

  it.each([
    ['Sheets of Kraft', 'some', 'Count whole sheets'],
    ['Sheets of Kraft', '1.5', 'Count whole sheets'],
    ['How many', '0', 'Count from 1 to 500'],
    ['Minutes', 'long', 'Write minutes as a number'],
    ['Minutes', '99999', 'at most 10,000'],
    ['Inside, deep', '9 m', 'larger than the 5 m'],
  ])('tells that %s “%s” cannot be', async (field, text, told) => {
    const b = await bench();
    await b.write(field, text);
    await b.submit();
    b.http.expectNone('/api/log');
    expect(await b.said(field)).toContain(told);
  });

  it('puts the server’s refusal beside its field and keeps what was typed', async () => {
    const b = await bench();
    await b.write('Note', 'Second try.');
    await b.submit();
    const message = 'The shelf has 0 of “Kraft” left.';
    const issues = [{ path: ['sheetsUsed', 0, 'sheets'], message }];
    b.sent('POST', '/api/log').flush(
      { type: 'about:blank', title: 'No', status: 422, detail: message, issues },
      { status: 422, statusText: 'Unprocessable' },
    );
    await b.settle();
    expect(await b.said('Sheets of Kraft')).toContain(message);
    expect(await b.reads('Note')).toBe('Second try.');
  });
});
