import { defineConfig } from '@playwright/test';

const { AVRIK_TEST_DATA: data = '', AVRIK_TEST_CLUSTER: cluster = '' } = process.env;

/**
 * The journeys go in lanes, side by side, each on a copy of the demo shop: what one changes, the others do not see. There is one
 * more than processors, because a journey waits half of its time. Files that stand in no lane go in the first.
 */
const LANES = [
  [],
  ['axe', 'account', 'narration', 'offline', 'photos', 'pricing', 'round', 'voice', 'walkToLetters'],
  ['floor', 'keeping', 'killed', 'killedMail', 'start', 'widths'],
].map((names, i) => ({ name: `lane ${i + 1}`, port: 4199 + i, files: names.map((n) => `**/${n}.spec.ts`) }));

/** The built application on throw-away databases, started as a person starts it; `scripts/test.mjs` makes the copies. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  // A busy machine may be slow; what must be fast is measured by the benchmark, not here.
  timeout: 180_000,
  // A machine that is shared stood still for a minute at times; what is expected comes at once or not at all.
  expect: { timeout: 45_000 },
  workers: LANES.length,
  retries: 0,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: '.cache/journeys.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    trace: 'off',
    // Answers that a test changes or withholds are to reach the page; what the worker does is tested where it is allowed.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      chromiumSandbox: false,
      args: [
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // A microphone that beeps, and is allowed.
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
      ],
    },
  },
  projects: LANES.map(({ name, port, files }) => ({
    name,
    ...(files.length > 0 ? { testMatch: files } : { testIgnore: LANES.flatMap((lane) => lane.files) }),
    workers: 1,
    use: { baseURL: `http://localhost:${port}` },
  })),
  webServer: LANES.map(({ port }) => ({
    command: 'node scripts/start.mjs',
    url: `http://localhost:${port}/api/health`,
    timeout: 180_000,
    stdout: 'pipe' as const,
    env: {
      PORT: String(port),
      AVRIK_BACKUP: 'off',
      AVRIK_DATA: `${data}/${port}`,
      DATABASE_URL: cluster.replace('{database}', `avrik_e2e_${port}`),
    },
    gracefulShutdown: { signal: 'SIGINT' as const, timeout: 20_000 },
  })),
});
