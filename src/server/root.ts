/** Where files lie, whether the server runs from its sources or as it was built. */
import path from 'node:path';

/** The folder of the project: two above `src/server`, and two above `dist/server`. */
export const ROOT = path.resolve(import.meta.dirname, '../..');

const isBuilt = !import.meta.filename.endsWith('.ts');

/** What a thread loads: from the sources JavaScript, since a thread does not take over what reads TypeScript. */
export const threadFile = (of: 'jobs' | 'compute'): string =>
  path.join(ROOT, isBuilt ? `dist/server/${of}.mjs` : `src/server/${of}/thread.mjs`);
