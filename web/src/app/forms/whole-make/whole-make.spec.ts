import { PageBench } from '../../testing/bench';
import { WholeMake } from './whole-make';

jest.mock('../../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

describe('what belongs to a tray', () => {
  const show = async (side: number, params: Readonly<Record<string, unknown>>): Promise<PageBench<WholeMake>> => {
    const bench = new PageBench(WholeMake, {
      formId: 'square-tray-and-eared-lid',
      sheet: { widthMm: side, heightMm: side },
      params,
    });
    await bench.settle(2400);
    return bench;
  };
  const sheets = (bench: PageBench<WholeMake>): number[] =>
    [...(bench.host.querySelector('dl')?.textContent ?? '').matchAll(/([\d.]+)\s*mm/g)].map((m) => Number(m[1]));

  it('a lid comes from a larger sheet, a plain one from no larger one than one with ears', async () => {
    const [eared] = sheets(await show(150, { lid: 'eared' }));
    const [plain] = sheets(await show(150, { lid: 'plain' }));
    expect(eared).toBeGreaterThan(150);
    expect(plain).toBeGreaterThan(150);
    expect(sheets(await show(150, {}))).toEqual([]);
  });

  it('each tray of a set comes from a larger sheet, and the lid goes over the outermost', async () => {
    const set = sheets(await show(150, { lid: 'eared', nested: 3 }));
    expect(set).toHaveLength(3);
    expect([150, ...set]).toEqual([...set, 150].sort((a, b) => a - b));
  });

  it('says why nothing belongs to a piece that cannot be folded', async () => {
    const bench = await show(150, { lid: 'eared', wallMm: 5 });
    expect(bench.find('[role=alert]').textContent).toContain('does not suit a sheet of 150');
  });

  it('tells what was chosen', async () => {
    const bench = await show(150, {});
    const told: unknown[] = [];
    bench.fixture.componentInstance.chose.subscribe((one) => told.push(one));
    bench.type('#w-nested', '3');
    expect(told).toEqual([{ key: 'nested', value: 3 }]);
  });
});
