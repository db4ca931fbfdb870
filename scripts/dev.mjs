// npm run dev: the demo hall for daily work behind one address; the interface changes under the eyes, the server starts anew.
import { spawn } from 'node:child_process';
import { ensureInstalled, root, whenToldToStop } from './prepare.mjs';

ensureInstalled();
const { createServer } = await import('vite');

const port = Number(process.env.PORT || 4180);
const serverPort = port + 1;
const address = `http://127.0.0.1:${port}`;

const vite = await createServer({
  configFile: 'vite.config.ts',
  server: {
    host: '127.0.0.1',
    port,
    strictPort: true,
    // The address that was asked for stays in the request: the server compares it with where it came from.
    proxy: { '/api': { target: `http://127.0.0.1:${serverPort}`, changeOrigin: false } },
  },
});
// First, so that a port that is taken leaves nothing running.
await vite.listen();
const server = spawn(
  process.execPath,
  ['node_modules/tsx/dist/cli.mjs', 'watch', '--clear-screen=false', 'server/main.ts', '--demo'],
  {
    cwd: root,
    stdio: 'inherit',
    env: {
      ...process.env,
      PORT: String(serverPort),
      HOST: '127.0.0.1',
      PUBLIC_URL: address,
      MEISTER_DATA: process.env.MEISTER_DATA || 'data/dev',
      MEISTER_DEBUG: process.env.MEISTER_DEBUG ?? '1',
    },
  },
);
console.log(`Meister for daily work is at ${address}; the server behind it takes some seconds to start.`);

const stop = async () => {
  server.kill('SIGTERM');
  await vite.close();
};
whenToldToStop(() => void stop());
server.on('exit', (code) => {
  void vite.close().then(() => process.exit(code ?? 0));
});
