import { defineConfig } from 'vitest/config';

const project = (name: string, extra: object = {}) => ({
  test: { name, include: [`${name}/src/**/*.test.ts`], environment: 'node', ...extra },
});

export default defineConfig({
  test: {
    projects: [
      project('core'),
      project('wire'),
      project('web'),
      project('server', {
        globalSetup: ['server/src/testing/globalSetup.ts'],
        testTimeout: 30_000,
        hookTimeout: 60_000,
      }),
      {
        test: {
          name: 'scripts',
          include: ['scripts/**/*.test.ts'],
          environment: 'node',
          testTimeout: 60_000,
        },
      },
    ],
  },
});
