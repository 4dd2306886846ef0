import { serve } from '@hono/node-server';
import { demoWorkshop } from '@odd-corner/demo';
import type { Hono } from 'hono';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { lockData } from './data/data-lock';
import type { DataHouse } from './data/data-house';
import { OpenFile } from './data/open-file';
import { restoreBackup } from './data/restore';
import type { Db } from './db/open-database';
import { fillWorkshop, isEmpty, openWorkshop } from './db/workshop';
import { serverApp } from './http/server-app';
import { readOptions, StartRefused } from './read-options';
import { Verifier } from './verify/verifier';

const HERE = dirname(fileURLToPath(import.meta.url));

/**
 * Starts in this order, so that nothing is touched that cannot be served: take the right to the data, listen, look at the
 * file, copy it, migrate it, answer.
 */
function start(): void {
  const { port, host, file, demo, passphrase, anew, restore } = readOptions(process.env, process.argv.slice(2));
  if (restore !== null) {
    console.log(restoreBackup(file, restore));
    return;
  }
  const siteDir = join(HERE, '../../web/dist/web/browser');
  if (!existsSync(join(siteDir, 'index.html')))
    throw new StartRefused('The web application is not built yet. Run: npm run build');
  const lock = lockData(file);
  const verifier = new Verifier(join(HERE, 'verify-worker.mjs'));
  let app: Hono | null = null;
  let close = (): void => lock.release();

  const open = (address: string): void => {
    // Called again with another file's contents when a backup is put in place.
    const opened = (db: Db, house: DataHouse): void => {
      const workshop = openWorkshop(db);
      if (demo && isEmpty(workshop)) fillWorkshop(workshop, demoWorkshop(new Date()));
      app = serverApp(workshop, { demo, siteDir, passphrase, verify: verifier.verify, house });
    };
    const failed = (why: unknown): void => console.error(`No backup was made: ${words(why)}`);
    const house = new OpenFile({ file, migrationsDir: join(HERE, 'migrations'), lock, opened, failed }, { anew });
    close = () => {
      house.close();
      lock.release();
    };
    lock.opened(new Date().toISOString(), address);
    console.log(`Odd Corner${demo ? ' (demo workshop)' : ''} is open at ${address}  (stop with Ctrl-C)`);
    console.log(`Its file: ${file}`);
  };

  const server = serve(
    { fetch: (request: Request) => app?.fetch(request) ?? opening(), port, hostname: host },
    (at) => {
      const name = at.family === 'IPv6' ? `[${at.address}]` : at.address;
      try {
        open(`http://${name}:${at.port}`);
      } catch (error) {
        close();
        refuse(error);
      }
    },
  );
  server.on('error', (error: NodeJS.ErrnoException) => {
    close();
    refuse(
      error.code === 'EADDRINUSE'
        ? new StartRefused(
            `Port ${port} on ${host} is in use. Stop the other program, or choose another: PORT=${port + 1} npm run ${demo ? 'demo' : 'start'}`,
          )
        : error,
    );
  });
  const stop = (): void => {
    server.close(() => {
      close();
      process.exit(0);
    });
    if ('closeAllConnections' in server) server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

/** While the file is being looked at, which takes a moment. */
const opening = (): Response =>
  new Response('The workshop is being opened.', { status: 503, headers: { 'retry-after': '1' } });

const words = (error: unknown): string => (error instanceof Error ? error.message : String(error));

function refuse(error: unknown): never {
  console.error(error instanceof StartRefused ? error.message : `The workshop did not open: ${words(error)}`);
  process.exit(1);
}

try {
  start();
} catch (error) {
  refuse(error);
}
