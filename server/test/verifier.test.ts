import { build } from 'esbuild';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { verifier as threadOf } from '../src/verify/verifier';
import { type VerifyAsked, verifyMake } from '../src/verify/verify-make';
import { watchJob } from './workshop';

const dir = mkdtempSync(join(tmpdir(), 'odd-corner-verifier-'));
const script = join(dir, 'verify-worker.mjs');
const open: ReturnType<typeof threadOf>[] = [];
const verifier = (file: string, longestMs?: number): ReturnType<typeof threadOf> => {
  open.push(threadOf(file, longestMs));
  return open[open.length - 1];
};
const ASKED: VerifyAsked = { make: watchJob(null).makes[0].make, handMm: 0.3 };

beforeAll(async () => {
  await build({
    ...{ entryPoints: [join(__dirname, '../src/verify/verify-worker.ts')], outfile: script },
    ...{ bundle: true, platform: 'node', format: 'esm', target: 'node20' },
  });
});
afterAll(async () => {
  await Promise.all(open.map((one) => one.close()));
  rmSync(dir, { recursive: true });
});

describe('the thread that folds for the server', () => {
  it('says what folding here says, or why it cannot, and lets others work meanwhile', async () => {
    const { ask: verify } = verifier(script);
    let turns = 0;
    const turning = setInterval(() => turns++, 5);
    const both = await Promise.all([
      verify(ASKED),
      verify({ ...ASKED, make: { ...ASKED.make, formId: 'paper-moon' } }),
    ]);
    clearInterval(turning);
    expect(both[0]).toEqual(verifyMake(ASKED));
    expect(both[1]).toEqual({ refused: 'No form is called “paper-moon”.' });
    expect(turns).toBeGreaterThan(3);
  });

  it('that is stuck is replaced, and only what it was folding is refused', async () => {
    const stuck = join(dir, 'stuck.mjs');
    writeFileSync(
      stuck,
      `import { parentPort } from 'node:worker_threads';
       parentPort.on('message', ({ n, asked }) => {
         if (asked.handMm === 1) for (;;);
         parentPort.postMessage({ n, answer: { refused: 'as asked' } });
       });`,
    );
    const { ask: verify } = verifier(stuck, 300);
    const [first, second] = await Promise.all([verify({ ...ASKED, handMm: 1 }), verify(ASKED)]);
    expect(first).toEqual({ refused: 'It could not be folded in a reasonable time.' });
    expect(second).toEqual({ refused: 'as asked' });
  });

  it('that dies fails what it was folding, and the next is folded by another', async () => {
    const dying = join(dir, 'dying.mjs');
    writeFileSync(
      dying,
      `import { parentPort } from 'node:worker_threads';
       parentPort.on('message', ({ n, asked }) => {
         if (asked.handMm === 1) process.exit(3);
         if (asked.handMm === 2) parentPort.postMessage({ n, failed: 'a fault of ours' });
         else parentPort.postMessage({ n, answer: { refused: 'as asked' } });
       });`,
    );
    const { ask: verify } = verifier(dying);
    await expect(verify({ ...ASKED, handMm: 1 })).rejects.toThrow('ended with 3');
    await expect(verify({ ...ASKED, handMm: 2 })).rejects.toThrow('a fault of ours');
    expect(await verify(ASKED)).toEqual({ refused: 'as asked' });
  });

  it('takes no more than it can fold in time, and lets go when it is closed', async () => {
    const own = threadOf(script);
    const all = Array.from({ length: 300 }, () =>
      own.ask(ASKED).then(
        () => 'told',
        ({ status }: { status: number }) => status,
      ),
    );
    await own.close();
    const ends = await Promise.all(all);
    expect(new Set(ends)).toEqual(new Set([503]));
  });
});
