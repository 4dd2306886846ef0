import { defineConfig } from '@playwright/test';
import { browser } from './browser';

export default defineConfig({
  testDir: 'tests',
  outputDir: 'out/results',
  // Each test has a server and a workshop of its own.
  workers: 2,
  timeout: 180_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json']],
  // What the browser keeps for working without the server is tried by tests of its own.
  use: { serviceWorkers: 'block', launchOptions: browser, trace: 'off', viewport: { width: 1280, height: 800 } },
});
