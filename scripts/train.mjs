#!/usr/bin/env node
/** `npm run train`: the reader, trained on the corpus; `-- --leave-out` scores it on authors that it was not trained on, `-- --charts` draws that. */
import { spawnSync } from 'node:child_process';
import { ensureNpmPackages, ROOT } from './lib/packages.mjs';
import { run } from './lib/say.mjs';

await run(async () => {
  ensureNpmPackages();
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'training/train.ts', ...process.argv.slice(2)],
    {
      cwd: ROOT,
      stdio: ['ignore', 'inherit', 'inherit'],
    },
  );
  process.exit(done.status ?? 1);
});
