import { defineConfig } from '@playwright/test';

const data = process.env.E2E_DATA ?? `.cache/e2e-${Date.now()}`;
process.env.E2E_DATA = data;
// The test command passes ports that are free; a bare `playwright test` takes these.
const PORT = Number(process.env.E2E_PORT ?? 4391);
export const DEMO = `http://127.0.0.1:${PORT}`;
export const EMPTY = `http://127.0.0.1:${PORT + 1}`;

const server = (port: number, folder: string, demo: boolean) => ({
  command: `node scripts/serve.mjs${demo ? ' --demo' : ''}`,
  url: `http://127.0.0.1:${port}/api/start`,
  env: {
    PORT: String(port),
    HOST: '127.0.0.1',
    MEISTER_DATA: `${data}/${folder}`,
    PUBLIC_URL: '',
    DATABASE_URL: '',
  },
  timeout: 180_000,
  gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 10_000 },
});

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  // The specs share one hall, as people do; they run one after the other.
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  forbidOnly: true,
  reporter: process.env.E2E_JSON ? [['line'], ['json', { outputFile: process.env.E2E_JSON }]] : 'line',
  use: {
    baseURL: DEMO,
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
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
        '--disable-dev-shm-usage',
      ],
    },
  },
  webServer: [server(PORT, 'demo', true), server(PORT + 1, 'empty', false)],
});
