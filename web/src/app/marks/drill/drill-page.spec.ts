import type { EyeTry } from '@odd-corner/contract';
import { PageBench } from '../../testing/bench';
import { DrillPage } from './drill-page';

const aTry = (n: number, set: number): EyeTry => ({
  id: `00000000-0000-4000-8000-0000000001${String(n).padStart(2, '0')}`,
  ...{ handId: null, share: 0.25, set, sideMm: 100 },
  at: `2026-11-0${n}T10:00:00.000Z`,
});

describe('dividing by eye', () => {
  const show = async (rows: readonly EyeTry[]): Promise<PageBench<DrillPage>> => {
    const b = new PageBench(DrillPage);
    await b.settle();
    b.answer('GET', '/api/hands', []);
    b.http.match(({ url }) => url === '/api/eye-tries').forEach((request) => request.flush([...rows]));
    await b.settle();
    return b;
  };

  beforeEach(() => localStorage.clear());

  it('begins with the usual eye, and tells what tries have shown', async () => {
    expect((await show([])).text).toContain('Until there are tries, an eye is taken to miss by 2.5 %');
    const b = await show([aTry(1, 0.26), aTry(2, 0.24)]);
    expect(b.text).toMatch(/misses by about \d\.\d % of the shorter part, from 2 tries/);
    expect(b.text).toContain('All 2 tries');
  });

  it('keeps where the mark was set, shows the true place and the error, and takes a slip back', async () => {
    const b = await show([]);
    const thumb = b.find<HTMLInputElement>('input[matSliderThumb]');
    thumb.value = '1000';
    thumb.dispatchEvent(new Event('input', { bubbles: true }));
    await b.settle();
    expect(b.host.querySelector('.true')).toBeNull();
    b.button('There').click();
    const sent = b.sent('POST', '/api/eye-tries');
    const body = sent.request.body as EyeTry;
    expect(body.set).toBe(0.5);
    expect(body.handId).toBeNull();
    sent.flush({ ...body, at: '2026-11-30T10:00:00.000Z' });
    await b.settle();
    const off = (0.5 - body.share) * body.sideMm;
    const [said, side] = [b.find('.outcome').textContent ?? '', off > 0 ? 'right' : 'left'];
    if (Math.abs(off) < 0.05) expect(said).toContain('Spot on.');
    else expect(said).toContain(`${Math.abs(off).toFixed(1)} mm too far ${side}.`);
    expect(b.find('.true').style.left).toBe(`${100 * body.share}%`);
    b.button('That was a slip').click();
    b.sent('DELETE', `/api/eye-tries/${body.id}`).flush(null);
    await b.settle();
    expect(b.host.querySelector('.true')).toBeNull();
    expect(b.text).toContain('Until there are tries');
  });

  it('what could not be kept can be tried again, with the mark where it was set', async () => {
    const b = await show([]);
    const before = b.find('.mark').style.left;
    b.button('There').click();
    b.sent('POST', '/api/eye-tries').flush({ message: 'No room.' }, { status: 507, statusText: 'Full' });
    await b.settle();
    expect(b.find('.mark').style.left).toBe(before);
    expect(b.button('There').disabled).toBe(false);
  });

  it('is as large as a card held to the screen says, and remembers it for this zoom', async () => {
    const b = await show([]);
    expect(b.text).toContain('this screen has not been measured');
    b.find('mat-expansion-panel-header').click();
    await b.settle(50);
    const card = b.find<HTMLInputElement>('oc-slider input');
    card.value = '428';
    card.dispatchEvent(new Event('input', { bubbles: true }));
    await b.settle();
    expect(b.text).not.toContain('this screen has not been measured');
    expect(b.find('.frame span').style.width).toBe('428px');
    const again = await show([]);
    expect(again.text).not.toContain('this screen has not been measured');
  });
});
