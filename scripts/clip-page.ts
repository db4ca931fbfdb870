import { chromium } from '@playwright/test';
import { createServer } from 'vite';
import { CHROMIUM_FLAGS, findChromium } from './chromium.mjs';
import type { Clip, ClipResult } from './eye-clips-page.ts';

/** Runs drawn clips through the network that the application uses, in a browser of their own. */
export async function clipPage(): Promise<{
  run: (clip: Clip) => Promise<ClipResult>;
  close: () => Promise<void>;
}> {
  const server = await createServer({
    configFile: 'vite.config.ts',
    root: '.',
    // An edit meanwhile changes nothing of a run.
    server: { port: 0, hmr: false, watch: null },
    logLevel: 'error',
  });
  await server.listen();
  const browser = await chromium.launch({
    executablePath: findChromium() ?? undefined,
    args: CHROMIUM_FLAGS,
  });
  const page = await browser.newPage();
  await page.goto(`${server.resolvedUrls!.local[0]}scripts/eye-clips.html`);
  await page.waitForFunction('window.runClip', null, { timeout: 120_000 });
  return {
    run: (clip) =>
      page.evaluate(
        (c) => (window as unknown as { runClip: (c: Clip) => Promise<ClipResult> }).runClip(c),
        clip,
      ),
    close: async () => {
      await browser.close();
      await server.close();
    },
  };
}
