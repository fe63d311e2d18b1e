#!/usr/bin/env node
/**
 * Everything that must hold before a change lands. `npm test` runs it all; `npm test -- unit server` only some steps.
 * Ends with one line: N passed, N failed.
 */
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { copyDatabase, ensureDatabase } from './lib/database.mjs';
import { ensureBuild, ensureChromium, ensureNpmPackages, ensurePostgres, ROOT } from './lib/packages.mjs';
import { startCluster, throwAwayFolder } from './lib/postgres.mjs';
import { run, say, Told } from './lib/say.mjs';

/** The longest first: two go on side by side. */
const CHECKS = {
  lint: ['npx', 'eslint', '--max-warnings', '0', '.'],
  types: ['npx', 'tsc', '--noEmit', '-p', '.'],
  'types of core': ['npx', 'tsc', '--noEmit', '-p', 'src/core'],
  format: ['npx', 'prettier', '--check', '--log-level', 'warn', '.'],
  imports: [
    'npx',
    'depcruise',
    '--config',
    '.dependency-cruiser.cjs',
    'src',
    'migrations',
    'tests',
    'e2e',
    'bench',
  ],
  unused: ['npx', 'knip'],
  reader: [process.execPath, '--import', 'tsx', 'training/check.ts'],
};
const STEPS = [...Object.keys(CHECKS), 'unit', 'client', 'server', 'journeys'];

/** Ports of the journeys' shops, as in `playwright.config.ts`. */
const LANES = ['4199', '4200', '4201'];

const wanted = process.argv.slice(2).filter((a) => STEPS.includes(a));
const rest = process.argv.slice(2).filter((a) => !STEPS.includes(a));
const runs = (step) => wanted.length === 0 || wanted.includes(step);

let passed = 0;
let failed = 0;

function shell(command, env = {}) {
  return spawnSync(command[0], command.slice(1), {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  }).status;
}

function timed(name, work) {
  const began = Date.now();
  say(`\n── ${name}`);
  const [good, bad] = work();
  passed += good;
  failed += bad;
  say(`── ${name}: ${bad === 0 ? 'passed' : 'FAILED'} (${((Date.now() - began) / 1000).toFixed(0)} s)`);
}

/** Runs a check and says what it said when it is over, so that two side by side do not talk into each other. */
function check([name, command]) {
  const began = Date.now();
  return new Promise((resolve) => {
    const child = spawn(command[0], command.slice(1), { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
    child.on('error', (error) => said.push(Buffer.from(String(error))));
    child.on('close', (status) => {
      if (status === 0) passed += 1;
      else failed += 1;
      say(`\n── ${name}\n${Buffer.concat(said).toString().trim()}`);
      const seconds = ((Date.now() - began) / 1000).toFixed(0);
      say(`── ${name}: ${status === 0 ? 'passed' : 'FAILED'} (${seconds} s)`);
      resolve();
    });
  });
}

async function checks(left) {
  const lane = async () => {
    for (let next = left.shift(); next !== undefined; next = left.shift()) await check(next);
  };
  await Promise.all([lane(), lane()]);
}

/** Runs a test runner that writes its counts to a file; a run that wrote none, or counted nothing, has failed. */
function counted(command, env, file, read) {
  rmSync(file, { force: true });
  const status = shell(command, env);
  if (!existsSync(file)) return [0, 1];
  const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
  return [good, bad > 0 ? bad : status !== 0 || good === 0 ? 1 : 0];
}

const jestCounts = (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites];
const playwrightCounts = ({ stats, errors }) => [
  stats.expected,
  stats.unexpected + stats.flaky + errors.length,
];

function jest(projects, env) {
  const file = path.join(ROOT, '.cache/jest.json');
  const args = ['--selectProjects', ...projects, '--json', `--outputFile=${file}`, ...rest];
  return counted(
    ['npx', 'jest', ...args],
    { ...env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
    file,
    jestCounts,
  );
}

function journeys(env) {
  const file = path.join(ROOT, '.cache/journeys.json');
  return counted(
    ['npx', 'playwright', 'test', ...rest],
    { ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: file },
    file,
    playwrightCounts,
  );
}

/** A filled demo shop, of which tests and journeys take copies: started as a person starts it, and stopped. */
function makeDemo(bin, cluster, folder) {
  ensureDatabase(bin, cluster.url('postgres'), 'avrik_demo');
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      PORT: LANES[0],
      AVRIK_BACKUP: 'off',
      AVRIK_DATA: folder,
      DATABASE_URL: cluster.url('avrik_demo'),
    },
  });
  child.stdout.on('data', (chunk) => {
    if (String(chunk).includes('Avrik is open at')) child.kill('SIGINT');
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code) =>
      code === 0 ? resolve() : reject(new Told(`No demo shop was made (${code}).`)),
    );
  });
}

async function main() {
  ensureNpmPackages();
  mkdirSync(path.join(ROOT, '.cache'), { recursive: true });
  const projects = ['unit', 'client', 'server'].filter(runs);
  let cluster;
  let folder;
  try {
    let env = {};
    let bin;
    let demo;
    const data = () => path.join(folder, 'data');
    if (runs('server') || runs('journeys')) {
      bin = ensurePostgres();
      folder = throwAwayFolder();
      // Thrown away at the end: it need not survive a power cut.
      cluster = await startCluster({
        bin,
        folder,
        settings: [
          'max_connections=300',
          'fsync=off',
          'synchronous_commit=off',
          'full_page_writes=off',
          // Counts what statements read.
          'shared_preload_libraries=pg_stat_statements',
        ],
      });
      env = { AVRIK_TEST_CLUSTER: cluster.url('{database}'), AVRIK_TEST_DEMO: path.join(data(), 'demo') };
      demo = makeDemo(bin, cluster, env.AVRIK_TEST_DEMO);
    }
    await Promise.all([checks(Object.entries(CHECKS).filter(([name]) => runs(name))), demo]);
    if (projects.length > 0) timed('jest', () => jest(projects, env));
    if (runs('journeys')) {
      ensureChromium();
      ensureBuild();
      for (const port of LANES) {
        copyDatabase(bin, cluster.url('postgres'), { from: 'avrik_demo', to: `avrik_e2e_${port}` });
        cpSync(env.AVRIK_TEST_DEMO, path.join(data(), port), { recursive: true });
      }
      timed('journeys', () => journeys({ ...env, AVRIK_TEST_DATA: data() }));
    }
  } finally {
    cluster?.stop();
    if (folder) rmSync(folder, { recursive: true, force: true });
  }
  say(`\n${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
}

await run(main);
