import { defineConfig } from 'vite';

/** The service worker, a file of its own at a name that stays: browsers ask for it there. Built after the application. */
export default defineConfig({
  publicDir: false,
  define: { 'process.env.NODE_ENV': '"production"' },
  build: {
    target: 'es2022',
    outDir: 'build/client',
    emptyOutDir: false,
    lib: { entry: 'app/service-worker.ts', formats: ['es'], fileName: () => 'service-worker.js' },
  },
});
