import { execFileSync, spawnSync } from 'node:child_process';

/** A network of four addresses among those that no network of the world has (RFC 5737): another for each program. */
const FOUR = 4 * (process.pid % 63);
const OUTSIDE = `198.51.100.${FOUR + 1}`;
export const INSIDE = `198.51.100.${FOUR + 2}`;
const NAME = `odd-corner-${process.pid}`;
const LINK = `oc${process.pid % 100_000}`;

const ip = (...args: string[]): void => void execFileSync('ip', args, { stdio: 'pipe' });

/** Whether this machine lets us make networks: as root, where `ip` is there. */
export const canMakeNetworks = (): boolean => process.getuid?.() === 0 && spawnSync('ip', ['-V']).status === 0;

/** A network of two hosts: this one, and one with a network of its own in which a program is run. */
export function makeNetwork(): { readonly command: readonly string[]; end(): void } {
  ip('netns', 'add', NAME);
  ip('link', 'add', LINK, 'type', 'veth', 'peer', 'name', 'inside', 'netns', NAME);
  ip('addr', 'add', `${OUTSIDE}/30`, 'dev', LINK);
  ip('link', 'set', LINK, 'up');
  ip('-n', NAME, 'addr', 'add', `${INSIDE}/30`, 'dev', 'inside');
  ip('-n', NAME, 'link', 'set', 'inside', 'up');
  ip('-n', NAME, 'link', 'set', 'lo', 'up');
  return {
    command: ['ip', 'netns', 'exec', NAME],
    end: () => {
      ip('link', 'delete', LINK);
      ip('netns', 'delete', NAME);
    },
  };
}
