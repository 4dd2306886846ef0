import { parsePurpose } from '@odd-corner/core';
import { PageBench } from '../../testing/bench';
import { ContentsEditor } from './contents-editor';

describe('contents put together from parts', () => {
  const show = async (text: string | null) => {
    const bench = new PageBench(ContentsEditor, { purpose: text === null ? null : parsePurpose(text) });
    const lines: string[] = [];
    bench.fixture.componentInstance.written.subscribe((line) => lines.push(line));
    await bench.settle();
    return { bench, lines };
  };
  const values = (bench: PageBench<ContentsEditor>): string[] =>
    [...bench.host.querySelectorAll('input')].map((input) => input.value);

  it('starts with what the line says', async () => {
    const { bench } = await show('4 tickets 105 x 74 x 1, one hex key 120 x 35 x 8');
    expect(values(bench)).toEqual(['4', 'tickets', '105', '74', '1', '1', 'hex key', '120', '35', '8']);
  });

  it('writes a line that reads back as what was put in', async () => {
    const { bench, lines } = await show(null);
    bench.type('.count input', '3');
    bench.type('.name input', 'tea lights, 4 h');
    await bench.choose('Shape', 'Round, with a height');
    const sizes = [...bench.host.querySelectorAll<HTMLInputElement>('.size input')];
    expect(sizes).toHaveLength(2);
    ['38', '16'].forEach((mm, k) => {
      sizes[k].value = mm;
      sizes[k].dispatchEvent(new Event('input'));
    });
    expect(parsePurpose(lines[lines.length - 1])).toEqual({
      kind: 'hold',
      pieces: [{ name: 'tea lights h', count: 3, thing: { shape: 'cylinder', diameterMm: 38, lengthMm: 16 } }],
    });
  });

  it('leaves out rows that are not finished, and takes parts out', async () => {
    const { bench, lines } = await show('2 dice 16 x 16 x 16, card 90 x 60');
    bench.button('One more part').click();
    await bench.settle();
    bench.type('.count input', '5');
    expect(lines[lines.length - 1]).toMatch(/^5 dice 16 x 16 x 16 mm, 1 card 90 x 60 x 0\.3 mm$/);
    bench.host.querySelectorAll<HTMLButtonElement>('li button')[0].click();
    expect(lines[lines.length - 1]).toMatch(/^1 card/);
  });
});
