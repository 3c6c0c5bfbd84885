import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/lib/debian';

export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/global-setup.ts',
  workers: 2,
  // Two cores that are busy with other things are no reason to fail.
  timeout: 90_000,
  expect: { timeout: 15_000 },
  // A test that passes only then is told and counted at the end of the run.
  retries: 1,
  forbidOnly: Boolean(process.env.CI),
  reporter: [
    ['list'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? 'test-results/report.json' }],
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM, args: CHROMIUM_ARGS },
    screenshot: 'only-on-failure',
  },
});
