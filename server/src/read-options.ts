import { existsSync } from 'node:fs';
import { homedir } from 'node:os';
import { join, resolve } from 'node:path';

export interface StartOptions {
  readonly port: number;
  readonly host: string;
  readonly file: string;
  readonly demo: boolean;
  readonly passphrase: string | null;
  /** Begins an empty workshop even where one was before; what is there is set aside. */
  readonly anew: boolean;
  /** Instead of serving, puts a backup back: its name, `newest`, or `list` to see them. */
  readonly restore: string | null;
}

/** Words for the person who started the server; it does not start. */
export class StartRefused extends Error {
  override readonly name = 'StartRefused';
}

const DEFAULT_PORT = 4377;
const FLAGS = ['--demo', '--new', '--restore'];
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);

const WORKSHOP_FILE = 'workshop.sqlite';
const DEMO_FILE = 'demo.sqlite';
/** Where workshops lay until they were kept with the user's own data. */
const BESIDE = 'data';

/**
 * Where a workshop is kept unless told otherwise: with the user's own data, so that cleaning the program's folder leaves it alone;
 * one that is beside the program from before stays there. The demo can be made again and is kept there too.
 */
function usualFolder(env: Readonly<Record<string, string | undefined>>, demo: boolean): string {
  if (demo || existsSync(join(BESIDE, WORKSHOP_FILE))) return resolve(BESIDE);
  const home = env['XDG_DATA_HOME'] || env['LOCALAPPDATA'] || join(env['HOME'] || homedir(), '.local', 'share');
  return join(home, 'odd-corner');
}

/**
 * Reads `PORT`, `HOST`, `ODD_CORNER_DATA`, `ODD_CORNER_PASSPHRASE`, `--demo`, `--new` and `--restore [name]`.
 * @throws StartRefused when one of them cannot be used
 */
export function readOptions(env: Readonly<Record<string, string | undefined>>, args: readonly string[]): StartOptions {
  const demo = args.includes('--demo');
  const at = args.indexOf('--restore');
  const restore = at < 0 ? null : (args[at + 1] ?? 'list');
  const unknown = args.find((arg, k) => !FLAGS.includes(arg) && !(at >= 0 && k === at + 1));
  if (unknown !== undefined)
    throw new StartRefused(`“${unknown}” is not an option. Known: ${FLAGS.join(', ')}, --restore newest`);
  const port = env['PORT'] ? Number(env['PORT']) : DEFAULT_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new StartRefused(`PORT=${env['PORT']} is not a port. Use a number from 1 to 65535.`);
  const host = env['HOST'] || '127.0.0.1';
  const passphrase = env['ODD_CORNER_PASSPHRASE'] || null;
  if (!LOOPBACK.has(host) && !passphrase)
    throw new StartRefused(
      `HOST=${host} opens the workshop to the network. Set ODD_CORNER_PASSPHRASE as well, or leave HOST out.`,
    );
  const file = join(
    env['ODD_CORNER_DATA'] ? resolve(env['ODD_CORNER_DATA']) : usualFolder(env, demo),
    demo ? DEMO_FILE : WORKSHOP_FILE,
  );
  return {
    ...{ port, host, file, demo, passphrase: LOOPBACK.has(host) ? null : passphrase },
    ...{ anew: args.includes('--new'), restore },
  };
}
