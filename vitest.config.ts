import { defineConfig } from 'vitest/config';

const LONG = process.env.TEST_LONG === '1';

export default defineConfig({
  test: {
    hookTimeout: 120_000,
    testTimeout: LONG ? 1_800_000 : 60_000,
    maxWorkers: 2,
    // Files of one worker share what they import; only those that keep something of a test in a module are apart.
    isolate: false,
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: ['{core,contract,scripts}/**/*.test.{ts,tsx}'],
          pool: 'threads',
        },
      },
      {
        extends: true,
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          globalSetup: ['server/testing/template.setup.ts'],
          // The embedded database is not worth optimising for a test file: that takes half of its time.
          execArgv: ['--liftoff-only'],
        },
      },
      { extends: true, test: { name: 'web', include: ['web/**/*.test.ts'], isolate: true } },
      {
        extends: true,
        test: {
          name: 'screens',
          include: ['web/**/*.test.tsx'],
          environment: 'jsdom',
          setupFiles: ['web/testing/setup.ts'],
        },
      },
    ],
  },
});
