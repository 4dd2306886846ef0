import { serve } from '@hono/node-server';
import type { PlacesToOpen } from '@odd-corner/contract';
import { demoWorkshop } from '@odd-corner/demo';
import type { Hono } from 'hono';
import { existsSync, readFileSync } from 'node:fs';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { dirname, join } from 'node:path';
import { createSecureContext } from 'node:tls';
import { fileURLToPath } from 'node:url';
import { renderUnicodeCompact } from 'uqr';
import { Keeper } from './access/keeper';
import { secretBeside } from './access/secret-file';
import { lockData } from './data/data-lock';
import type { DataHouse } from './data/data-house';
import { faultOf, lastGoodBackup } from './data/faults';
import { OpenFile } from './data/open-file';
import { restoreBackup } from './data/restore';
import { MigrationRefused } from './db/migrate';
import type { Db } from './db/open-database';
import { fillWorkshop, isEmpty, openWorkshop } from './db/workshop';
import { ChangesHub } from './http/changes-hub';
import { serverApp } from './http/server-app';
import type { Env } from './http/who-asks';
import { journalBeside } from './journal/journal';
import { addressOf, placesToOpen } from './net/addresses';
import { readOptions, type StartOptions, StartRefused } from './read-options';
import { printInThread } from './print/print-in-thread';
import { shippedFonts } from './print/shipped-fonts';
import { learner } from './learn/learner';
import { verifier } from './verify/verifier';
import { buildInThread } from './workshop-file/incoming';

const HERE = dirname(fileURLToPath(import.meta.url));

/** What the server of Node is made with. */
function listening(https: StartOptions['https']): object {
  if (!https) return {};
  try {
    const serverOptions = { cert: readFileSync(https.cert), key: readFileSync(https.key) };
    createSecureContext(serverOptions);
    return { createServer, serverOptions };
  } catch (error) {
    throw new StartRefused(`HTTPS cannot begin with ${https.cert} and ${https.key}: ${words(error)}`);
  }
}

/** What is said on the console once it is open. */
function greet(file: string, demo: boolean, address: string, { addresses }: PlacesToOpen): void {
  console.log(`Odd Corner${demo ? ' (demo workshop)' : ''} is open at ${address}  (stop with Ctrl-C)`);
  console.log(`Its file: ${file}`);
  for (const one of addresses) console.log(`On a phone or another machine of this network: ${one}`);
  if (addresses[0]) console.log(renderUnicodeCompact(addresses[0]));
}

/**
 * Starts in this order, so that nothing is touched that cannot be served: take the right to the data, listen, look at the
 * file, copy it, migrate it, answer.
 */
function start(options: StartOptions): void {
  const { port, host, file, demo, passphrases, https, proxies, anew, restore } = options;
  if (restore !== null) {
    console.log(restoreBackup(file, restore));
    return;
  }
  const siteDir = join(HERE, '../../web/dist/web/browser');
  if (!existsSync(join(siteDir, 'index.html')))
    throw new StartRefused('The web application is not built yet. Run: npm run build');
  const made = listening(https);
  const lock = lockData(file);
  const journal = journalBeside(file);
  const keeper = passphrases && new Keeper(passphrases, secretBeside(file), journal);
  const hub = new ChangesHub();
  const print = printInThread(join(HERE, 'print-worker.mjs'), shippedFonts());
  const { ask: verify } = verifier(join(HERE, 'verify-worker.mjs'));
  const { ask: learn } = learner(join(HERE, 'learn-worker.mjs'));
  let app: Hono<Env> | null = null;
  let close = (): Promise<void> => {
    lock.release();
    return journal.close();
  };

  const open = (at: AddressInfo): void => {
    const on = { port: at.port, encrypted: https !== null };
    const places = placesToOpen({ ...on, host });
    // Called again with another file's contents when one is put in its place.
    const opened = (db: Db, house: DataHouse): void => {
      const workshop = openWorkshop(db);
      if (demo && isEmpty(workshop)) fillWorkshop(workshop, demoWorkshop(new Date()));
      app = serverApp(workshop, {
        ...{ demo, siteDir, keeper, proxies, journal, hub, places, house, file, verify, learn, print },
      });
    };
    const failed = (why: unknown): void => {
      console.error(`No backup was made: ${words(why)}`);
      journal.event('no backup was made', { why: words(why) });
    };
    const build = buildInThread(join(HERE, 'incoming-worker.mjs'));
    const migrationsDir = join(HERE, 'migrations');
    const house = new OpenFile({ file, migrationsDir, lock, opened, failed, build }, { anew });
    close = () => {
      house.close();
      lock.release();
      return journal.close();
    };
    const address = addressOf(at.address, on);
    lock.opened(new Date().toISOString(), address);
    journal.event('opened', { node: process.version });
    greet(file, demo, address, places);
  };

  const server = serve(
    {
      ...made,
      ...{ port, hostname: host },
      fetch: (request: Request, env) => app?.fetch(request, env) ?? opening(),
    },
    (at) => {
      try {
        open(at);
      } catch (error) {
        void close();
        refuse(error, file);
      }
    },
  );
  server.on('error', (error: NodeJS.ErrnoException) => {
    void close();
    refuse(
      error.code === 'EADDRINUSE'
        ? new StartRefused(
            `Port ${port} on ${host} is in use. Stop the other program, or choose another: PORT=${port + 1} npm run ${demo ? 'demo' : 'start'}`,
          )
        : error,
      file,
    );
  });
  const stop = (): void => {
    server.close(() => void close().then(() => process.exit(0)));
    if ('closeAllConnections' in server) server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

/** While the file is being looked at, which takes a moment. */
const opening = (): Response =>
  new Response('The workshop is being opened.', { status: 503, headers: { 'retry-after': '1' } });

const words = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** What is said when it does not open: what happened, with which file, and what can be done. */
function saidOf(error: unknown, file: string | null): string {
  if (error instanceof StartRefused) return error.message;
  if (error instanceof MigrationRefused)
    return [error.message, `The file: ${file}`, error.todo, ...(file === null ? [] : [lastGoodBackup(file)])].join(
      '\n',
    );
  const fault = file === null ? null : faultOf(error, file);
  return fault ? `${fault.what}\n${fault.todo}` : `The workshop did not open: ${words(error)}`;
}

function refuse(error: unknown, file: string | null): never {
  console.error(saidOf(error, file));
  process.exit(1);
}

let wanted: StartOptions | null = null;
try {
  wanted = readOptions(process.env, process.argv.slice(2));
  start(wanted);
} catch (error) {
  refuse(error, wanted?.file ?? null);
}
