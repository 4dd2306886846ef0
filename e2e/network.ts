import { execFileSync, spawnSync } from 'node:child_process';

/** A network of four addresses among those that no network of the world has (RFC 5737): another for each program. */
const FOUR = 4 * (process.pid % 63);
const OUTSIDE = `198.51.100.${FOUR + 1}`;
export const INSIDE = `198.51.100.${FOUR + 2}`;
const NAME = `odd-corner-${process.pid}`;
const LINK = `oc${process.pid % 100_000}`;

const ip = (...args: string[]): void => void execFileSync('ip', args, { stdio: 'pipe' });

/** Another host with a network of its own, in which a program is run. */
export interface Network {
  /** Runs a program there. */
  readonly command: readonly string[];
  readonly end: () => void;
}

/** A network of two hosts, this one and another; null where this machine does not let us make one: not as root, or without iproute2. */
export function makeNetwork(): Network | null {
  const begin = spawnSync('ip', ['netns', 'add', NAME]);
  if (begin.status !== 0) return null;
  try {
    ip('link', 'add', LINK, 'type', 'veth', 'peer', 'name', 'inside', 'netns', NAME);
    ip('addr', 'add', `${OUTSIDE}/30`, 'dev', LINK);
    ip('link', 'set', LINK, 'up');
    ip('-n', NAME, 'addr', 'add', `${INSIDE}/30`, 'dev', 'inside');
    ip('-n', NAME, 'link', 'set', 'inside', 'up');
    ip('-n', NAME, 'link', 'set', 'lo', 'up');
  } catch {
    ip('netns', 'delete', NAME);
    return null;
  }
  return {
    command: ['ip', 'netns', 'exec', NAME],
    end: () => {
      ip('link', 'delete', LINK);
      ip('netns', 'delete', NAME);
    },
  };
}
