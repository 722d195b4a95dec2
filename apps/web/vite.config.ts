import react from '@vitejs/plugin-react';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { defaultClientConditions, defineConfig } from 'vite';

/** A name for what is built: the same sources have the same one. */
function buildName(): string {
  const hash = createHash('sha256');
  for (const folder of ['src', '../../packages/core/src', '../../packages/contract/src']) {
    const at = join(import.meta.dirname, folder);
    for (const file of readdirSync(at, { recursive: true, encoding: 'utf8' }).sort())
      if (/\.tsx?$/.test(file)) hash.update(file).update(readFileSync(join(at, file)));
  }
  return hash.digest('hex').slice(0, 16);
}

export default defineConfig(({ command }) => ({
  plugins: [react()],
  define: { __JUBB_BUILD__: JSON.stringify(command === 'serve' ? 'dev' : buildName()) },
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
