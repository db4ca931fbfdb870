import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,contract,server,web,scripts}/**/*.test.{ts,tsx}'],
    globalSetup: ['server/testing/template.setup.ts'],
    hookTimeout: 120_000,
    testTimeout: 60_000,
    maxWorkers: 2,
  },
});
