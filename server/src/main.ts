import { serve } from '@hono/node-server';
import { demoWorkshop } from '@odd-corner/demo';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { openDatabase } from './db/open-database';
import { fillWorkshop, isEmpty, openWorkshop } from './db/workshop';
import { serverApp } from './http/server-app';
import { readOptions, StartRefused } from './read-options';

function start(): void {
  const here = dirname(fileURLToPath(import.meta.url));
  const { port, host, file, demo, passphrase } = readOptions(process.env, process.argv.slice(2));
  const siteDir = join(here, '../../web/dist/web/browser');
  if (!existsSync(join(siteDir, 'index.html')))
    throw new StartRefused('The web application is not built yet. Run: npm run build');
  const db = openDatabase(file, join(here, 'migrations'));
  const workshop = openWorkshop(db);
  if (demo && isEmpty(workshop)) fillWorkshop(workshop, demoWorkshop(new Date()));

  const server = serve(
    { fetch: serverApp(workshop, { demo, siteDir, passphrase }).fetch, port, hostname: host },
    (at) => {
      const name = at.family === 'IPv6' ? `[${at.address}]` : at.address;
      console.log(
        `Odd Corner${demo ? ' (demo workshop)' : ''} is open at http://${name}:${at.port}  (stop with Ctrl-C)`,
      );
    },
  );
  server.on('error', (error: NodeJS.ErrnoException) => {
    db.close();
    refuse(
      error.code === 'EADDRINUSE'
        ? `Port ${port} on ${host} is in use. Stop the other program, or choose another: PORT=${port + 1} npm run ${demo ? 'demo' : 'start'}`
        : error.message,
    );
  });
  const stop = (): void => {
    server.close(() => {
      db.close();
      process.exit(0);
    });
    if ('closeAllConnections' in server) server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

function refuse(message: string): never {
  console.error(message);
  process.exit(1);
}

try {
  start();
} catch (error) {
  refuse(
    error instanceof StartRefused
      ? error.message
      : `The workshop did not open: ${error instanceof Error ? error.message : String(error)}`,
  );
}
