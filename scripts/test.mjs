// npm test: every check there is, and one closing line that adds them up.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import path from 'node:path';
import { ensureBuilt, ensureInstalled, root, run } from './prepare.mjs';

const out = path.join(root, '.cache', 'results');
let passed = 0;
let failed = 0;

function step(name, ok) {
  console.log(`${ok ? 'passed' : 'FAILED'}: ${name}`);
  if (ok) passed++;
  else failed++;
}

/** Chromium from the system's packages; installed where this may be done, otherwise told in one line. */
function findChromium() {
  const known = [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'].filter(Boolean);
  const found = () => known.find((file) => existsSync(file));
  if (found()) return found();
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Chromium …');
    run('apt-get', ['update', '-qq']);
    run('apt-get', ['install', '-y', '-qq', 'chromium'], {
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  }
  return found();
}

/** The first of two ports in a row that nobody listens on. */
async function freePorts() {
  const free = (port) =>
    new Promise((done) => {
      const probe = createServer();
      probe.once('error', () => done(false));
      probe.listen(port, '127.0.0.1', () => probe.close(() => done(true)));
    });
  for (let port = 4391; port < 4591; port += 2) {
    if ((await free(port)) && (await free(port + 1))) return port;
  }
  throw new Error('No two free ports between 4391 and 4591.');
}

function readJson(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

ensureInstalled();
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });

step('types', run('npx', ['tsc', '--noEmit']) === 0);
step('lint and import directions', run('npx', ['eslint', '.', '--max-warnings', '0']) === 0);
step('format', run('npx', ['prettier', '--check', '--log-level', 'warn', '.']) === 0);
ensureBuilt();

const unitFile = path.join(out, 'unit.json');
const unitCode = run('npx', [
  'vitest',
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${unitFile}`,
]);
const unit = readJson(unitFile);
passed += unit?.numPassedTests ?? 0;
failed += unit?.numFailedTests ?? 0;
// A file that could not even be loaded counts as one failure.
if (!unit || (unitCode !== 0 && unit.numFailedTests === 0)) step('unit tests ran to the end', false);

const chromium = findChromium();
if (!chromium) {
  step(
    'browser tests: no Chromium. Install it (Debian: apt-get install chromium) or set CHROMIUM to its path',
    false,
  );
} else {
  const e2eFile = path.join(out, 'e2e.json');
  const { status } = spawnSync('npx', ['playwright', 'test'], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, CHROMIUM: chromium, E2E_JSON: e2eFile, E2E_PORT: String(await freePorts()) },
  });
  const stats = readJson(e2eFile)?.stats;
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  failed += stats?.unexpected ?? 0;
  if (!stats || (status !== 0 && stats.unexpected === 0)) step('browser tests ran to the end', false);
}

console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
