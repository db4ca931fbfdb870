// Which Chromium the browser tests, the pictures and the benchmarks use: one of the system's packages.
import { existsSync } from 'node:fs';

/** Debian's packages, the better first: the browser without windows takes a third less time than the whole one. */
export const CHROMIUM_PACKAGES = ['chromium-headless-shell', 'chromium'];

const KNOWN = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** The path of a Chromium, `CHROMIUM` before all others; null where there is none. */
export const findChromium = () =>
  [process.env.CHROMIUM, ...KNOWN].find((file) => file && existsSync(file)) ?? null;

export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
];
