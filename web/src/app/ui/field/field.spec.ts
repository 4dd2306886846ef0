import { parseNumber } from '@odd-corner/core';
import { PageBench } from '../../testing/bench';
import { controlOf } from '../forms/schema-form';
import * as z from 'zod';
import type { Codec } from './codec';
import { Field } from './field';

const digits: Codec<number> = {
  read(text) {
    const value = parseNumber(text);
    return text === '' ? { value: null } : value === null ? { why: `“${text}” is no number.` } : { value };
  },
  write: (value) => `${value}`,
};
const control = (value: number | null) => controlOf<number>(z.number('Needed.').max(10, 'At most 10.'), value);

describe('a field', () => {
  const show = async (given = control(4), more = {}) => {
    const bench = new PageBench(Field<number>, { label: 'Size', control: given, codec: digits, ...more });
    await bench.settle();
    return { bench, given };
  };

  it('writes what is given, reads what is typed, and keeps what cannot be read as it was typed', async () => {
    const { bench, given } = await show();
    expect(await bench.reads('Size')).toBe('4');
    await bench.write('Size', '7,5');
    expect(given.value).toBe(7.5);
    await bench.write('Size', 'seven');
    expect([given.value, given.valid]).toEqual([null, false]);
    expect(await bench.reads('Size')).toBe('seven');
    expect(await bench.said('Size')).toBe('“seven” is no number.');
    given.setValue(9);
    await bench.settle();
    expect([await bench.reads('Size'), given.valid, await bench.isWrong('Size')]).toEqual(['9', true, false]);
  });

  it('says what the schema does not accept only once it is left', async () => {
    const { bench, given } = await show();
    bench.type('input', '99');
    await bench.settle();
    expect(await bench.isWrong('Size')).toBe(false);
    given.markAsTouched();
    await bench.settle();
    expect(await bench.said('Size')).toBe('At most 10.');
    expect(bench.find('input').getAttribute('aria-invalid')).toBe('true');
  });

  it('writes anew what nobody has typed when numbers are written otherwise, and leaves the maker’s own text', async () => {
    const { bench } = await show();
    bench.fixture.componentRef.setInput('codec', { ...digits, write: (value: number) => `${value},0` });
    await bench.settle();
    expect(await bench.reads('Size')).toBe('4,0');
    await bench.write('Size', '5');
    bench.fixture.componentRef.setInput('codec', { ...digits, write: (value: number) => `${value};` });
    await bench.settle();
    expect(await bench.reads('Size')).toBe('5');
  });

  it('lets go of a control that is taken away', async () => {
    const { bench, given } = await show();
    await bench.write('Size', 'seven');
    const next = control(3);
    bench.fixture.componentRef.setInput('control', next);
    await bench.settle();
    expect(await bench.reads('Size')).toBe('3');
    given.setValue(6);
    await bench.settle();
    expect(await bench.reads('Size')).toBe('3');
    expect(given.valid).toBe(true);
  });

  it('offers texts, those that hold what is typed', async () => {
    const { bench, given } = await show(control(null), { offers: ['10', '7', '17'] });
    const box = bench.find<HTMLInputElement>('input');
    box.focus();
    bench.type('input', '7');
    await bench.settle();
    expect(box.getAttribute('role')).toBe('combobox');
    const options = [...document.querySelectorAll<HTMLElement>('mat-option')];
    expect(options.map(({ textContent }) => textContent.trim())).toEqual(['10', '7', '17']);
    bench.type('input', '1');
    await bench.settle();
    expect([...document.querySelectorAll('mat-option')].map(({ textContent }) => textContent.trim())).toEqual([
      '10',
      '17',
    ]);
    document.querySelector<HTMLElement>('mat-option')?.click();
    await bench.settle();
    expect(given.value).toBe(10);
  });
});
