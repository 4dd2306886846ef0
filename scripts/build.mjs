// Builds the web application and the server bundle.
import { spawnSync } from 'node:child_process';
import { compressSite } from './compress-site.mjs';
import { writeHelp } from './help.mjs';
import { writeLicences } from './licences.mjs';

function run(args, cwd) {
  const { status } = spawnSync(process.execPath, args, {
    cwd,
    stdio: 'inherit',
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  });
  if (status !== 0) process.exit(status ?? 1);
}

run(['subset-icons.mjs'], 'web');
run(['../node_modules/@angular/cli/bin/ng.js', 'build'], 'web');
writeLicences('web/dist/web/browser');
writeHelp('web/dist/web/browser');
run(['--import', 'tsx', 'scripts/mark-table.ts', 'web/dist/web/browser']);
compressSite('web/dist/web/browser');
run(['build.mjs'], 'server');
