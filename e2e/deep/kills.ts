/**
 * Ends the server at once, again and again, while it writes, copies and migrates, and looks each time whether everything that
 * was acknowledged is there. `npm run test:deep` runs it; a number as argument says how often.
 */
import { UNSAID } from '@odd-corner/contract';
import Database from 'better-sqlite3';
import { randomUUID } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { RunningWorkshop } from '../running-workshop';

const ROUNDS = Number(process.argv[2] ?? 200);
/** Of all rounds, those that end a migration. */
const MIGRATING = Math.ceil(ROUNDS / 5);
const MIGRATIONS = join(import.meta.dirname, '../../server/migrations');

const PAPER = {
  ...{ name: 'Kraft', widthMm: 420, heightMm: 297, count: 500, gsm: 90, kind: 'kraft', caliperMm: 0.12 },
  ...{ colourFront: '#b98d5b', colourBack: '#b08653', price: null, foodSafe: 'unknown', ...UNSAID },
};

interface Row {
  readonly id: string;
  readonly version: number;
}

/** What the server said it has: the newest acknowledged version of each paper. */
const acknowledged = new Map<string, number>();
let writes = 0;
let backups = 0;

async function send(workshop: RunningWorkshop, method: string, path: string, body?: object): Promise<unknown> {
  const answer = await fetch(workshop.url + path, {
    method,
    headers: { 'content-type': 'application/json' },
    body: body && JSON.stringify(body),
  });
  if (answer.status >= 500) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return answer.json();
}

/** Writes until the server is gone. */
async function write(workshop: RunningWorkshop): Promise<void> {
  const mine: Row[] = [];
  for (;;)
    try {
      const old = mine.length && Math.random() < 0.5 ? mine[Math.floor(Math.random() * mine.length)] : null;
      const count = Math.floor(Math.random() * 1000);
      const row = (
        old
          ? await send(workshop, 'PUT', `/api/papers/${old.id}`, { ...PAPER, count, version: old.version })
          : await send(workshop, 'POST', '/api/papers', { ...PAPER, count, id: randomUUID() })
      ) as Row;
      if (old) mine.splice(mine.indexOf(old), 1);
      mine.push(row);
      acknowledged.set(row.id, row.version);
      writes++;
    } catch {
      return;
    }
}

async function copy(workshop: RunningWorkshop): Promise<void> {
  for (;;)
    try {
      await send(workshop, 'POST', '/api/backups');
      backups++;
    } catch {
      return;
    }
}

/** How many acknowledged rows are missing, or older than what was acknowledged. */
async function lost(workshop: RunningWorkshop): Promise<number> {
  const there = new Map<string, number>();
  let next: string | null = '';
  while (next !== null) {
    const part = (await send(workshop, 'GET', `/api/papers?limit=500${next && `&cursor=${next}`}`)) as {
      rows: Row[];
      next: string | null;
    };
    for (const { id, version } of part.rows) there.set(id, version);
    next = part.next;
  }
  return [...acknowledged].filter(([id, version]) => (there.get(id) ?? 0) < version).length;
}

function checkBackups(folder: string): number {
  const names = readdirSync(folder).filter((name) => name.endsWith('.sqlite'));
  for (const name of names) {
    const db = new Database(join(folder, name), { readonly: true });
    const [{ quick_check: state }] = db.pragma('quick_check(1)') as { quick_check: string }[];
    if (state !== 'ok') throw new Error(`${name}: ${state}`);
    db.prepare('SELECT count(*) FROM papers').get();
    db.close();
  }
  return names.length;
}

async function whileWriting(rounds: number): Promise<void> {
  const workshop = new RunningWorkshop();
  await workshop.start();
  let checked = 0;
  for (let round = 0; round < rounds; round++) {
    const lanes = [...Array.from({ length: 4 }, () => write(workshop)), copy(workshop)];
    await new Promise((resolve) => setTimeout(resolve, 20 + Math.random() * 230));
    await workshop.kill();
    await Promise.all(lanes);
    await workshop.start();
    const missing = await lost(workshop);
    if (missing) throw new Error(`Round ${round}: ${missing} of ${acknowledged.size} acknowledged rows are lost.`);
    checked += checkBackups(join(workshop.data, 'backups'));
  }
  console.log(
    `${rounds} kills while writing: ${writes} acknowledged writes, 0 lost; ${backups} backups made, each of ${checked} looked at opens.`,
  );
  await workshop.stop();
}

/** A workshop of before there were makes, with many jobs and log entries. */
function oldWorkshop(file: string, rows: number): void {
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  for (const name of readdirSync(MIGRATIONS).sort().slice(0, 4)) db.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
  db.pragma('user_version = 4');
  const choice = JSON.stringify({
    ...{ formId: 'square-tray-and-eared-lid', walls: 'folded', ruler: 'mm', thicknessMm: 0.1, paperId: null },
    ...{ tray: { sheetMm: 177, wallMm: null }, lid: { sheetMm: 181, wallMm: null } },
  });
  const purpose = JSON.stringify({
    ...{ text: '60 x 45 x 22', ease: 'easy', block: { lengthMm: 60, widthMm: 45, heightMm: 22 } },
  });
  const inside = JSON.stringify({ lengthMm: 62, widthMm: 61, depthMm: 31 });
  const job = db.prepare('INSERT INTO jobs VALUES (?, ?, ?, ?, NULL, ?, ?, NULL, 1)');
  const piece = db.prepare('INSERT INTO pieces VALUES (?, ?, ?, ?, NULL, NULL, 0, ?, ?, NULL, ?, ?, 1)');
  db.transaction(() => {
    for (let k = 0; k < rows; k++) {
      const [id, at] = [randomUUID(), new Date(Date.UTC(2026, 0, 1, 0, k)).toISOString()];
      job.run(id, `Job ${k}`, purpose, choice, at, at);
      piece.run(randomUUID(), id, `Job ${k}`, choice, inside, inside, '', at);
    }
  })();
  db.close();
}

async function whileMigrating(rounds: number): Promise<void> {
  const rows = 2000;
  let done = 0;
  while (done < rounds) {
    const workshop = new RunningWorkshop();
    mkdirSync(workshop.data, { recursive: true });
    oldWorkshop(join(workshop.data, 'workshop.sqlite'), rows);
    // The program takes a moment to begin; the copy and the migration come after that.
    for (let k = 0; k < 5 && done < rounds; k++, done++) await workshop.killWhileStarting(250 + Math.random() * 700);
    await workshop.start();
    for (const list of ['jobs', 'log']) {
      const { total, broken } = (await send(workshop, 'GET', `/api/${list}?limit=500`)) as {
        total: number;
        broken: unknown[];
      };
      if (total !== rows || broken.length) throw new Error(`${list}: ${total} of ${rows}, ${broken.length} broken.`);
    }
    checkBackups(join(workshop.data, 'backups'));
    await workshop.stop();
  }
  console.log(
    `${rounds} kills while starting and migrating ${rows} jobs and ${rows} log entries: none lost, none broken.`,
  );
}

await whileWriting(ROUNDS - MIGRATING);
await whileMigrating(MIGRATING);
