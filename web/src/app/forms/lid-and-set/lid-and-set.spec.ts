import { PageBench } from '../../testing/bench';
import { LidAndSet } from './lid-and-set';

jest.mock('../../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

describe('what belongs to a tray', () => {
  const show = async (sheetMm: number, wallMm: number | null = null): Promise<PageBench<LidAndSet>> => {
    const bench = new PageBench(LidAndSet, { sheetMm, wallMm });
    await bench.settle(400);
    return bench;
  };
  const note = (bench: PageBench<LidAndSet>, of: string): string =>
    (bench.find(`#${of}-note`).textContent ?? '').replace(/\s+/g, ' ');

  it('a lid from a larger sheet goes over it, one from a smaller sheet into it', async () => {
    const bench = await show(150);
    const play = (): number => parseFloat(/ ([\d.]+) mm of play along/.exec(note(bench, 'f-lid-sheet'))?.[1] ?? '');
    expect(note(bench, 'f-lid-sheet')).toContain('Goes over the tray');
    const usual = play();
    bench.type('#f-lid-sheet', '12');
    await bench.settle(400);
    expect(play()).toBeGreaterThan(usual);
    bench.type('#f-lid-sheet', '-10');
    await bench.settle(400);
    expect(note(bench, 'f-lid-sheet')).toContain('Goes inside the tray');
  });

  it('walls that the lid’s sheet does not give are made as near as it can', async () => {
    for (const sheetMm of [60, 600])
      for (const wallMm of [1, 400]) expect(note(await show(sheetMm, wallMm), 'f-lid-sheet')).toMatch(/tray/);
  });

  it('a set of trays names ever larger sheets, one for each tray', async () => {
    const bench = await show(150);
    for (const count of [2, 4]) {
      bench.type('#f-count', `${count}`);
      await bench.settle(2400);
      const sheets = [...note(bench, 'f-count').matchAll(/(\d+)\s*mm/g)].map((m) => Number(m[1]));
      expect(sheets).toHaveLength(count);
      expect(sheets[0]).toBe(150);
      expect([...sheets].sort((a, b) => a - b)).toEqual(sheets);
    }
  });
});
