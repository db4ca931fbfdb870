import { defineConfig } from 'vite';
import react from '@vitejs/plugin-react';
import tailwind from '@tailwindcss/vite';

export default defineConfig({
  root: 'web',
  plugins: [react(), tailwind()],
  build: { outDir: '../dist', emptyOutDir: true, modulePreload: { polyfill: false }, assetsInlineLimit: 0 },
  worker: { format: 'es' },
});
