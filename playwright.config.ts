import { defineConfig } from '@playwright/test';

const PORT = 4199;

/** The built application on a throw-away database, started as a person starts it. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  // A busy machine may be slow; what must be fast is measured by the benchmark, not here.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  workers: 1,
  retries: 0,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: '.cache/journeys.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
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
  webServer: {
    // The unit tests of this cluster have given the app's role a password of theirs.
    command: 'node scripts/start.mjs --new-secrets',
    url: `http://localhost:${PORT}/api/health`,
    timeout: 180_000,
    stdout: 'pipe',
    env: {
      PORT: String(PORT),
      AVRIK_BACKUP: 'off',
      AVRIK_DATA: process.env.AVRIK_TEST_DATA ?? '',
      DATABASE_URL: (process.env.AVRIK_TEST_CLUSTER ?? '').replace('{database}', 'avrik_e2e'),
    },
    gracefulShutdown: { signal: 'SIGINT', timeout: 20_000 },
  },
});
