import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';

export default defineConfig(({ command }) => ({
  plugins: [react()],
  resolve: {
    conditions: command === 'serve' ? ['@jubb/source', ...defaultClientConditions] : [...defaultClientConditions],
  },
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 800, manifest: true },
  css: {
    preprocessorOptions: {
      scss: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:7800' } },
}));
