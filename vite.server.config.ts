import { defineConfig } from 'vite';

/** The server as plain JavaScript: it starts in half the time it takes to translate it on the way. */
export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist-server',
    emptyOutDir: true,
    rollupOptions: {
      input: {
        main: 'server/main.ts',
        restore: 'server/restore.ts',
        reset: 'server/reset.ts',
        worker: 'server/worker.ts',
        'take-backup': 'server/take-backup.ts',
      },
    },
  },
});
