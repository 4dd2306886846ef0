import { aJob, aPaper, PageBench } from '../../testing/bench';
import { RecordStation } from './record-station';

// The turning model wants WebGL; its own end-to-end test looks at it.
jest.mock('../../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

describe('writing down what came out', () => {
  const bench = async (more = {}): Promise<PageBench<RecordStation>> => {
    const made = new PageBench(RecordStation, {
      job: aJob({ progress: { part: 'lid', step: 16, seconds: 1500 } }),
      paper: aPaper(),
      ...more,
    });
    await made.settle(40);
    return made;
  };
  it('knows the sheets from the cutting plan, the minutes from the table, and what was predicted', async () => {
    const b = await bench();
    expect(await b.reads('Sheets used')).toBe('1');
    expect(await b.reads('Minutes')).toBe('25');
    expect(b.text).toMatch(/predicted 62\.\d mm/);
  });

  it('sends what was measured in millimetres', async () => {
    const b = await bench();
    await b.write('Between the sides', '2 7/16 in');
    await b.write('Between the ends', '6,1 cm');
    await b.write('Depth', '31');
    await b.write('Note', '  Crisp.  ');
    await b.submit();
    const body = b.sent('POST', '/api/log').request.body as {
      measured: Record<string, number>;
      note: string;
      id: string;
    };
    expect(body).toMatchObject({
      ...{ jobId: aJob().id, makeId: aJob().kept.makes[0].id, copies: 1, fits: null },
      sheetsUsed: [{ paperId: aPaper().id, sheets: 1 }],
      minutes: 25,
      note: 'Crisp.',
      measured: { 'tray/box.widthMm': 61, 'tray/box.depthMm': 31 },
    });
    expect(body.measured['tray/box.lengthMm']).toBeCloseTo(61.9125, 9);
    expect(body.id).toMatch(/^[0-9a-f-]{36}$/);
  });

  it('takes nothing measured at all, but not one of three', async () => {
    const b = await bench();
    await b.submit();
    expect(b.sent('POST', '/api/log').request.body).toHaveProperty('measured', {});
    const other = await bench();
    await other.write('Depth', '31');
    await other.submit();
    other.http.expectNone('/api/log');
    expect(other.text).toContain('Measure all three, or leave all three empty.');
    expect(await other.reads('Depth')).toBe('31');
  });

  it.each([
    ['Sheets used', 'some', 'Count whole sheets'],
    ['Sheets used', '1.5', 'Count whole sheets'],
    ['Minutes', 'long', 'Write minutes as a number'],
    ['Minutes', '99999', 'at most 10,000'],
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
    b.sent('POST', '/api/log').flush(
      {
        type: 'about:blank',
        title: 'No',
        status: 422,
        detail: message,
        issues: [{ path: ['sheetsUsed', 0, 'sheets'], message }],
      },
      { status: 422, statusText: 'Unprocessable' },
    );
    await b.settle();
    expect(await b.said('Sheets used')).toContain(message);
    expect(await b.reads('Note')).toBe('Second try.');
  });
});
