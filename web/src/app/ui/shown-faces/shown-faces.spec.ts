import { PLAIN_PAPER } from '@odd-corner/core';
import { PageBench } from '../../testing/bench';
import { ShownFaces } from './shown-faces';

describe('what shows where', () => {
  const bench = async (): Promise<PageBench<ShownFaces>> => {
    const asked = {
      formId: 'square-tray-and-eared-lid',
      sheet: { widthMm: 200, heightMm: 200 },
      params: {},
      thicknessMm: 0.1,
    };
    const b = new PageBench(ShownFaces, { asked, colours: PLAIN_PAPER, prints: true });
    for (let k = 0; k < 40 && !b.host.querySelector('mat-list-option'); k++) await b.settle(60);
    return b;
  };
  const picked = (b: PageBench<ShownFaces>, stack: number): number =>
    b.host.querySelectorAll('.stack')[stack].querySelectorAll('polygon.picked').length;

  it('lights a face up on the piece and on the sheet, and says where to draw', async () => {
    const b = await bench();
    const options = [...b.host.querySelectorAll<HTMLElement>('mat-list-option')];
    expect(options.length).toBeGreaterThan(5);
    expect(picked(b, 0)).toBeGreaterThan(0);
    expect(b.find('.words').textContent).toContain('With the coloured side up');
    const before = b.find('.words').textContent;
    options[3].click();
    await b.settle(60);
    expect(b.find('.words').textContent).not.toBe(before);
    const sheets = b.host.querySelectorAll('.stack').length - 1;
    expect(Array.from({ length: sheets }, (_, k) => picked(b, k + 1)).reduce((a, c) => a + c)).toBeGreaterThan(0);
  });

  it('is picked on the sheet as well, and printed', async () => {
    const b = await bench();
    const asked: number[] = [];
    b.fixture.componentInstance.print.subscribe((face) => asked.push(face));
    const polygons = [...b.host.querySelectorAll('.stack')[1].querySelectorAll('polygon:not(.patch)')];
    const other = polygons.find((one) => !one.classList.contains('picked'))!;
    other.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await b.settle(60);
    expect(other.classList.contains('picked')).toBe(true);
    b.button('Print this face on the sheet').click();
    expect(asked).toHaveLength(1);
    expect(asked[0]).toBeGreaterThan(0);
  });
});
