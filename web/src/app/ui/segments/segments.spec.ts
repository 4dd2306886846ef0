import { PageBench } from '../../testing/bench';
import { Segments } from './segments';

describe('a few choices side by side', () => {
  const show = async (): Promise<PageBench<Segments>> => {
    const choices = ['snug', 'easy', 'loose'].map((id) => ({ id, label: id }));
    const bench = new PageBench(Segments, { legend: 'Room', name: 'room', choices, chosen: 'easy' });
    await bench.settle();
    return bench;
  };

  it('are one group of radio buttons with a name, one of them taken', async () => {
    const bench = await show();
    const radios = [...bench.host.querySelectorAll<HTMLInputElement>('input[type=radio]')];
    expect(bench.find('legend').textContent).toBe('Room');
    expect(new Set(radios.map(({ name }) => name))).toEqual(new Set(['room']));
    expect(radios.filter(({ checked }) => checked).map(({ value }) => value)).toEqual(['easy']);
  });

  it('tell what is chosen', async () => {
    const bench = await show();
    const told: string[] = [];
    bench.fixture.componentInstance.choose.subscribe((id) => told.push(id));
    bench.find<HTMLInputElement>('input[value=loose]').click();
    expect(told).toEqual(['loose']);
  });
});
