// The same properties by the hundred, and sweeps over whole ranges, from a fresh seed; then the server ended at once two hundred
// times, and every form walked through the browser. Takes an hour or more. Arguments are handed on to Jest, to look at one file only.
import { spawnSync } from 'node:child_process';

const only = process.argv.slice(2);
const jest = [
  'node_modules/jest/bin/jest.js',
  '--selectProjects',
  'core',
  'server',
  '--testTimeout',
  '7200000',
  ...only,
];
const runs = [
  jest,
  ...(only.length
    ? []
    : [
        ['--import', 'tsx', 'e2e/deep/kills.ts'],
        [
          'node_modules/@playwright/test/cli.js',
          'test',
          '-c',
          'e2e/playwright.config.ts',
          '-g',
          'every place can be used|from what is typed to the logbook',
        ],
      ]),
];
const ends = runs.map(
  (args) =>
    spawnSync(process.execPath, args, { stdio: 'inherit', env: { ...process.env, DEEP: 'true', FC_MANY: '1000' } })
      .status,
);
process.exit(ends.every((status) => status === 0) ? 0 : 1);
