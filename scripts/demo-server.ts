import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import type { Browser } from '@playwright/test';
import { root } from '../server/root.ts';

export interface DemoServer {
  base: string;
  browser: Browser;
  close: () => Promise<void>;
}

/** A fresh demo hall on a port of its own, and a browser to look at it with; both end with `close`. */
export const demoServer = (port: number) => serverOn(port, ['--demo']);

/** The same with an empty hall. */
export const emptyServer = (port: number) => serverOn(port, []);

async function serverOn(port: number, flags: string[]): Promise<DemoServer> {
  const folder = await mkdtemp(path.join(tmpdir(), 'meister-demo-'));
  const server = spawn(process.execPath, ['scripts/serve.mjs', ...flags], {
    cwd: root,
    env: { ...process.env, PORT: String(port), MEISTER_DATA: folder },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((done, fail) => {
    server.stdout.on('data', (chunk: Buffer) => chunk.toString().includes('Meister is at') && done());
    server.on('exit', () => fail(new Error('The server did not start.')));
  });
  server.removeAllListeners('exit');
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-dev-shm-usage'],
  });
  return {
    base: `http://127.0.0.1:${port}`,
    browser,
    close: async () => {
      await browser.close();
      server.kill('SIGTERM');
      await new Promise((done) => server.on('exit', done));
      await rm(folder, { recursive: true, force: true });
    },
  };
}
