// Shared by the start, test and restore scripts: installs and builds only what is out of date.
// Plain Node, because on a fresh clone nothing else is there yet.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
const cache = path.join(root, '.cache');

const stampOf = (name) => path.join(cache, `${name}.stamp`);
const isStamped = (name, value) => existsSync(stampOf(name)) && readFileSync(stampOf(name), 'utf8') === value;
const stamp = (name, value) => {
  mkdirSync(cache, { recursive: true });
  writeFileSync(stampOf(name), value);
};

export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error) throw error;
  return status ?? 1;
}

/** Whether what lies in node_modules, by npm's own record, is what the lock file names; an npm ci by hand counts too. */
function isInstalled() {
  const record = path.join(root, 'node_modules', '.package-lock.json');
  if (!existsSync(record)) return false;
  const packages = (file) => JSON.parse(readFileSync(file, 'utf8')).packages;
  const there = packages(record);
  return Object.entries(packages(path.join(root, 'package-lock.json'))).every(
    ([at, wanted]) => at === '' || there[at]?.version === wanted.version || (wanted.optional && !there[at]),
  );
}

/** `npm ci` when something that the lock file names is not there. */
export function ensureInstalled() {
  if (isInstalled()) return;
  console.log('Installing packages …');
  if (run('npm', ['ci', '--no-audit', '--no-fund']) !== 0) {
    console.error('npm ci failed; see above.');
    process.exit(1);
  }
}

function fingerprint(folders) {
  const hash = createHash('sha256');
  const walk = (file) => {
    const stat = statSync(file);
    if (stat.isDirectory()) for (const name of readdirSync(file).sort()) walk(path.join(file, name));
    else hash.update(`${path.relative(root, file)} ${stat.size} ${stat.mtimeMs}\n`);
  };
  folders
    .map((f) => path.join(root, f))
    .filter(existsSync)
    .forEach(walk);
  return hash.digest('hex');
}

/** Builds interface and server when anything it is made of has changed. */
export function ensureBuilt() {
  const now = fingerprint([
    'web',
    'core',
    'contract',
    'server',
    'vite.config.ts',
    'vite.server.config.ts',
    'package-lock.json',
  ]);
  if (
    existsSync(path.join(root, 'dist', 'index.html')) &&
    existsSync(path.join(root, 'dist-server', 'main.js')) &&
    isStamped('build', now)
  )
    return;
  console.log('Building …');
  const vite = (...args) => run('npx', ['vite', 'build', '--logLevel', 'warn', ...args]);
  if (vite() !== 0 || vite('--config', 'vite.server.config.ts') !== 0) {
    console.error('The build failed; see above.');
    process.exit(1);
  }
  stamp('build', now);
}

/** Calls `stop` at a signal, and when the npm that started this is gone: npm does not pass a signal through its shell. */
export function whenToldToStop(stop) {
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => stop(signal));
  if (!process.env.npm_lifecycle_event) return;
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid !== parent) stop('SIGTERM');
  }, 1000).unref();
}
