/** Installs what is missing: npm packages from the lock file, programs from Debian's packages. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync } from 'node:zlib';
import { Told, say } from './say.mjs';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');

const hashOf = (file) => createHash('sha256').update(readFileSync(file)).digest('hex');

/** `npm ci`, unless node_modules was installed from this very lock file. */
export function ensureNpmPackages() {
  const stamp = path.join(ROOT, 'node_modules/.avrik-lock');
  const hash = hashOf(path.join(ROOT, 'package-lock.json'));
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  say('Installing packages from the lock file (one to three minutes, once) …');
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (done.status !== 0) throw new Told('npm ci failed: its words stand above. Nothing else was changed.');
  writeFileSync(stamp, hash);
}

const isRoot = () => process.getuid?.() === 0;

function apt(...args) {
  return spawnSync('apt-get', args, {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
}

function installDebian(packages, what) {
  const command = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (!isRoot())
    throw new Told(`${what} is missing. Install it once as root:\n  sudo ${command}\nthen start again.`);
  say(`Installing ${what} from Debian's packages …`);
  apt('update', '-qq');
  if (apt('install', '-y', '-qq', '--no-install-recommends', ...packages).status !== 0)
    throw new Told(`Could not install ${what}. Try by hand:\n  ${command}`);
}

/** The folder of PostgreSQL's programs, newest version first; installs them when there are none. */
export function ensurePostgres() {
  const found = postgresBin();
  if (found) return found;
  // Debian's package would start a cluster of its own otherwise; Avrik keeps a private one.
  if (isRoot()) {
    mkdirSync('/etc/postgresql-common', { recursive: true });
    const conf = '/etc/postgresql-common/createcluster.conf';
    if (!existsSync(conf)) writeFileSync(conf, 'create_main_cluster = false\n');
  }
  installDebian(['postgresql'], 'PostgreSQL');
  const bin = postgresBin();
  if (!bin) throw new Told('PostgreSQL was installed, but its programs are not under /usr/lib/postgresql.');
  return bin;
}

function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base)
    .map(Number)
    .filter((v) => v >= 15)
    .sort((a, b) => b - a);
  const version = versions.find((v) => existsSync(`${base}/${v}/bin/initdb`));
  return version ? `${base}/${version}/bin` : null;
}

export function ensureChromium() {
  if (!existsSync('/usr/bin/chromium')) installDebian(['chromium'], 'Chromium');
}

/** Builds the client and the server where their sources are others than those of the last build. */
export function ensureBuild() {
  const stamp = path.join(ROOT, 'dist/.sources');
  const hash = createHash('sha256');
  for (const file of sources()) hash.update(file).update(readFileSync(path.join(ROOT, file)));
  const now = hash.digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('Building …');
  // The service worker names the files of the client, so it comes after them.
  for (const config of ['vite.config.ts', 'vite.worker.config.ts']) {
    const done = spawnSync(
      'npx',
      ['--no-install', 'vite', 'build', '--config', config, '--logLevel', 'warn'],
      { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] },
    );
    if (done.status !== 0) throw new Told('The build failed: its words stand above.');
  }
  compressAssets(path.join(ROOT, 'dist/client/assets'));
  buildServer();
  writeFileSync(stamp, now);
}

/** From this size on a file is compressed once for all who will ask for it. */
const COMPRESSED_BYTES = 4096;

/** Beside each script and style of the client, the same as Brotli packs it tightest. */
function compressAssets(folder) {
  for (const name of readdirSync(folder).filter((n) => /\.(?:js|css)$/.test(n))) {
    const bytes = readFileSync(path.join(folder, name));
    if (bytes.length >= COMPRESSED_BYTES)
      writeFileSync(path.join(folder, `${name}.br`), brotliCompressSync(bytes));
  }
}

/** The server as a few files: reading hundreds of TypeScript files takes three times as long at each start. */
function buildServer() {
  const entries = {
    main: 'src/server/main.ts',
    migrate: 'src/server/db/migrate.ts',
    jobs: 'src/server/jobs/main.ts',
    compute: 'src/server/compute/main.ts',
  };
  rmSync(path.join(ROOT, 'dist/server'), { recursive: true, force: true });
  const done = spawnSync(
    'npx',
    [
      '--no-install',
      'esbuild',
      ...Object.entries(entries).map(([name, file]) => `${name}=${file}`),
      '--bundle',
      '--splitting',
      '--packages=external',
      '--platform=node',
      '--format=esm',
      '--out-extension:.js=.mjs',
      '--outdir=dist/server',
      '--sourcemap',
      '--log-level=warning',
    ],
    { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] },
  );
  if (done.status !== 0) throw new Told('The build of the server failed: its words stand above.');
}

function sources() {
  const walk = (dir) =>
    readdirSync(path.join(ROOT, dir), { withFileTypes: true }).flatMap((e) =>
      e.isDirectory() ? walk(`${dir}/${e.name}`) : [`${dir}/${e.name}`],
    );
  const code = ['public', 'src', 'migrations'].flatMap(walk).filter((f) => !/\.test\.tsx?$/.test(f));
  return [
    ...code.sort(),
    'index.html',
    'vite.config.ts',
    'vite.worker.config.ts',
    'package-lock.json',
    'tsconfig.json',
  ];
}
