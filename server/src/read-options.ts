import { join, resolve } from 'node:path';

export interface StartOptions {
  readonly port: number;
  readonly host: string;
  readonly file: string;
  readonly demo: boolean;
  readonly passphrase: string | null;
}

/** Words for the person who started the server; it does not start. */
export class StartRefused extends Error {
  override readonly name = 'StartRefused';
}

const DEFAULT_PORT = 4377;
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);

/**
 * Reads `PORT`, `HOST`, `ODD_CORNER_DATA`, `ODD_CORNER_PASSPHRASE` and `--demo`.
 * @throws StartRefused when one of them cannot be used
 */
export function readOptions(env: Readonly<Record<string, string | undefined>>, args: readonly string[]): StartOptions {
  const demo = args.includes('--demo');
  const unknown = args.find((arg) => arg !== '--demo');
  if (unknown !== undefined) throw new StartRefused(`“${unknown}” is not an option. Known: --demo`);
  const port = env['PORT'] ? Number(env['PORT']) : DEFAULT_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new StartRefused(`PORT=${env['PORT']} is not a port. Use a number from 1 to 65535.`);
  const host = env['HOST'] || '127.0.0.1';
  const passphrase = env['ODD_CORNER_PASSPHRASE'] || null;
  if (!LOOPBACK.has(host) && !passphrase)
    throw new StartRefused(
      `HOST=${host} opens the workshop to the network. Set ODD_CORNER_PASSPHRASE as well, or leave HOST out.`,
    );
  const file = join(resolve(env['ODD_CORNER_DATA'] || 'data'), demo ? 'demo.sqlite' : 'workshop.sqlite');
  return { port, host, file, demo, passphrase: LOOPBACK.has(host) ? null : passphrase };
}
