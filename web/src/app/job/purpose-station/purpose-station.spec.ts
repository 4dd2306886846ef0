import type { JobDraft } from '@odd-corner/contract';
import { parsePurpose } from '@odd-corner/core';
import { aJob, aMake, atStation, type PageBench } from '../../testing/bench';
import { PurposeStation } from './purpose-station';

describe('changing what a job is for', () => {
  const job = aJob({ state: 'folding', makes: [aMake({ done: [3] })] });
  const LINE = 'What, and how large';
  const write = async (b: PageBench<PurposeStation>, text: string): Promise<void> => {
    await b.write(LINE, text);
    for (let k = 0; k < 40; k++) {
      await b.settle(80);
      if (b.host.querySelector('.outcome h3, .outcome .wrong')) return;
    }
  };
  const keep = (b: PageBench<PurposeStation>): HTMLButtonElement => b.button('Keep these changes');
  const sent = (b: PageBench<PurposeStation>): JobDraft =>
    b.sent('PUT', `/api/jobs/${job.id}`).request.body as JobDraft;

  it('begins as it was typed, and offers nothing to keep while nothing is changed', async () => {
    const b = await atStation(PurposeStation, job);
    expect(await b.reads(LINE)).toBe('60 x 45 x 22');
    await b.settle(300);
    expect(keep(b).disabled).toBe(true);
  });

  it('says how each sheet changes before it is kept, on the paper of the job', async () => {
    const b = await atStation(PurposeStation, job);
    await write(b, '90 x 45 x 22');
    expect(b.text).toMatch(/Tray: \d+\s*mm instead of \d+\s*mm/);
    expect(b.text).toMatch(/Lid with ears: \d+\s*mm instead of \d+\s*mm/);
    expect(b.text).toContain('Folding starts again');
    keep(b).click();
    const [make] = sent(b).makes;
    expect(make.asked).toMatchObject({ text: '90 x 45 x 22', purpose: parsePurpose('90 x 45 x 22') });
    const [before] = job.makes;
    make.make.entries.forEach((entry, k) => {
      expect(entry.sheet.widthMm).toBeGreaterThan(before.make.entries[k].sheet.widthMm);
      expect(entry).toMatchObject({ papers: before.make.entries[k].papers, thicknessMm: 0.12 });
    });
  });

  it('that this form cannot do says so, and lets another be looked for', async () => {
    const b = await atStation(PurposeStation, job);
    await write(b, 'load 40 g');
    expect(b.find('.outcome .wrong').textContent).toContain('Square tray does not do that');
    expect(keep(b).disabled).toBe(true);
    b.button('Keep this, and choose another form').click();
    const [make] = sent(b).makes;
    expect(make.asked.purpose).toEqual(parsePurpose('load 40 g'));
    expect(make.make).toEqual(job.makes[0].make);
    expect(make.chance).toBeNull();
  });

  it('that no sheet does for names what stands against it', async () => {
    const b = await atStation(PurposeStation, job);
    await write(b, '4 m x 4 m x 3 m');
    expect(b.find('.outcome .wrong').textContent).toMatch(/Square tray does not do that: \S.* it out/);
  });

  it('counts how many are folded, and tells what is no count', async () => {
    const b = await atStation(PurposeStation, job);
    await b.write('How many are folded', '4');
    await b.settle();
    keep(b).click();
    const [make] = sent(b).makes;
    expect(make.count).toBe(4);
    expect(make.make).toEqual(job.makes[0].make);
    const wrong = await atStation(PurposeStation, job);
    await wrong.write('How many are folded', '900');
    await wrong.settle();
    expect(await wrong.said('How many are folded')).toContain('Count from 1 to 500');
    expect(keep(wrong).disabled).toBe(true);
  });

  it('of a job that began with a sheet is empty at first', async () => {
    const make = aMake();
    const b = await atStation(
      PurposeStation,
      aJob({ makes: [{ ...make, asked: { ...make.asked, text: '', purpose: null } }] }),
    );
    expect(await b.reads(LINE)).toBe('');
    expect(keep(b).disabled).toBe(true);
  });
});
