import { readdirSync } from 'node:fs';
import { defineConfig } from 'vite';

const BUILT = 'dist/client';

/** Everything that the client's build has made; what is in `assets` has a name that changes with it. */
const built = [
  ...readdirSync(`${BUILT}/assets`).map((name) => ({ url: `/assets/${name}`, revision: null })),
  { url: '/avrik.webmanifest', revision: '1' },
  { url: '/mark.svg', revision: '1' },
];

/** The service worker: one file beside the page, made after the client, whose files it names. */
export default defineConfig({
  publicDir: false,
  define: { __BUILT_FILES__: JSON.stringify(built), 'process.env.NODE_ENV': '"production"' },
  build: {
    outDir: BUILT,
    emptyOutDir: false,
    target: 'es2022',
    rolldownOptions: {
      input: 'src/client/worker/sw.ts',
      output: { format: 'iife', entryFileNames: 'sw.js' },
    },
  },
});
