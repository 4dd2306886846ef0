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
  const submit = async (b: PageBench<RecordStation>): Promise<void> => {
    b.find('form').dispatchEvent(new Event('submit', { cancelable: true }));
    await b.settle();
  };

  it('knows the sheets from the cutting plan, the minutes from the table, and what was predicted', async () => {
    const b = await bench();
    expect(b.find<HTMLInputElement>('#sheets').value).toBe('1');
    expect(b.find<HTMLInputElement>('#minutes').value).toBe('25');
    expect(b.text).toMatch(/predicted 62\.\d mm/);
  });

  it('sends what was measured in millimetres', async () => {
    const b = await bench();
    b.type('#m-lengthMm', '2 7/16 in');
    b.type('#m-widthMm', '6,1 cm');
    b.type('#m-depthMm', '31');
    b.type('#note', '  Crisp.  ');
    await submit(b);
    const body = b.sent('POST', '/api/pieces').request.body as {
      measured: Record<string, number>;
      note: string;
      id: string;
    };
    expect(body).toMatchObject({
      jobId: aJob().id,
      sheetsUsed: 1,
      minutes: 25,
      note: 'Crisp.',
      measured: { widthMm: 61, depthMm: 31 },
    });
    expect(body.measured['lengthMm']).toBeCloseTo(61.9125, 9);
    expect(body.id).toMatch(/^[0-9a-f-]{36}$/);
  });

  it('takes nothing measured at all, but not one of three', async () => {
    const b = await bench();
    await submit(b);
    expect(b.sent('POST', '/api/pieces').request.body).toMatchObject({ measured: null });
    const other = await bench();
    other.type('#m-depthMm', '31');
    await submit(other);
    other.http.expectNone('/api/pieces');
    expect(other.text).toContain('Measure all three, or leave all three empty.');
    expect(other.find<HTMLInputElement>('#m-depthMm').value).toBe('31');
  });

  it.each([
    ['sheets', 'some', 'Count whole sheets'],
    ['sheets', '1.5', 'Count whole sheets'],
    ['minutes', 'long', 'Write minutes as a number'],
    ['minutes', '99999', 'at most 10,000'],
  ])('tells that %s “%s” cannot be', async (field, text, told) => {
    const b = await bench();
    b.type(`#${field}`, text);
    await submit(b);
    b.http.expectNone('/api/pieces');
    expect(b.find(`#${field}-note`).textContent).toContain(told);
  });

  it('puts the server’s refusal beside its field and keeps what was typed', async () => {
    const b = await bench();
    b.type('#note', 'Second try.');
    await submit(b);
    const message = 'The shelf has 0 of “Kraft” left.';
    b.sent('POST', '/api/pieces').flush(
      { type: 'about:blank', title: 'No', status: 422, detail: message, issues: [{ path: ['sheetsUsed'], message }] },
      { status: 422, statusText: 'Unprocessable' },
    );
    await b.settle();
    expect(b.find('#sheets-note').textContent).toContain(message);
    expect(b.find<HTMLTextAreaElement>('#note').value).toBe('Second try.');
  });
});
