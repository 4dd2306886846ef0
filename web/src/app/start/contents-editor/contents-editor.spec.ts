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
    expect(values(bench)).toEqual([
      '4',
      'tickets',
      '105 mm',
      '74 mm',
      '1 mm',
      '1',
      'hex key',
      '120 mm',
      '35 mm',
      '8 mm',
    ]);
  });

  it('writes a line that reads back as what was put in', async () => {
    const { bench, lines } = await show(null);
    await bench.write('How many', '3');
    await bench.write('What', 'tea lights, 4 h');
    await bench.choose('Shape', 'Round, with a height');
    expect(bench.host.querySelectorAll('.size')).toHaveLength(2);
    await bench.write('Diameter', '38');
    await bench.write('Height', '1,6 cm');
    expect(parsePurpose(lines[lines.length - 1])).toEqual({
      kind: 'hold',
      pieces: [{ name: 'tea lights h', count: 3, thing: { shape: 'cylinder', diameterMm: 38, lengthMm: 16 } }],
    });
  });

  it('leaves out rows that are not finished, and takes parts out', async () => {
    const { bench, lines } = await show('2 dice 16 x 16 x 16, card 90 x 60');
    bench.button('Add another thing').click();
    await bench.settle();
    await bench.write('How many', '5', '[aria-label="Part 1"]');
    expect(lines[lines.length - 1]).toBe('5 dice 16 × 16 × 16 mm, card 90 × 60 mm');
    bench.host.querySelectorAll<HTMLButtonElement>('li button')[0].click();
    expect(lines[lines.length - 1]).toMatch(/^card/);
  });

  it('tells what is wrong beside its field, and says nothing of that part meanwhile', async () => {
    const { bench, lines } = await show('2 dice 16 x 16 x 16');
    for (const [field, text, told] of [
      ['Length', '16 furlongs', 'is not a unit known here'],
      ['Width', '', 'Write a size'],
      ['How many', '1.5', 'Count from 1 to 2,000'],
      ['How many', '2001', 'Count from 1 to 2,000'],
    ] as const) {
      const before = await bench.reads(field);
      await bench.write(field, text);
      expect(await bench.said(field)).toContain(told);
      expect(lines[lines.length - 1]).toBe('');
      await bench.write(field, before);
      expect(lines[lines.length - 1]).toBe('2 dice 16 × 16 × 16 mm');
    }
  });
});
