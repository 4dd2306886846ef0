import { HANDS, RULERS } from '@odd-corner/core';
import { PageBench, SETTINGS } from '../testing/bench';
import { SettingsPage } from './settings-page';

describe('settings', () => {
  it('show what is kept, keep what is chosen, and take it back', async () => {
    const bench = new PageBench(SettingsPage, {}, { ...SETTINGS, unit: 'in', ruler: 'eighth-inch' });
    await bench.settle();
    expect(await (await bench.list('Lengths are shown in')).getValueText()).toBe('inches in fractions');
    expect(bench.text).toContain(HANDS.practised.reason);
    await bench.choose('Your ruler shows', RULERS['half-mm'].name);
    const request = bench.sent('PUT', '/api/settings');
    expect(request.request.body).toEqual({ ...SETTINGS, unit: 'in', ruler: 'half-mm' });
    request.flush({ ...SETTINGS, unit: 'in', ruler: 'half-mm', version: 2 });
    await bench.settle();
    document.querySelector<HTMLButtonElement>('mat-snack-bar-container button')?.click();
    await bench.settle();
    expect(bench.sent('PUT', '/api/settings').request.body).toMatchObject({ ruler: 'eighth-inch', version: 2 });
  });
});
