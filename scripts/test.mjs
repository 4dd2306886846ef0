// Runs every check, even after one has failed, and ends with how many tests passed and failed.
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';

const bin = (name) => `node_modules/${name}`;
const reports = 'out/reports';
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });

function run(title, args, env = {}) {
  console.log(`\n== ${title}`);
  const started = Date.now();
  const ok = spawnSync(process.execPath, args, { stdio: 'inherit', env: { ...process.env, ...env } }).status === 0;
  console.log(`== ${title}: ${ok ? 'passed' : 'FAILED'} in ${Math.round((Date.now() - started) / 1000)} s`);
  return ok;
}

function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

let passed = 0;
let failed = 0;
/** A check that is one test of its own; what it says is printed when it ends, so that two may run side by side. */
function check(title, args) {
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args);
    let said = '';
    child.stdout.on('data', (text) => (said += text));
    child.stderr.on('data', (text) => (said += text));
    child.on('close', (code) => {
      if (code === 0) passed++;
      else failed++;
      console.log(
        `\n== ${title}\n${said}== ${title}: ${code === 0 ? 'passed' : 'FAILED'} in ${Math.round((Date.now() - started) / 1000)} s`,
      );
      resolve();
    });
  });
}

const format = () => check('format', [bin('prettier/bin/prettier.cjs'), '--check', '.', '--log-level', 'warn']);

await Promise.all([
  (async () => {
    await check('types', ['scripts/types.mjs']);
    await format();
  })(),
  (async () => {
    await check('lint', [
      bin('eslint/bin/eslint.js'),
      '.',
      '--cache',
      '--cache-location',
      'node_modules/.cache/eslint/',
      '--max-warnings',
      '0',
    ]);
    await check('dependency rules', [
      bin('dependency-cruiser/bin/dependency-cruise.mjs'),
      'core/src',
      'contract/src',
      'server/src',
      'web/src',
      'demo/src',
      '--config',
      '.dependency-cruiser.cjs',
    ]);
  })(),
]);

const unitOk = run('jest', [bin('jest/bin/jest.js'), '--maxWorkers=2', '--json', `--outputFile=${reports}/jest.json`]);
const unit = read(`${reports}/jest.json`);
passed += unit?.numPassedTests ?? 0;
failed += (unit?.numFailedTests ?? 0) + (unit?.numRuntimeErrorTestSuites ?? 0) || (unitOk ? 0 : 1);
if (unitOk && !unit?.numPassedTests) failed++;

const e2eOk = run('playwright', [bin('@playwright/test/cli.js'), 'test', '-c', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: `${process.cwd()}/${reports}/playwright.json`,
});
const e2e = read(`${reports}/playwright.json`);
passed += e2e?.stats.expected ?? 0;
failed += (e2e ? e2e.stats.unexpected + e2e.stats.flaky : 0) || (e2eOk ? 0 : 1);
if (e2eOk && !e2e?.stats.expected) failed++;

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
