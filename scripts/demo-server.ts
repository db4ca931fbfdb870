import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import type { Browser } from '@playwright/test';
import { CHROMIUM_FLAGS, findChromium } from './chromium.mjs';
import { startHall } from './hall-server.ts';

export interface DemoServer {
  base: string;
  browser: Browser;
  close: () => Promise<void>;
}

/** A fresh demo hall on the built server, and a browser to look at it with; both end with `close`. Its address stands in codes and links. */
export const demoServer = (port?: number) => serverWith(['--demo'], port);

/** The same with an empty hall. */
export const emptyServer = () => serverWith([]);

async function serverWith(flags: string[], port?: number): Promise<DemoServer> {
  const folder = await mkdtemp(path.join(tmpdir(), 'meister-demo-'));
  const server = await startHall(folder, { flags, port });
  const browser = await chromium.launch({
    executablePath: findChromium() ?? undefined,
    args: CHROMIUM_FLAGS,
  });
  return {
    base: server.base,
    browser,
    close: async () => {
      await browser.close();
      await server.stop();
      await rm(folder, { recursive: true, force: true });
    },
  };
}
