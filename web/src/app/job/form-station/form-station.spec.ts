import type { JobDraft } from '@odd-corner/contract';
import { aJob, aMake, atStation, type PageBench } from '../../testing/bench';
import { FormStation } from './form-station';

describe('choosing another form for a job', () => {
  const job = aJob({ makes: [aMake({ options: { lid: 'none' } })] });
  const show = async (of = job): Promise<PageBench<FormStation>> => {
    const b = await atStation(FormStation, of);
    for (let k = 0; k < 80 && !/\d forms can do it(?!, so far)/.test(b.text); k++) await b.settle(100);
    return b;
  };

  it('shows all that do it, the one that was taken first, and takes another with purpose and paper', async () => {
    const b = await show();
    [...b.host.querySelectorAll('button')].find((button) => /Show \d+ more/.test(button.textContent))?.click();
    await b.settle();
    const rows = [...b.host.querySelectorAll('oc-answer-row')];
    expect(rows.length).toBeGreaterThan(3);
    expect(rows[0].textContent).toContain('Square tray');
    expect(rows[0].textContent).toContain('In this job');
    const box = rows.find((row) => row.textContent?.includes('Closing cube'))!;
    [...box.querySelectorAll('button')].find((button) => button.textContent?.includes('Take this form'))!.click();
    const body = b.sent('PUT', `/api/jobs/${job.id}`).request.body as JobDraft;
    const [make] = body.makes;
    const [before] = job.makes;
    expect(make).toMatchObject({ id: before.id, asked: before.asked, count: 1 });
    expect(make.make.formId).toBe('closing-cube');
    expect(make.make.entries).toMatchObject([{ papers: before.make.entries[0].papers, thicknessMm: 0.12 }]);
  });

  it('asks what it is for where a sheet was there first', async () => {
    const [make] = job.makes;
    const b = await atStation(FormStation, aJob({ makes: [{ ...make, asked: { ...make.asked, purpose: null } }] }));
    expect(b.text).toContain('Say what it is for');
    expect(b.find('a[href$="/purpose"]').getAttribute('href')).toBe(`/jobs/${job.id}/purpose`);
  });
});
