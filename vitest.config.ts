import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

// A machine that is busy otherwise takes its time: what is asserted is what comes out, not how soon.
const project = (name: string, extra: object = {}) => ({
  test: {
    name,
    include: [`${name}/src/**/*.test.ts`],
    environment: 'node',
    testTimeout: 60_000,
    hookTimeout: 60_000,
    ...extra,
  },
});

export default defineConfig({
  test: {
    // By itself it leaves one core idle.
    maxWorkers: availableParallelism(),
    projects: [
      // Pure code shares nothing that one file could spoil for another.
      project('core', { isolate: false }),
      project('wire', { isolate: false }),
      project('web'),
      project('server', {
        globalSetup: ['server/src/testing/globalSetup.ts'],
      }),
      {
        test: {
          name: 'scripts',
          include: ['scripts/**/*.test.ts'],
          environment: 'node',
          testTimeout: 120_000,
        },
      },
    ],
  },
});
