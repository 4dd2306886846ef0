// The same properties by the hundred, and sweeps over whole ranges, from a fresh seed: takes an hour or more. Arguments are
// handed on to Jest, to look at one file only.
import { spawnSync } from 'node:child_process';

const { status } = spawnSync(
  process.execPath,
  ['node_modules/jest/bin/jest.js', '--selectProjects', 'core', '--testTimeout', '7200000', ...process.argv.slice(2)],
  { stdio: 'inherit', env: { ...process.env, DEEP: 'true' } },
);
process.exit(status ?? 1);
