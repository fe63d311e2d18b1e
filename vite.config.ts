import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    outDir: 'dist/client',
    emptyOutDir: true,
    manifest: true,
    target: 'es2022',
    modulePreload: { polyfill: false },
  },
  server: { proxy: { '/api': 'http://localhost:4100', '/l': 'http://localhost:4100' } },
});
