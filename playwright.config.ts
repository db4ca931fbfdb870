import { readdirSync } from 'node:fs';
import { defineConfig } from '@playwright/test';
import { seeded } from './core/testing/seeded.ts';
import { CHROMIUM_FLAGS, findChromium } from './scripts/chromium.mjs';

// Kept in the environment, since the workers read this file too.
process.env.E2E_SEED ??= String(Date.now() % 100_000);
const seed = Number(process.env.E2E_SEED);
if (!process.env.TEST_WORKER_INDEX) console.log(`Browser tests in the order of E2E_SEED=${seed}`);

const random = seeded(seed);
const files = readdirSync('e2e', { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.spec.ts'))
  .sort()
  .map((name) => ({ name: name.replace(/\.spec\.ts$/, ''), at: random() }))
  .sort((a, b) => a.at - b.at);

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  globalSetup: './e2e/global-setup.ts',
  // A project a file: each has a hall of its own, and the files come in an order that changes with the seed.
  projects: files.map(({ name }) => ({ name, testMatch: `**/e2e/${name}.spec.ts` })),
  workers: 2,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  forbidOnly: true,
  // Once more in a hall of its own, where a machine was busy; what passed only then is named at the end.
  retries: 1,
  reporter: process.env.E2E_JSON ? [['line'], ['json', { outputFile: process.env.E2E_JSON }]] : 'line',
  use: {
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    launchOptions: { executablePath: findChromium() ?? undefined, args: CHROMIUM_FLAGS },
  },
});
