import {
  type Job,
  jobFile,
  jobFileOf,
  jobFromFile,
  type LogEntry,
  logTable,
  newJob,
  type Paper,
} from '@odd-corner/contract';
import { randomUUID } from 'node:crypto';
import { bench, jobFor, KRAFT, post } from './workshop';

const IDS = (): string => randomUUID();

describe('a job as a file', () => {
  const share = async (paper: object, marks: Job['makes'][number]['marks'] = null) => {
    const theirs = bench();
    const { id } = await post<Paper>(theirs, '/api/papers', { ...KRAFT, ...paper });
    const draft = jobFor({ formId: 'card-template-wrap', holds: '85.6 x 54 x 4', title: 'Tokens', paperId: id });
    const job = await post<Job>(theirs, '/api/jobs', {
      ...draft,
      makes: draft.makes.map((make) => ({ ...make, marks })),
    });
    const entry = job.makes[0].make.entries[0];
    // What belongs to that workshop alone.
    await theirs.send('POST', `/api/makes/${job.makes[0].id}/progress`, {
      copies: [{ entryKey: entry.key, copy: 0, done: ['a-step'], seconds: 9 }],
    });
    const now = (await theirs.send('GET', `/api/jobs/${job.id}`)).body as Job;
    return { job: now, file: jobFile.parse(JSON.parse(JSON.stringify(jobFileOf(now)))) };
  };

  it('begins in another workshop as it was, on its paper of that name and weight, with nothing folded', async () => {
    const { job, file } = await share({ name: 'Kraft A3' });
    const ours = bench();
    const paper = await post<Paper>(ours, '/api/papers', { ...KRAFT, name: ' kraft a3 ' });
    const begun = await post<Job>(ours, '/api/jobs', jobFromFile(file, [paper], IDS));
    expect(begun.id).not.toBe(job.id);
    const [was, is] = [job.makes[0], begun.makes[0]];
    expect({ ...is.make, entries: is.make.entries.map((one) => ({ ...one, papers: [] })) }).toEqual({
      ...was.make,
      entries: was.make.entries.map((one) => ({ ...one, papers: [] })),
    });
    expect([is.asked, is.count, is.told?.sizes]).toEqual([was.asked, was.count, was.told?.sizes]);
    expect(is.make.entries[0].papers).toEqual([paper.id]);
    expect([is.progress, is.cut]).toEqual([[], null]);
  });

  it('is on paper that is not from the shelf where there is none like it, and keeps the same one in its own workshop', async () => {
    const { job, file } = await share({ name: 'Sea charts' });
    const { makes } = newJob.parse(jobFromFile(file, [{ ...KRAFT, id: randomUUID(), version: 1, reserved: 0 }], IDS));
    expect(makes[0].make.entries[0].papers).toEqual([null]);
    const [own] = job.makes[0].make.entries[0].papers;
    const shelf = [{ ...KRAFT, id: own!, version: 1, reserved: 0 }];
    expect(jobFromFile(file, shelf, IDS).makes[0].make.entries[0].papers).toEqual([own]);
  });

  it('is refused with what is wrong when it is another file', () => {
    for (const [value, why] of [
      [{ format: 'birds' }, 'not the file of a job'],
      [{ format: 'odd-corner-job', version: 2 }, 'newer version'],
      [null, ''],
    ] as const) {
      const read = jobFile.safeParse(value);
      expect(read.success).toBe(false);
      expect(read.error?.issues.map(({ message }) => message).join(' ')).toContain(why);
    }
  });
});

describe('the logbook as a table', () => {
  const entry = async (more: object = {}): Promise<LogEntry> => {
    const b = bench();
    const job = await post<Job>(b, '/api/jobs', jobFor({ formId: 'card-template-wrap', holds: '85.6 x 54 x 4' }));
    const sent = { jobId: job.id, makeId: job.makes[0].id, copies: 2, folderHandId: null, fits: 'well', minutes: 12.5 };
    return post<LogEntry>(b, '/api/log', { ...sent, note: 'Neat', sheetsUsed: [], measured: {}, ...more });
  };

  it('has a line for each size, every line as long as its head, measured less predicted where both are known', async () => {
    const plain = await entry();
    const [key, { mm, sdMm }] = Object.entries(plain.predicted)[0];
    const measured = await entry({ measured: { [key]: mm + 1.25 } });
    const [head, ...lines] = logTable([plain, measured], new Map());
    expect(lines).toHaveLength(2 * Object.keys(plain.predicted).length);
    for (const line of lines) expect(line).toHaveLength(head.length);
    const of = (id: string, column: string): string[] =>
      lines.filter((line) => line[0] === id).map((line) => line[head.indexOf(column)]);
    expect(of(plain.id, 'Measured mm').every((text) => text === '')).toBe(true);
    expect(of(measured.id, 'Measured less predicted mm')[0]).toBe('1.25');
    expect(Number(of(measured.id, 'Predicted mm')[0])).toBeCloseTo(mm, 3);
    expect(Number(of(measured.id, 'Spread mm')[0])).toBeCloseTo(sdMm!, 3);
    expect(new Set(of(measured.id, 'Minutes'))).toEqual(new Set(['12.5']));
  });

  it('names the hand, and a form that is not here any more by its id', async () => {
    const hand = randomUUID();
    const known = { ...(await entry()), folderHandId: hand };
    const gone = { ...known, make: { ...known.make, formId: 'paper-moon' }, predicted: {} };
    const [head, ...lines] = logTable([gone], new Map([[hand, 'Bench lead']]));
    expect(lines).toHaveLength(1);
    expect(lines[0][head.indexOf('Folded by')]).toBe('Bench lead');
    expect(lines[0][head.indexOf('Form')]).toBe('paper-moon');
    expect(logTable([])).toHaveLength(1);
  });
});
