import type { Backup, Paper } from '@odd-corner/contract';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lockData } from '../src/data/data-lock';
import { OpenFile } from '../src/data/open-file';
import { openWorkshop } from '../src/db/workshop';
import { serverApp } from '../src/http/server-app';
import { bench, KRAFT, MIGRATIONS, verifyHere } from './workshop';

const dir = mkdtempSync(join(tmpdir(), 'odd-corner-house-'));
afterAll(() => rmSync(dir, { recursive: true }));

describe('backups of an open workshop', () => {
  it('are made, listed and put back while it is open, and what was there is kept', async () => {
    const file = join(dir, 'workshop.sqlite');
    const lock = lockData(file);
    let app = serverApp(bench().workshop, {
      demo: false,
      siteDir: null,
      passphrase: null,
      verify: verifyHere,
      house: null,
    });
    const house = new OpenFile(
      {
        ...{ file, lock, migrationsDir: MIGRATIONS, failed: (why) => expect(why).toBeNull() },
        opened: (db, open) => {
          const options = { demo: false, siteDir: null, passphrase: null, verify: verifyHere, checkAnswers: true };
          app = serverApp(openWorkshop(db), { ...options, house: open });
        },
      },
      { anew: false },
    );
    const send = async <T>(method: string, path: string, body?: object): Promise<{ status: number; body: T }> => {
      const answer = await app.request(`http://localhost:4377${path}`, {
        method,
        headers: { host: 'localhost:4377', 'content-type': 'application/json' },
        body: body && JSON.stringify(body),
      });
      return { status: answer.status, body: (await answer.json()) as T };
    };
    const papers = async (): Promise<string[]> =>
      (await send<{ rows: Paper[] }>('GET', '/api/papers')).body.rows.map(({ name }) => name);
    const add = (id: number, name: string) =>
      send('POST', '/api/papers', { ...KRAFT, name, id: `00000000-0000-4000-8000-00000000000${id}` });

    await add(1, 'Before');
    const made = await send<Backup>('POST', '/api/backups');
    expect(made.status).toBe(200);
    expect((await send<Backup[]>('GET', '/api/backups')).body).toEqual([made.body]);
    await new Promise((resolve) => setTimeout(resolve, 1100));
    await add(2, 'After');
    expect(await papers()).toEqual(['After', 'Before']);
    const back = await send<{ words: string }>('POST', '/api/backups/restore', { name: made.body.name });
    expect(back.status).toBe(200);
    expect(await papers()).toEqual(['Before']);
    const all = (await send<Backup[]>('GET', '/api/backups')).body;
    expect(all).toHaveLength(2);
    expect(back.body.words).toContain(all[0].name);
    expect((await send('POST', '/api/backups/restore', { name: all[0].name })).status).toBe(200);
    expect(await papers()).toEqual(['After', 'Before']);

    expect((await send('POST', '/api/backups/restore', { name: '../workshop.sqlite' })).status).toBe(404);
    writeFileSync(join(dir, 'backups', made.body.name), 'cut off');
    expect((await send('POST', '/api/backups/restore', { name: made.body.name })).status).toBe(422);
    expect(await papers()).toEqual(['After', 'Before']);
    house.close();
    lock.release();
  });

  it('are not there for a workshop that lies in no file', async () => {
    expect((await bench().send('GET', '/api/backups')).status).toBe(422);
  });
});
