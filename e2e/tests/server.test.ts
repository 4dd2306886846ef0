import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { addPaper, expect, test } from '../workshop';

const MAIN = join(import.meta.dirname, '../../server/dist/main.mjs');

test('a power cut right after an answered write loses nothing', async ({ workshop }) => {
  const written: string[] = [];
  for (let round = 0; round < 5; round++) {
    for (let k = 0; k <= round; k++) written.push((await addPaper(workshop.url, { name: `Paper ${round}.${k}` })).id);
    await workshop.kill();
    await workshop.start();
    const papers = (await (await fetch(`${workshop.url}/api/papers`)).json()) as { id: string }[];
    expect(papers.map(({ id }) => id).sort()).toEqual([...written].sort());
  }
});

test('ends cleanly when it is told to', async ({ workshop }) => {
  expect(await workshop.stop()).toBe(0);
});

test('a port in use gets a clear message', async ({ workshop }) => {
  const second = spawn(process.execPath, [MAIN], {
    env: { ...process.env, PORT: new URL(workshop.url).port, ODD_CORNER_DATA: workshop.data },
  });
  let said = '';
  second.stderr.on('data', (text: Buffer) => (said += text.toString()));
  const [code] = (await once(second, 'exit')) as [number];
  expect(code).toBe(1);
  expect(said).toContain('is in use');
});

test('unknown files are not answered with the page', async ({ workshop }) => {
  expect((await fetch(`${workshop.url}/assets/nothing.js`)).status).toBe(404);
  expect((await fetch(`${workshop.url}/jobs`)).status).toBe(200);
});
