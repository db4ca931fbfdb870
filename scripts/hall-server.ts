import { spawn } from 'node:child_process';
import { root } from '../server/root.ts';
import { freePort } from '../server/testing/free-port.ts';

export interface HallServer {
  base: string;
  /** Orderly, with a last snapshot. */
  stop: () => Promise<void>;
  /** At once, where nothing of it is needed any more. */
  kill: () => Promise<void>;
}

/**
 * The built server on a data folder.
 * @param options.flags of the server, such as `--demo`
 * @param options.brief it lives for a minute: the embedded database is not optimised, which would take half of that time
 * @param options.port where it listens; a free port if not given
 * @param options.library a library file instead of the one that comes along
 * @throws Error when it ends before it answers; what it said goes to this process's output
 */
export async function startHall(
  folder: string,
  {
    flags = [],
    brief = false,
    port,
    library = '',
  }: { flags?: readonly string[]; brief?: boolean; port?: number; library?: string } = {},
): Promise<HallServer> {
  const listens = port ?? (await freePort());
  const node = brief ? ['--liftoff-only'] : [];
  const server = spawn(process.execPath, [...node, 'dist-server/main.js', ...flags], {
    cwd: root,
    env: {
      ...process.env,
      PORT: String(listens),
      HOST: '127.0.0.1',
      MEISTER_DATA: folder,
      PUBLIC_URL: '',
      DATABASE_URL: '',
      MEISTER_LIBRARY: library,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = new Promise<void>((done) => server.once('exit', () => done()));
  await new Promise<void>((done, fail) => {
    server.stdout.on('data', (chunk: Buffer) => chunk.toString().includes('Meister is at') && done());
    void ended.then(() => fail(new Error(`The server on ${folder} did not start.`)));
  });
  const end = (signal: NodeJS.Signals) => async () => {
    server.kill(signal);
    await ended;
  };
  return { base: `http://127.0.0.1:${listens}`, stop: end('SIGTERM'), kill: end('SIGKILL') };
}
