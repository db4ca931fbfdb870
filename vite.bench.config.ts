import { defineConfig } from 'vite';

/** The benchmark as the plain JavaScript that a browser and the built server run; translating on the way costs time of its own. */
export default defineConfig({
  logLevel: 'warn',
  build: {
    ssr: 'scripts/bench.ts',
    target: 'node20',
    outDir: '.cache/bench',
    emptyOutDir: true,
  },
});
