import { existsSync } from 'node:fs';
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

/** The same without windows of its own: half the work for the machine, so the many tests that take no times use it. */
const shell = { ...chromium, executablePath: '/usr/bin/chromium-headless-shell' };

/**
 * Tests in which a time taken, or a time that is not void, is looked at: one page at a time, so that none slows another, and
 * tried again where the machine itself stood still meanwhile (steady.ts).
 */
const timed = /(minute|turns|voice|voidTimes|childScreen|nothingLost|gameTable|ownDevices)\.spec\.ts$/;

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  globalSetup: './globalSetup.ts',
  // Something hangs: no measure of speed.
  timeout: 120_000,
  expect: { timeout: 10_000 },
  projects: [
    { name: 'timed', testMatch: timed, workers: 1, retries: 2 },
    // Test by test, so that no worker idles beside a long file.
    {
      name: 'others',
      testMatch: /\.spec\.ts$/,
      testIgnore: timed,
      workers: 2,
      fullyParallel: true,
      // What keeps the application for later is let in by the files that go without a network: it costs each page a seventh.
      use: {
        serviceWorkers: 'block',
        launchOptions: existsSync(shell.executablePath) ? shell : chromium,
      },
    },
  ],
  workers: 2,
  fullyParallel: false,
  forbidOnly: process.env.CI !== undefined,
  reporter: process.env.VELDRIFT_JSON
    ? [['list'], ['./pageReporter.ts'], ['json', { outputFile: process.env.VELDRIFT_JSON }]]
    : [['list'], ['./pageReporter.ts']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: chromium,
    locale: 'en-GB',
    timezoneId: 'Europe/Oslo',
    trace: 'off',
  },
});
