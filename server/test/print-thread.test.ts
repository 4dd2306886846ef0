import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ProblemError } from '../src/http/problem-error';
import { printInThread } from '../src/print/print-in-thread';
import type { PrintAsked } from '../src/print/print-asked';
import { FONTS } from './workshop';

const dir = mkdtempSync(join(tmpdir(), 'odd-corner-thread-'));
const script = (name: string, code: string): string => {
  const file = join(dir, `${name}.mjs`);
  writeFileSync(file, `import { parentPort, workerData } from 'node:worker_threads';\n${code}`);
  return file;
};
const asked = { title: 'Watch parts' } as PrintAsked;
const statusOf = async (work: Promise<unknown>): Promise<number | string> =>
  work.then(
    () => 'printed',
    (error: unknown) => (error instanceof ProblemError ? error.status : 'failed'),
  );

describe('the printing thread', () => {
  it('hands over what was asked, and what comes of it', async () => {
    const print = printInThread(script('echo', 'parentPort.postMessage({ refused: workerData.asked.title });'), FONTS);
    expect(await print(asked)).toEqual({ refused: 'Watch parts' });
  });

  it('that is stuck is ended, and said to be late; that dies says so; others are printed after it', async () => {
    const stuck = printInThread(script('stuck', 'setInterval(() => undefined, 1000);'), FONTS, 80);
    // As many as there may be at once, and one more.
    const all = await Promise.all(Array.from({ length: 4 }, () => statusOf(stuck(asked))));
    expect(all).toEqual([503, 503, 503, 503]);
    expect(await statusOf(stuck(asked))).toBe(503);
    const dead = printInThread(script('dead', 'process.exit(3);'), FONTS);
    expect(await statusOf(dead(asked))).toBe('failed');
  });
});
