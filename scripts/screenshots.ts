import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import type { Person } from '../contract/people.ts';
import { root } from '../server/root.ts';

/** Takes the pictures of docs/screenshots from a fresh demo hall: `npm run screenshots [name …]`. */
const PORT = 4393;
const base = `http://127.0.0.1:${PORT}`;
const wanted = process.argv.slice(2);

interface Shot {
  name: string;
  login: 'head' | 'coach';
  path: (id: (name: string) => string) => string;
  size?: [number, number];
  dark?: boolean;
  /** Accessible names of buttons to press before the picture. */
  press?: string[];
}

const SHOTS: Shot[] = [
  { name: 'people', login: 'head', path: () => '/people' },
  { name: 'decision', login: 'head', path: (id) => `/people/${id('Oskar Lindqvane')}` },
  { name: 'sheet', login: 'coach', path: () => '/library/variation/one-leg-lift' },
  { name: 'cue-sheet', login: 'coach', path: () => '/print/bench-thrust', size: [900, 1240] },
  { name: 'ladder', login: 'head', path: () => '/ladders/bridge-ladder' },
  {
    name: 'criterion',
    login: 'head',
    path: () => '/ladders/bridge-ladder',
    press: ['4 One leg sound', 'Edit this level'],
  },
  { name: 'editor', login: 'head', path: () => '/library/fault/pelvis-tips/edit' },
  { name: 'floor', login: 'coach', path: () => '/floor', size: [820, 1180] },
  { name: 'log-tablet', login: 'coach', path: (id) => `/floor/${id('Marta Quillon')}`, size: [820, 1180] },
  {
    name: 'log-phone',
    login: 'coach',
    path: (id) => `/floor/${id('Marta Quillon')}`,
    size: [390, 844],
    dark: true,
  },
  { name: 'hall', login: 'head', path: () => '/hall' },
];

const folder = await mkdtemp(path.join(tmpdir(), 'meister-shots-'));
const server = spawn(process.execPath, ['scripts/serve.mjs', '--demo'], {
  cwd: root,
  env: { ...process.env, PORT: String(PORT), MEISTER_DATA: folder },
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
try {
  for (const shot of SHOTS.filter((s) => wanted.length === 0 || wanted.includes(s.name))) {
    const [width, height] = shot.size ?? [1280, 800];
    const context = await browser.newContext({
      viewport: { width, height },
      colorScheme: shot.dark ? 'dark' : 'light',
    });
    const page = await context.newPage();
    await page.goto(base);
    await page.getByRole('button', { name: `(${shot.login})` }).click();
    await page.getByRole('navigation', { name: 'Rooms' }).waitFor();
    const people = (await (await page.request.get(`${base}/api/people`)).json()) as Person[];
    await page.goto(base + shot.path((name) => people.find((p) => p.name === name)!.id));
    await page.waitForLoadState('networkidle');
    for (const name of shot.press ?? []) await page.getByRole('button', { name }).click();
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(200);
    await page.screenshot({ path: path.join(root, 'docs/screenshots', `${shot.name}.png`) });
    await context.close();
    console.log(shot.name);
  }
} finally {
  await browser.close();
  server.kill('SIGTERM');
  await new Promise((done) => server.on('exit', done));
  await rm(folder, { recursive: true, force: true });
}
