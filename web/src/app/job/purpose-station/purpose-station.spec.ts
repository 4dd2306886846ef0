import { aJob, aPaper, PageBench } from '../../testing/bench';
import type { Outcome } from '../job-change';
import { PurposeStation } from './purpose-station';

describe('changing what goes in', () => {
  const bench = async (paper = aPaper()): Promise<{ b: PageBench<PurposeStation>; kept: Outcome[] }> => {
    const b = new PageBench(PurposeStation, { job: aJob(), paper });
    const kept: Outcome[] = [];
    b.fixture.componentInstance.keep.subscribe((outcome) => kept.push(outcome));
    await b.settle(250);
    return { b, kept };
  };

  it('offers nothing to keep while nothing is changed', async () => {
    const { b } = await bench();
    expect(b.button('Keep these changes').disabled).toBe(true);
  });

  it('says how the sheets change before it is kept', async () => {
    const { b, kept } = await bench();
    await b.write('Length x width x height', '70 x 45 x 22');
    await b.settle(250);
    expect(b.text).toContain('Folding starts again from the first step.');
    expect(b.text).toContain('Kraft still gives both squares.');
    await b.submit();
    expect(kept).toHaveLength(1);
    expect(kept[0].refold).toBe(true);
    expect(kept[0].draft.choice.tray.sheetMm).toBeGreaterThan(aJob().choice.tray.sheetMm);
    expect(kept[0].draft.choice.thicknessMm).toBe(0.12);
  });

  it('a new name changes no sheet', async () => {
    const { b, kept } = await bench();
    await b.write('Name of the job', 'Watch parts, second box');
    await b.settle(250);
    expect(b.text).toContain('The sheets stay as they are');
    await b.submit();
    expect(kept[0]).toMatchObject({
      refold: false,
      draft: { title: 'Watch parts, second box', choice: aJob().choice },
    });
  });

  it('tells when the paper can no longer give both', async () => {
    const { b } = await bench(aPaper({ widthMm: 190, heightMm: 190 }));
    await b.write('Length x width x height', '90 x 45 x 22');
    await b.settle(250);
    expect(b.text).toContain('can no longer give both squares');
  });

  it('keeps nothing that cannot be read or made', async () => {
    const { b } = await bench();
    for (const [typed, told] of [
      ['70 x', 'A size is missing'],
      ['', 'Write three sizes'],
      ['5 m x 5 m x 5 m', 'No sheet up to 5 m'],
    ]) {
      await b.write('Length x width x height', typed);
      await b.settle(250);
      expect(b.text).toContain(told);
      expect(b.button('Keep these changes').disabled).toBe(true);
    }
    await b.write('Length x width x height', '70 x 45 x 22');
    await b.write('Name of the job', '  ');
    await b.settle(250);
    expect(b.text).toContain('Give it a name.');
    expect(b.button('Keep these changes').disabled).toBe(true);
  });
});
