import * as z from 'zod';
import { PageBench } from '../../testing/bench';
import { EditCell } from './edit-cell';

describe('a value that is edited where it stands', () => {
  const begin = async () => {
    const b = new PageBench(EditCell, {
      label: 'Name',
      value: 'Kraft',
      shown: 'Kraft',
      schema: z.string().max(9, 'Too long.'),
    });
    const kept: unknown[] = [];
    b.fixture.componentInstance.kept.subscribe((value: unknown) => kept.push(value));
    await b.settle();
    const open = async (text: string): Promise<void> => {
      b.find('button').click();
      await b.settle();
      b.type('input', text);
    };
    const key = async (name: string): Promise<void> => {
      b.find('input').dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
      await b.settle();
    };
    return { b, kept, open, key };
  };

  it('is kept by Enter, left by Escape, and not kept while it is wrong', async () => {
    const { b, kept, open, key } = await begin();
    await open('Moss');
    await key('Enter');
    expect(kept).toEqual(['Moss']);
    await open('Something much too long');
    await key('Enter');
    expect(b.text).toContain('Too long.');
    await key('Escape');
    expect([kept, b.host.querySelector('input')]).toEqual([['Moss'], null]);
  });

  it('that somebody else changes meanwhile is not overwritten unseen: it is told, and kept when that is pressed again', async () => {
    const { b, kept, open, key } = await begin();
    await open('Moss');
    b.fixture.componentRef.setInput('value', 'Sail');
    b.fixture.componentRef.setInput('shown', 'Sail');
    await b.settle();
    expect(b.find<HTMLInputElement>('input').value).toBe('Moss');
    await key('Enter');
    expect(kept).toEqual([]);
    expect(b.text).toContain('Somebody has made it Sail meanwhile.');
    await key('Enter');
    expect(kept).toEqual(['Moss']);
  });
});
