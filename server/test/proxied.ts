import { openDatabase } from '../src/db/open-database';
import { openWorkshop } from '../src/db/workshop';
import { serverApp, type ServerOptions } from '../src/http/server-app';
import { MIGRATIONS, usualServer } from './workshop';

/** Gives a wrong passphrase over a connection from an address, with what a proxy says of where it comes from. */
export async function proxied(
  options: Partial<ServerOptions>,
  remoteAddress: string,
  forwarded: string,
): Promise<void> {
  const app = serverApp(openWorkshop(openDatabase(':memory:', MIGRATIONS)), { ...usualServer(), ...options });
  const body = JSON.stringify({ passphrase: 'a wrong one' });
  const headers = { 'content-type': 'application/json', 'x-forwarded-for': forwarded, host: 'shed.local' };
  const env = { incoming: { socket: { remoteAddress } } };
  await app.request('http://shed.local/api/access', { method: 'POST', headers, body }, env);
}
