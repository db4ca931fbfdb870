import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { chmod, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { freePort } from './free-port.ts';

const versions = '/usr/lib/postgresql';
const newest = existsSync(versions)
  ? readdirSync(versions).sort((a, b) => Number(b) - Number(a))[0]
  : undefined;
const bin = (tool: string) => path.join(versions, newest ?? '', 'bin', tool);

/** Only where the system brings a PostgreSQL server; the embedded database is tested everywhere. */
export const hasPostgres = newest !== undefined && existsSync(bin('initdb'));

// The server refuses to run as root.
const run = (tool: string, ...args: string[]) =>
  process.getuid?.() === 0
    ? execFileSync('runuser', ['-u', 'postgres', '--', bin(tool), ...args], { cwd: '/', stdio: 'pipe' })
    : execFileSync(bin(tool), args, { cwd: '/', stdio: 'pipe' });

/** A PostgreSQL server of its own, for tests. */
export interface TestServer {
  url: (database: string) => string;
  start: () => void;
  stop: () => void;
  close: () => Promise<void>;
}

export async function startPostgres(): Promise<TestServer> {
  const folder = await mkdtemp(path.join(tmpdir(), 'meister-pg-'));
  await chmod(folder, 0o777);
  const data = path.join(folder, 'data');
  const port = await freePort();
  run('initdb', '-A', 'trust', '-U', 'meister', '-D', data);
  const start = () => {
    const options = `-p ${port} -h 127.0.0.1 -k ${folder}`;
    run('pg_ctl', '-D', data, '-o', options, '-l', path.join(folder, 'log'), '-w', 'start');
  };
  start();
  return {
    url: (database) => `postgres://meister@127.0.0.1:${port}/${database}`,
    start,
    stop: () => void run('pg_ctl', '-D', data, '-m', 'fast', '-w', 'stop'),
    close: async () => {
      run('pg_ctl', '-D', data, '-m', 'immediate', 'stop');
      await rm(folder, { recursive: true, force: true });
    },
  };
}
