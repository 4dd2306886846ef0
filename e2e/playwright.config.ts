import { defineConfig } from '@playwright/test';
import { browser } from './browser';

export default defineConfig({
  testDir: 'tests',
  outputDir: 'out/results',
  workers: 1,
  timeout: 90_000,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json']],
  use: { launchOptions: browser, trace: 'off', viewport: { width: 1280, height: 800 } },
});
