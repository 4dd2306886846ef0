import { serve } from '@hono/node-server';
import { demoWorkshop } from '@odd-corner/demo';
import type { Hono } from 'hono';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Backups } from './data/backups';
import { lockData } from './data/data-lock';
import { keepBackups } from './data/keep-backups';
import { openData } from './data/open-data';
import { restoreBackup } from './data/restore';
import { fillWorkshop, isEmpty, openWorkshop } from './db/workshop';
import { serverApp } from './http/server-app';
import { readOptions, StartRefused } from './read-options';

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
  let app: Hono | null = null;
  let close = (): void => lock.release();

  const open = (address: string): void => {
    const db = openData(file, join(HERE, 'migrations'), lock, { anew });
    const ended = keepBackups(db, new Backups(file), (why) => console.error(`No backup was made: ${words(why)}`));
    close = () => {
      ended();
      db.close();
      lock.release();
    };
    const workshop = openWorkshop(db);
    if (demo && isEmpty(workshop)) fillWorkshop(workshop, demoWorkshop(new Date()));
    lock.opened(new Date().toISOString(), address);
    app = serverApp(workshop, { demo, siteDir, passphrase });
    console.log(`Odd Corner${demo ? ' (demo workshop)' : ''} is open at ${address}  (stop with Ctrl-C)`);
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
