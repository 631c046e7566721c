import { reactRouter } from '@react-router/dev/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [reactRouter()],
  worker: { format: 'es' },
  build: { target: 'es2022', assetsInlineLimit: 0 },
});
