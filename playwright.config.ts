import { defineConfig } from '@playwright/test';

const { AVRIK_TEST_DATA: data = '', AVRIK_TEST_CLUSTER: cluster = '' } = process.env;

/**
 * The journeys go in two lanes, side by side, each on a copy of the demo shop: what one changes, the other does not see. These
 * files take about as long as all others together.
 */
const SECOND = ['axe', 'floor', 'keeping', 'offline', 'round', 'walkToLetters', 'widths'].map(
  (name) => `**/${name}.spec.ts`,
);
const LANES = [
  { name: 'first', port: 4199, testIgnore: SECOND },
  { name: 'second', port: 4200, testMatch: SECOND },
];

/** The built application on throw-away databases, started as a person starts it; `scripts/test.mjs` makes the copies. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  // A busy machine may be slow; what must be fast is measured by the benchmark, not here.
  timeout: 180_000,
  expect: { timeout: 20_000 },
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
  projects: LANES.map(({ port, ...lane }) => ({
    ...lane,
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
