// Checks the types of everything; the web build leaves out workers and specs.
import { spawnSync } from 'node:child_process';

const projects = [
  'core',
  'contract',
  'demo',
  'server',
  'bench',
  'e2e',
  'scripts',
  'web/tsconfig.worker.json',
  'web/tsconfig.spec.json',
];
const failed = projects.filter(
  (project) =>
    spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '-p', project, '--noEmit'], { stdio: 'inherit' })
      .status !== 0,
);
process.exit(failed.length ? 1 : 0);
