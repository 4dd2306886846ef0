import { defineConfig } from '@playwright/test';
import { browser } from './browser';

export default defineConfig({
  testDir: 'screenshots',
  outputDir: 'out/results',
  workers: 1,
  timeout: 90_000,
  reporter: [['list']],
  use: { launchOptions: browser, viewport: { width: 1280, height: 800 } },
});
