import { PageBench } from '../../testing/bench';
import { CutSheet, type ShownCut } from './cut-sheet';

const cut = (more: Partial<ShownCut['parent']> = {}): ShownCut => ({
  ...{ paper: 'Kraft', size: { widthMm: 420, heightMm: 297 }, caliperMm: 0.25, names: ['pocket', 'strip'] },
  colours: { front: '#b98d5b', back: '#fbf8ef' },
  parent: {
    sheets: 6,
    pieces: [{ wanted: 0, turned: false, xMm: 0, yMm: 0, widthMm: 200.4, heightMm: 297 }],
    cuts: [{ piece: { xMm: 0, yMm: 0, widthMm: 420, heightMm: 297 }, runs: 'upright', atMm: 200.4 }],
    offcuts: [{ xMm: 200.4, yMm: 0, widthMm: 219.6, heightMm: 297 }],
    ...more,
  },
});

describe('a sheet of a cutting plan', () => {
  const show = async (shown: ShownCut, more: object = {}): Promise<PageBench<CutSheet>> => {
    const bench = new PageBench(CutSheet, { shown, ruler: 'mm', ...more });
    await bench.settle();
    return bench;
  };

  it('tells each cut from both edges, on a mark that leaves the pieces large enough', async () =>
    expect((await show(cut())).text).toContain('Upright, 201 mm from the left edge, 219 mm from the right'));

  it('says where no mark does, and what the cut itself takes', async () => {
    const tight = cut({
      pieces: [0, 1].map((k) => ({ wanted: 0, turned: false, xMm: k * 210.5, yMm: 0, widthMm: 209.5, heightMm: 297 })),
      cuts: [{ piece: { xMm: 0, yMm: 0, widthMm: 420, heightMm: 297 }, runs: 'upright', atMm: 209.5 }],
      offcuts: [],
    });
    const { text } = await show(tight, { lossMm: 1 });
    expect(text).toContain('209.5 mm from the left edge, 209.5 mm from the right. It falls between two marks');
  });

  it('stacks sheets that are cut alike as far as a blade goes', async () => {
    expect((await show(cut())).text).toContain('up to 4 in a stack, so in 2 stacks');
    expect((await show(cut(), { tool: 'scissors' })).text).toContain('up to 2 in a stack, so in 3 stacks');
    expect((await show({ ...cut(), caliperMm: 1.2 })).text).toContain('Too thick to stack');
    expect((await show(cut({ sheets: 1 }))).text).not.toContain('stack');
  });

  it('tells what goes back to the shelf, and what is scrap', async () => {
    expect((await show(cut())).text).toContain('back to the shelf: 219.6 × 297 mm');
    expect((await show(cut({ offcuts: [] }))).text).toContain('Scrap: 52 % of the sheet.');
  });

  it('has nothing to cut where the sheet is right', async () => {
    const whole = [{ wanted: 1, turned: false, xMm: 0, yMm: 0, widthMm: 420, heightMm: 297 }];
    expect((await show(cut({ cuts: [], offcuts: [], pieces: whole }))).text).toMatch(/gives 1 × strip.*nothing to cut/);
  });
});
