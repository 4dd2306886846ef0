import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { MatButtonToggleGroupHarness } from '@angular/material/button-toggle/testing';
import { PageBench } from '../../testing/bench';
import { Segments } from './segments';

describe('a few choices side by side', () => {
  const show = async () => {
    const choices = ['snug', 'easy', 'loose'].map((id) => ({ id, label: id }));
    const bench = new PageBench(Segments, { legend: 'Room', name: 'room', choices, chosen: 'easy' });
    await bench.settle();
    const group = await TestbedHarnessEnvironment.loader(bench.fixture).getHarness(MatButtonToggleGroupHarness);
    return { bench, group };
  };

  it('are one group with a name, one of them taken', async () => {
    const { bench, group } = await show();
    const host = bench.find('mat-button-toggle-group');
    expect(bench.find(`#${host.getAttribute('aria-labelledby')!}`).textContent).toBe('Room');
    const taken = await group.getToggles({ checked: true });
    expect(await Promise.all(taken.map((one) => one.getText()))).toEqual(['easy']);
  });

  it('tell what is chosen', async () => {
    const { bench, group } = await show();
    const told: string[] = [];
    bench.fixture.componentInstance.choose.subscribe((id) => told.push(id));
    const [loose] = await group.getToggles({ text: 'loose' });
    await loose.check();
    expect(told).toEqual(['loose']);
  });
});
