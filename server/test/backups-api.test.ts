import type { Backup, Paper } from '@odd-corner/contract';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bench, KRAFT, openBench } from './workshop';

const dir = mkdtempSync(join(tmpdir(), 'odd-corner-house-'));
afterAll(() => rmSync(dir, { recursive: true }));

describe('backups of an open workshop', () => {
  it('are made, listed and put back while it is open, and what was there is kept', async () => {
    const { send: ask, close } = openBench(join(dir, 'workshop.sqlite'));
    const send = async <T>(method: string, path: string, body?: object): Promise<{ status: number; body: T }> =>
      ask(method, path, body);
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
    close();
  });

  it('are not there for a workshop that lies in no file', async () => {
    expect((await bench().send('GET', '/api/backups')).status).toBe(422);
  });
});
