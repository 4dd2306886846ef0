import Database from 'better-sqlite3';
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, truncateSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { RunningWorkshop, runToEnd } from '../running-workshop';
import { addPaper, expect, test } from '../workshop';

/** A small disk of its own, in memory; null where this machine does not let us make one. */
function smallDisk(options: string): { readonly folder: string; readonly end: () => void } | null {
  const folder = mkdtempSync(join(tmpdir(), 'odd-corner-disk-'));
  const made = spawnSync('mount', ['-t', 'tmpfs', '-o', options, 'tmpfs', folder]);
  if (made.status !== 0) {
    rmSync(folder, { recursive: true });
    return null;
  }
  return {
    folder,
    end: () => {
      execFileSync('umount', [folder]);
      rmSync(folder, { recursive: true });
    },
  };
}

test('a full disk is told by what is refused and by its health, loses nothing, and is over once there is room', async ({
  page,
}) => {
  const disk = smallDisk('size=4m');
  test.skip(disk === null, 'only root can make a disk');
  const { folder, end } = disk!;
  const workshop = new RunningWorkshop([], { env: { ODD_CORNER_DATA: folder } });
  await workshop.start();
  const kept = [(await addPaper(workshop.url, { name: 'Before' })).id];
  const filler = join(folder, 'filler');
  spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=4096']);
  let refused = '';
  for (let k = 0; k < 200 && !refused; k++)
    await addPaper(workshop.url, { name: `Paper ${k}` }).then(
      ({ id }) => kept.push(id),
      (why: Error) => (refused = why.message),
    );
  expect(refused).toContain('507');
  expect(refused).toContain('The disk is full');
  expect(refused).toContain(join(folder, 'workshop.sqlite'));
  const health = async (): Promise<{ status: number; body: unknown }> => {
    const answer = await fetch(`${workshop.url}/api/health`);
    return { status: answer.status, body: await answer.json() };
  };
  await expect.poll(health).toMatchObject({ status: 503, body: { state: 'degraded' } });
  // Reading goes on.
  await page.goto(`${workshop.url}/shelf`);
  await expect(page.getByText('Before').first()).toBeVisible();
  rmSync(filler);
  await expect.poll(health).toMatchObject({ status: 200, body: { state: 'ok' } });
  kept.push((await addPaper(workshop.url, { name: 'After' })).id);
  await workshop.kill();
  await workshop.start();
  const { rows } = (await (await fetch(`${workshop.url}/api/papers?limit=500`)).json()) as { rows: { id: string }[] };
  expect(rows.map(({ id }) => id).sort()).toEqual(kept.sort());
  await workshop.stop();
  end();
});

test('a folder that cannot be written is told with what can be done', async () => {
  const disk = smallDisk('size=1m,ro');
  test.skip(disk === null, 'only root can make a disk');
  const { code, said } = await runToEnd({ ODD_CORNER_DATA: disk!.folder });
  disk!.end();
  expect(code).toBe(1);
  expect(said).toContain(`The workshop’s folder cannot be written: ${disk!.folder}`);
  expect(said).toContain('ODD_CORNER_DATA=');
});

test('a damaged file and a newer one are told with the last good backup', async ({ workshop }) => {
  await addPaper(workshop.url);
  const made = (await (await fetch(`${workshop.url}/api/backups`, { method: 'POST' })).json()) as { name: string };
  await workshop.halt();
  const file = join(workshop.data, 'workshop.sqlite');
  const whole = join(workshop.data, 'whole');
  cpSync(file, whole);
  const start = () => runToEnd({ ODD_CORNER_DATA: workshop.data });
  truncateSync(file, 9000);
  const damaged = await start();
  expect([damaged.code, damaged.said]).toEqual([1, expect.stringMatching(/is damaged|cannot be read/)]);
  expect(damaged.said).toContain(join('backups', made.name));
  cpSync(whole, file);
  const db = new Database(file);
  db.pragma('user_version = 88');
  db.close();
  const newer = await start();
  expect(newer.code).toBe(1);
  for (const part of ['newer version of Odd Corner (schema 88', file, made.name]) expect(newer.said).toContain(part);
});

test('the log has a line for each request, and nothing of what was in it', async ({ workshop }) => {
  await addPaper(workshop.url, { name: 'A secret paper' });
  await fetch(`${workshop.url}/api/papers?search=secret`);
  await workshop.halt();
  const text = readFileSync(join(workshop.data, 'logs/workshop.log'), 'utf8');
  const lines = text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>);
  expect(lines.map(({ event, method, route, status }) => [event ?? method, route, status])).toEqual([
    ['opened', undefined, undefined],
    ['POST', '/api/papers', 201],
    ['GET', '/api/papers', 200],
  ]);
  expect(text).not.toContain('secret');
});

test('a migration that fails leaves the file as it was', async ({ workshop }) => {
  await addPaper(workshop.url, { name: 'Kept' });
  await workshop.halt();
  const file = join(workshop.data, 'workshop.sqlite');
  const db = new Database(file);
  // As if an earlier step had never been taken: the next one meets what is there already.
  const schema = db.pragma('user_version', { simple: true }) as number;
  db.pragma(`user_version = ${schema - 1}`);
  db.close();
  const { code, said } = await runToEnd({ ODD_CORNER_DATA: workshop.data });
  expect(code).toBe(1);
  expect(said).toMatch(/The step \d{4}-.*\.sql to the newest version failed/);
  expect(said).toContain('The file is as it was before that step');
  expect(said).toContain('The last good backup is');
  const again = new Database(file);
  expect(again.pragma('user_version', { simple: true })).toBe(schema - 1);
  expect(again.prepare('SELECT name FROM papers').get()).toEqual({ name: 'Kept' });
  again.close();
});
