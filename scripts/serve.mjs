// npm start and npm run demo: one command from a fresh clone to a running application.
import { spawn } from 'node:child_process';
import { ensureBuilt, ensureInstalled, root, whenToldToStop } from './prepare.mjs';

ensureInstalled();
ensureBuilt();
const server = spawn(process.execPath, ['dist-server/main.js', ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
whenToldToStop((signal) => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 1));
