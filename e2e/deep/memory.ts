/**
 * A hundred thousand requests of all kinds on one server, and its memory meanwhile: what it holds after the first tenth is what
 * it may hold after the last. Run after a build: `node --import tsx e2e/deep/memory.ts [requests]`.
 */
import { UNSAID } from '@odd-corner/contract';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { RunningWorkshop } from '../running-workshop';

const REQUESTS = Number(process.argv[2] ?? 100_000);
const AT_ONCE = 20;
const PARTS = 10;
/** So little room has the collector that it has to clear up: without that, memory grows because nobody asks for it. */
const HEAP_MB = 120;
/** By so much more than after the first parts it may be. */
const BREATH_MB = 30;
const KB_PER_MB = 1024;

const workshop = new RunningWorkshop(['--demo'], { env: { NODE_OPTIONS: `--max-old-space-size=${HEAP_MB}` } });
await workshop.start();
const { url } = workshop;
const headers = { 'content-type': 'application/json' };

const memory = (): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${workshop.pid}/status`, 'utf8'))![1]) / KB_PER_MB;

const paper = (k: number): object => ({
  ...{ id: randomUUID(), name: `Paper ${k}`, widthMm: 420, heightMm: 297, count: 5, gsm: 90, kind: 'kraft' },
  ...{ caliperMm: 0.12, colourFront: '#b98d5b', colourBack: '#b08653', price: null, foodSafe: 'unknown', ...UNSAID },
});
const { rows } = (await (await fetch(`${url}/api/jobs`)).json()) as { rows: { id: string }[] };

/** One request of each kind in turn: lists, searches that nobody made before, one row, what is wrong, what is written and thrown away. */
async function ask(k: number): Promise<void> {
  const kinds: (() => Promise<Response>)[] = [
    () => fetch(`${url}/api/papers`),
    () => fetch(`${url}/api/log?search=${randomUUID()}`),
    () => fetch(`${url}/api/jobs/${rows[k % rows.length].id}`),
    () => fetch(`${url}/api/jobs?limit=10`, { headers: { 'accept-encoding': 'gzip' } }),
    () => fetch(`${url}/api/nothing/${randomUUID()}`),
    () => fetch(`${url}/`),
    () => fetch(`${url}/api/health`),
    () => fetch(`${url}/api/papers`, { method: 'POST', headers, body: '{"name":' }),
    () => fetch(`${url}/api/settings`),
    async () => {
      const body = paper(k);
      await (await fetch(`${url}/api/papers`, { method: 'POST', headers, body: JSON.stringify(body) })).arrayBuffer();
      const { id } = body as { id: string };
      await (await fetch(`${url}/api/papers/${id}`, { method: 'DELETE' })).arrayBuffer();
      return fetch(`${url}/api/bin/${id}`, { method: 'DELETE' });
    },
  ];
  const answer = await kinds[k % kinds.length]();
  await answer.arrayBuffer();
  if (answer.status >= 500) throw new Error(`${answer.status} at request ${k}`);
}

const seen: number[] = [];
let k = 0;
for (let part = 1; part <= PARTS; part++) {
  const until = Math.round((REQUESTS * part) / PARTS);
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (k < until) await ask(k++);
    }),
  );
  seen.push(memory());
  console.log(`after ${k} requests: ${seen[seen.length - 1].toFixed(0)} MB`);
}
await workshop.stop();
const grown = Math.max(...seen.slice(-3)) - Math.max(...seen.slice(0, 3));
console.log(`grown by ${grown.toFixed(1)} MB from the first three tenths to the last three`);
process.exit(grown > BREATH_MB ? 1 : 0);
