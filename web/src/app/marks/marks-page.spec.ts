import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { PageBench } from '../testing/bench';
import { MarksPage } from './marks-page';

describe('find a mark', () => {
  const show = async (inputs: Record<string, string> = {}): Promise<PageBench<MarksPage>> => {
    const b = new PageBench(MarksPage, inputs);
    await b.settle();
    b.http.match(({ url }) => url === '/api/eye-tries').forEach((request) => request.flush([]));
    return b;
  };
  const until = async (b: PageBench<MarksPage>, selector: string): Promise<void> => {
    for (let k = 0; k < 60 && !b.host.querySelector(selector); k++) await b.settle(100);
  };

  it('says a third by ruler, by folding and by halving, each fold drawn and said', async () => {
    const b = await show();
    await until(b, 'oc-fold-strip');
    expect(b.text).toContain('50 mm');
    const ways = [...b.host.querySelectorAll('section.card')].map((card) => card.getAttribute('aria-label') ?? '');
    expect(ways.filter((way) => way.startsWith('By folding'))).not.toHaveLength(0);
    expect(ways.some((way) => way.startsWith('By halving a guess'))).toBe(true);
    expect(b.host.querySelectorAll('oc-drawing').length).toBe(b.host.querySelectorAll('oc-fold-strip li').length);
    expect(b.text).toContain('exact in itself');
  });

  it('reads the address: a length on an edge is measured on a sheet that long', async () => {
    const b = await show({ find: '57 mm from the right on 200', sheet: 'A4' });
    await until(b, 'oc-fold-strip');
    expect(b.text).toContain('143 mm');
    expect(b.text).toContain('on 200 × 141.4 mm');
  });

  it('a length that one side has is that side’s; what the address cannot say is told', async () => {
    const b = await show({ find: '5 1/2 in on 8 1/2 in', sheet: 'Letter' });
    await until(b, 'oc-fold-strip');
    expect(b.text).toContain('From the near end of the right edge, on 279.4 × 215.9 mm');
    const other = await show({ find: 'constructor' });
    await other.settle(60);
    expect(other.find('[role="alert"]').textContent).toContain('“constructor” cannot be read.');
  });

  it('divides all at once, and gives a direction in degrees', async () => {
    const b = await show({ find: 'divide into 4', sheet: '120 x 80' });
    await until(b, 'oc-fold-strip');
    expect([...b.host.querySelectorAll('.ruler li')].map((li) => li.textContent?.trim())).toEqual(
      [30, 60, 90].map((mm) => `${mm}\u00a0mm`),
    );
    expect(b.text).toContain('3 folds · exact in itself');
    const other = await show({ find: 'a line at 22.5°' });
    await until(other, 'oc-fold-strip');
    expect(other.host.querySelector('.ruler')).toBeNull();
    expect(other.text).toMatch(/misses by about 0\.\d+°/);
  });

  it('what cannot be read says so beside the field and finds nothing; what was typed stands in the address', async () => {
    const b = await show();
    const router = TestBed.inject(Router);
    const navigate = jest.spyOn(router, 'navigate').mockResolvedValue(true);
    await b.write('What is to be found', '60');
    await b.settle(600);
    expect(await b.said('What is to be found')).toContain('Say on what length');
    expect(b.host.querySelector('oc-fold-strip')).toBeNull();
    await b.write('What is to be found', '2/5');
    await b.settle(600);
    expect(navigate).toHaveBeenLastCalledWith(
      [],
      expect.objectContaining({ queryParams: { find: '2/5', sheet: '150 × 150 mm' } }),
    );
    await b.write('On a sheet of', '2000 x 20');
    await b.settle(600);
    expect(b.text).toContain('at most 20 times as long as wide');
  });
});
