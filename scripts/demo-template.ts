import { existsSync, readFileSync } from 'node:fs';
import { cp, mkdir, readdir, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { request } from '@playwright/test';
import type { Start } from '../contract/hall.ts';
import { root } from '../server/root.ts';
import { startHall } from './hall-server.ts';

/** The demo's accounts. */
export const LOGINS = ['head', 'coach', 'relief', 'viewer'] as const;
export type Login = (typeof LOGINS)[number];

const halls = path.join(root, '.cache', 'halls');

/** Of the server as it was built last and of today, since the demo's logs end yesterday; one run keeps to one, over midnight too. */
function templateFolder(): string {
  return (process.env.MEISTER_DEMO_TEMPLATE ??= newestFolder());
}

function newestFolder(): string {
  const built = readFileSync(path.join(root, '.cache', 'build.stamp'), 'utf8').slice(0, 12);
  return path.join(halls, `demo-${built}-${new Date().toISOString().slice(0, 10)}`);
}

/** Where the browser of each account keeps its sign-in, as Playwright's `storageState`. */
export const stateFile = (login: Login) => path.join(templateFolder(), `${login}.json`);

/** Makes the demo hall's data folder, with everybody signed in once, unless it is there already. Needs the built server. */
export async function ensureDemoTemplate(): Promise<void> {
  const folder = templateFolder();
  if (existsSync(folder)) return;
  const partial = `${folder}.${process.pid}`;
  await mkdir(partial, { recursive: true });
  const { base, stop } = await startHall(path.join(partial, 'hall'), { flags: ['--demo'] });
  for (const login of LOGINS) {
    const browser = await request.newContext({ baseURL: base, extraHTTPHeaders: { origin: base } });
    const { demoAccounts } = (await (await browser.get('/api/start')).json()) as Start;
    const { password } = demoAccounts.find((a) => a.login === login)!;
    const answer = await browser.post('/api/sign-in', { data: { login, password } });
    if (!answer.ok()) throw new Error(`The demo did not let ${login} in: ${await answer.text()}`);
    await writeFile(path.join(partial, `${login}.json`), JSON.stringify(await browser.storageState()));
    await browser.dispose();
  }
  await stop();
  await rm(path.join(partial, 'hall', 'snapshots'), { recursive: true, force: true });
  await rename(partial, folder);
  // Those of earlier builds and days are of no more use.
  for (const name of await readdir(halls)) {
    if (name !== path.basename(folder)) await rm(path.join(halls, name), { recursive: true, force: true });
  }
}

/** A copy of the demo hall's data for one server of its own. */
export async function copyDemo(to: string): Promise<void> {
  await cp(path.join(templateFolder(), 'hall'), to, { recursive: true });
}
