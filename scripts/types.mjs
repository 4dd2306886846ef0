// Checks the types of everything; the web build leaves out workers and specs.
import { spawnSync } from 'node:child_process';

// Together where they are checked alike: each program reads all of core anew.
const projects = [
  'scripts/tsconfig.pure.json',
  'scripts/tsconfig.node.json',
  'e2e',
  'web/tsconfig.worker.json',
  'web/tsconfig.spec.json',
];
const failed = projects.filter(
  (project) =>
    spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '-p', project, '--noEmit'], { stdio: 'inherit' })
      .status !== 0,
);
process.exit(failed.length ? 1 : 0);
