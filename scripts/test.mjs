// npm test: every check there is, and one closing line that adds them up.
// npm test -- core/ladder e2e/faults: just the tests whose path holds one of the words.
// npm run test:long: the unit tests with many times as many made-up cases.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { CHROMIUM_PACKAGES, findChromium } from './chromium.mjs';
import { ensureBuilt, ensureInstalled, root, run } from './prepare.mjs';

const out = path.join(root, '.cache', 'results');
const long = process.argv.includes('--long');
const asked = process.argv.slice(2).filter((word) => word !== '--long');
let passed = 0;
let failed = 0;

function step(name, ok) {
  console.log(`${ok ? 'passed' : 'FAILED'}: ${name}`);
  if (ok) passed++;
  else failed++;
}

/** A script of package.json beside others: what it prints comes when it has ended, and only if it failed. */
const check = (name, script) =>
  new Promise((done) => {
    const child = spawn('npm', ['run', '--silent', script], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
    child.on('close', (code) => {
      if (code !== 0) process.stdout.write(Buffer.concat(said));
      step(name, code === 0);
      done();
    });
  });

/** A run of tests that says what it does as it goes. */
const follow = (command, args, env = {}) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
    child.on('close', done);
  });

const bin = (name) => path.join(root, 'node_modules', '.bin', name);

async function statics() {
  await check('types', 'typecheck');
  await check('lint', 'lint:code');
  await check('who imports whom', 'lint:imports');
  await check('format', 'lint:format');
}

async function unitTests(filters) {
  const file = path.join(out, 'unit.json');
  const reports = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`];
  const code = await follow(bin('vitest'), ['run', ...filters, ...reports], long ? { TEST_LONG: '1' } : {});
  const unit = readJson(file);
  passed += unit?.numPassedTests ?? 0;
  failed += unit?.numFailedTests ?? 0;
  // A file that could not even be loaded counts as one failure.
  if (!unit || (code !== 0 && unit.numFailedTests === 0)) step('unit tests ran to the end', false);
}

async function browserTests(filters) {
  if (!ensureChromium()) {
    step(
      `browser tests: no Chromium. Install it (Debian: apt-get install ${CHROMIUM_PACKAGES[0]}) or set CHROMIUM to its path`,
      false,
    );
    return;
  }
  const file = path.join(out, 'e2e.json');
  const code = await follow(bin('playwright'), ['test', ...filters], { E2E_JSON: file });
  const stats = readJson(file)?.stats;
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  failed += stats?.unexpected ?? 0;
  if (stats?.flaky) console.log(`${stats.flaky} of the browser tests passed only when run a second time`);
  if (!stats || (code !== 0 && stats.unexpected === 0)) step('browser tests ran to the end', false);
}

/** Chromium from the system's packages; installed where this may be done. */
function ensureChromium() {
  if (!findChromium() && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Chromium …');
    run('apt-get', ['update', '-qq']);
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    for (const name of CHROMIUM_PACKAGES) {
      if (!findChromium()) run('apt-get', ['install', '-y', '-qq', name], { env });
    }
  }
  return findChromium();
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

// The bundle's own test reads what was built, and the browser tests run it.
ensureBuilt();
if (asked.length > 0 || long) {
  const browser = asked.filter((word) => word.startsWith('e2e'));
  const unit = asked.filter((word) => !word.startsWith('e2e'));
  if (unit.length > 0 || browser.length === 0) await unitTests(unit);
  if (browser.length > 0) await browserTests(browser);
} else {
  await Promise.all([statics(), unitTests([])]);
  await browserTests([]);
}

console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
