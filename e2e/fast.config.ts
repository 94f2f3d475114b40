import { defineConfig } from '@playwright/test';
import { launchOptions } from './browser.ts';

export default defineConfig({
  testDir: 'journeys',
  testMatch: '*.journey.ts',
  workers: 2,
  fullyParallel: false,
  retries: 0,
  timeout: 150_000,
  expect: { timeout: 20_000 },
  reporter: [['list']],
  // Pictures that something is compared with stand beside the journey that does it.
  snapshotPathTemplate: '{testDir}/{arg}{ext}',
  outputDir: '../.test/e2e',
  use: {
    viewport: { width: 1280, height: 800 },
    deviceScaleFactor: 1,
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: launchOptions(),
    trace: 'off',
    actionTimeout: 20_000,
  },
});
