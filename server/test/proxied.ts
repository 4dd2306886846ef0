import { openDatabase } from '../src/db/open-database';
import { openWorkshop } from '../src/db/workshop';
import { serverApp, type ServerOptions } from '../src/http/server-app';
import { MIGRATIONS, usualServer } from './workshop';

/** Gives a wrong passphrase over a connection from an address, with what a proxy says of it. */
export async function proxied(
  options: Partial<ServerOptions>,
  remoteAddress: string,
  said: Readonly<Record<string, string>>,
): Promise<void> {
  const app = serverApp(openWorkshop(openDatabase(':memory:', MIGRATIONS)), { ...usualServer(), ...options });
  const body = JSON.stringify({ passphrase: 'a wrong one' });
  const headers = { 'content-type': 'application/json', host: '127.0.0.1:4377', ...said };
  const env = { incoming: { socket: { remoteAddress } } };
  await app.request('http://127.0.0.1:4377/api/access', { method: 'POST', headers, body }, env);
}
