import { defineConfig } from '@playwright/test';

/** Debian's own Chromium, without the parts that look for the network by themselves. */
export const chromium = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  globalSetup: './globalSetup.ts',
  timeout: 90_000,
  expect: { timeout: 10_000 },
  // Times are measured here: one page at a time, so that one test does not slow another.
  workers: 1,
  fullyParallel: false,
  forbidOnly: process.env.CI !== undefined,
  reporter: process.env.VELDRIFT_JSON
    ? [['list'], ['json', { outputFile: process.env.VELDRIFT_JSON }]]
    : 'list',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: chromium,
    locale: 'en-GB',
    timezoneId: 'Europe/Oslo',
    trace: 'off',
  },
});
