/**
 * The server under load: first pages of long lists, then 200 requests a second, reading and writing. The time of one fsync on
 * this disk is printed beside it: a write waits for at least one. Run by `npm run bench:server` after a build.
 */
import { UNSAID } from '@odd-corner/contract';
import { demoWorkshop } from '@odd-corner/demo';
import { randomUUID } from 'node:crypto';
import { closeSync, fsyncSync, mkdirSync, openSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { RunningWorkshop } from '../../e2e/running-workshop';
import { openDatabase } from '../../server/src/db/open-database';
import { fillWorkshop, openWorkshop } from '../../server/src/db/workshop';

const JOBS = 10_000;
const ENTRIES = 20_000;
const PER_SECOND = 200;
const SECONDS = 15;
/** Code is compiled while it runs: what is asked first is not counted. */
const WARM_UP_SECONDS = 3;
const ROOT = join(import.meta.dirname, '../..');

const share = (times: readonly number[], part: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(part * times.length))];
const ms = (value: number): string => `${value.toFixed(1)} ms`;

/** Fills a workshop's file with many copies of the demo's jobs and log entries. */
function fill(file: string): { readonly paperId: string; readonly jobId: string } {
  const { jobs, log, ...rest } = demoWorkshop(new Date());
  const db = openDatabase(file, join(ROOT, 'server/migrations'));
  const at = (k: number): string => new Date(Date.UTC(2020, 0, 1) + k * 3_600_000).toISOString();
  const many = Array.from({ length: JOBS }, (_, k) => {
    const one = jobs[k % jobs.length];
    const makes = one.makes.map((make) => ({ ...make, id: randomUUID() }));
    return { ...one, id: randomUUID(), title: `${one.title} ${k}`, makes, updatedAt: at(k) };
  });
  const entries = Array.from({ length: ENTRIES }, (_, k) => {
    const { id: jobId, makes } = many[k % many.length];
    return { ...log[k % log.length], id: randomUUID(), jobId, makeId: makes[0].id, foldedAt: at(k) };
  });
  fillWorkshop(openWorkshop(db), { ...rest, jobs: many, log: entries, trials: [] });
  db.close();
  return { paperId: rest.papers[0].id, jobId: many[0].id };
}

function fsyncTimes(folder: string): number[] {
  const path = join(folder, 'fsync.tmp');
  const file = openSync(path, 'w');
  const block = Buffer.alloc(4096, 1);
  const times = Array.from({ length: 300 }, () => {
    const from = performance.now();
    writeSync(file, block);
    fsyncSync(file);
    return performance.now() - from;
  });
  closeSync(file);
  rmSync(path);
  return times;
}

async function timed(url: string, init?: RequestInit): Promise<number> {
  const from = performance.now();
  const answer = await fetch(url, init);
  await answer.arrayBuffer();
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`);
  return performance.now() - from;
}

/** So many requests a second, sent when they are due whether or not the ones before were answered. */
async function atRate(send: (k: number) => Promise<number>): Promise<number[]> {
  const all: Promise<number>[] = [];
  const from = performance.now();
  for (let k = 0; k < PER_SECOND * (WARM_UP_SECONDS + SECONDS); k++) {
    const wait = from + (1000 * k) / PER_SECOND - performance.now();
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    all.push(send(k));
  }
  return (await Promise.all(all)).slice(PER_SECOND * WARM_UP_SECONDS);
}

const workshop = new RunningWorkshop();
mkdirSync(workshop.data, { recursive: true });
const { jobId } = fill(join(workshop.data, 'workshop.sqlite'));
const fsync = fsyncTimes(workshop.data);
await workshop.start();
const { url } = workshop;

for (const path of ['/api/log', '/api/jobs', '/api/log?search=buttons', '/api/jobs?state=folding']) {
  const times: number[] = [];
  for (let k = 0; k < 60; k++) times.push(await timed(url + path));
  const warm = times.slice(10);
  console.log(`GET ${path}, first page: median ${ms(share(warm, 0.5))}, p99 ${ms(share(warm, 0.99))}`);
}

const reads = [`/api/jobs/${jobId}`, '/api/papers', '/api/settings', '/api/log?limit=20', '/api/things'];
const read = await atRate((k) => timed(url + reads[k % reads.length]));
console.log(`reading, ${PER_SECOND} a second: median ${ms(share(read, 0.5))}, p99 ${ms(share(read, 0.99))}`);

const headers = { 'content-type': 'application/json' };
const paper = (): string =>
  JSON.stringify({
    ...{ id: randomUUID(), name: 'Kraft', widthMm: 420, heightMm: 297, count: 5, gsm: 90, kind: 'kraft' },
    ...{ caliperMm: 0.12, colourFront: '#b98d5b', colourBack: '#b08653', price: null, foodSafe: 'unknown', ...UNSAID },
  });
const written = await atRate(() => timed(`${url}/api/papers`, { method: 'POST', headers, body: paper() }));
console.log(`writing, ${PER_SECOND} a second: median ${ms(share(written, 0.5))}, p99 ${ms(share(written, 0.99))}`);
console.log(`one fsync of 4 kB on this disk: median ${ms(share(fsync, 0.5))}, p99 ${ms(share(fsync, 0.99))}`);
await workshop.stop();
