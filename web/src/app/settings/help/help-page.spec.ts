import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parsePurpose, ParseLengthError } from '@odd-corner/core';
import { readLine } from '../../start/asked/purpose-reading';
import { PageBench } from '../../testing/bench';
import { HelpPage } from './help-page';

const HELP = readFileSync(join(__dirname, '../../../../../docs/making.md'), 'utf8');

describe('help', () => {
  it('shows the page that the build wrote, and leads to the start', async () => {
    const bench = new PageBench(HelpPage);
    bench.sent('GET', '/help.html').flush('<h1>From a thing</h1><p><code>60 x 45 x 22</code></p>');
    await bench.settle();
    expect(bench.find('h1').textContent).toBe('From a thing');
    expect(bench.find('a').getAttribute('href')).toBe('/');
  });

  it('that cannot be read is asked for again', async () => {
    const bench = new PageBench(HelpPage);
    bench.sent('GET', '/help.html').error(new ProgressEvent('error'));
    await bench.settle();
    bench.button('Try again').click();
    bench.sent('GET', '/help.html').flush('<p>Here</p>');
    await bench.settle();
    expect(bench.text).toContain('Here');
  });

  it('names nothing to be typed that cannot be read', () => {
    const typed = [...HELP.split('## 2.')[0].matchAll(/`([^`]+)`/g)].map(([, text]) => text);
    expect(typed.length).toBeGreaterThan(8);
    const wrong = typed.filter((text) => readLine(text, 'mm').kind === 'wrong');
    expect(wrong).toEqual([]);
    expect(() => parsePurpose('so many of them')).toThrow(ParseLengthError);
  });
});
