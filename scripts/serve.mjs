// npm start and npm run demo: one command from a fresh clone to a running application.
import { spawn } from 'node:child_process';
import { ensureBuilt, ensureInstalled, root } from './prepare.mjs';

ensureInstalled();
ensureBuilt();
const server = spawn(process.execPath, ['dist-server/main.js', ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
// npm does not pass a signal through its shell: when the npm that started this is gone, the server stops too.
if (process.env.npm_lifecycle_event) {
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid !== parent) server.kill('SIGTERM');
  }, 1000).unref();
}
server.on('exit', (code) => process.exit(code ?? 1));
