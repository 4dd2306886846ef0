import { LEAST_PASSPHRASE } from '@odd-corner/contract';
import { existsSync } from 'node:fs';
import { isIP } from 'node:net';
import { homedir } from 'node:os';
import { join, resolve } from 'node:path';
import { isLongEnough, type Passphrases } from './access/keeper';
import type { Proxies } from './http/who-asks';

export interface StartOptions {
  readonly port: number;
  readonly host: string;
  readonly file: string;
  readonly demo: boolean;
  /** What opens it, for whom; null where nobody is asked. */
  readonly passphrases: Passphrases | null;
  /** Files of a certificate and its key, where what travels is to be encrypted. */
  readonly https: { readonly cert: string; readonly key: string } | null;
  /** Proxies whose word counts for where a request comes from. */
  readonly proxies: Proxies;
  /** Begins an empty workshop even where one was before; what is there is set aside. */
  readonly anew: boolean;
  /** Instead of serving, puts a backup back: its name, `newest`, or `list` to see them. */
  readonly restore: string | null;
}

type Environment = Readonly<Record<string, string | undefined>>;

/** Words for the person who started the server; it does not start. */
export class StartRefused extends Error {
  override readonly name = 'StartRefused';
}

const DEFAULT_PORT = 4377;
const FLAGS = ['--demo', '--new', '--restore'];
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);

/** Whether only this machine can ask there. */
export const isLoopback = (host: string): boolean => LOOPBACK.has(host);

const WORKSHOP_FILE = 'workshop.sqlite';
const DEMO_FILE = 'demo.sqlite';
/** Where workshops lay until they were kept with the user's own data. */
const BESIDE = 'data';

/**
 * Where a workshop is kept unless told otherwise: with the user's own data, so that cleaning the program's folder leaves it alone;
 * one that is beside the program from before stays there. The demo can be made again and is kept there too.
 */
function usualFolder(env: Environment, demo: boolean): string {
  if (demo || existsSync(join(BESIDE, WORKSHOP_FILE))) return resolve(BESIDE);
  const home = env['XDG_DATA_HOME'] || env['LOCALAPPDATA'] || join(env['HOME'] || homedir(), '.local', 'share');
  return join(home, 'odd-corner');
}

/** @throws StartRefused for one that is too short, or for guests without one for the owner */
function passphrasesIn(env: Environment, host: string): Passphrases | null {
  const [owner, guest] = [env['ODD_CORNER_PASSPHRASE'] || null, env['ODD_CORNER_GUEST_PASSPHRASE'] || null];
  for (const [name, passphrase] of [
    ['ODD_CORNER_PASSPHRASE', owner],
    ['ODD_CORNER_GUEST_PASSPHRASE', guest],
  ] as const)
    if (passphrase !== null && !isLongEnough(passphrase))
      throw new StartRefused(
        `${name} is too short: use at least ${LEAST_PASSPHRASE} characters, for example four words.`,
      );
  if (owner === null && guest !== null)
    throw new StartRefused(
      'ODD_CORNER_GUEST_PASSPHRASE is for guests; set ODD_CORNER_PASSPHRASE for yourself as well.',
    );
  if (owner !== null && owner === guest)
    throw new StartRefused('Guests need a passphrase of their own: ODD_CORNER_GUEST_PASSPHRASE is the same as yours.');
  if (!isLoopback(host) && owner === null)
    throw new StartRefused(
      `HOST=${host} opens the workshop to the network. Set ODD_CORNER_PASSPHRASE as well, or leave HOST out.`,
    );
  return owner === null ? null : { owner, guest };
}

/** @throws StartRefused for one file without the other, or one that cannot be read */
function certificateIn(env: Environment): StartOptions['https'] {
  const [cert, key] = [env['ODD_CORNER_CERT'] || null, env['ODD_CORNER_KEY'] || null];
  if (cert === null && key === null) return null;
  if (cert === null || key === null)
    throw new StartRefused('HTTPS needs both: ODD_CORNER_CERT, the certificate, and ODD_CORNER_KEY, its key.');
  for (const file of [cert, key])
    if (!existsSync(file)) throw new StartRefused(`There is no file ${resolve(file)}, which HTTPS needs.`);
  return { cert: resolve(cert), key: resolve(key) };
}

/** @throws StartRefused for what is no address */
function proxiesIn(env: Environment): Proxies {
  const all = (env['ODD_CORNER_PROXY'] ?? '')
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);
  const wrong = all.find((one) => isIP(one) === 0);
  if (wrong !== undefined)
    throw new StartRefused(
      `ODD_CORNER_PROXY names “${wrong}”, which is no address. Write the proxy’s, for example 127.0.0.1.`,
    );
  return new Set(all);
}

/**
 * Reads `PORT`, `HOST`, `ODD_CORNER_DATA`, the passphrases, certificate and proxy, `--demo`, `--new` and `--restore [name]`.
 * @throws StartRefused when one of them cannot be used
 */
export function readOptions(env: Environment, args: readonly string[]): StartOptions {
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
  const file = join(
    env['ODD_CORNER_DATA'] ? resolve(env['ODD_CORNER_DATA']) : usualFolder(env, demo),
    demo ? DEMO_FILE : WORKSHOP_FILE,
  );
  return {
    ...{ port, host, file, demo, passphrases: passphrasesIn(env, host), https: certificateIn(env) },
    ...{ proxies: proxiesIn(env), anew: args.includes('--new'), restore },
  };
}
