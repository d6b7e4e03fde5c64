import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  workers: 1,
  fullyParallel: false,
  timeout: 240_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json']],
  outputDir: `../test-results/${process.env.LANE ?? 'browser'}`,
  use: {
    baseURL: process.env.BASE_URL,
    viewport: { width: 1280, height: 800 },
    // What does not come within so long does not come: it is said, and the stories after it still have their time.
    actionTimeout: 45_000,
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
