import { defineConfig } from '@playwright/test';
import { browserPath } from './scripts/setup.mjs';

/** Debian's Chromium on the built application, served by our own server. */
export const CHROMIUM = {
  executablePath: browserPath(),
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // a journey waits for nothing that only slides
    '--force-prefers-reduced-motion',
  ],
};

const ORIGIN = 'http://127.0.0.1:4180';

/** A browser that has been used before, and has nothing yet: the first start has a test of its own. */
export const EMPTY = {
  cookies: [],
  origins: [{ origin: ORIGIN, localStorage: [{ name: 'pendrix.begun', value: 'yes' }] }],
};

/** A browser in which the demo workshop was opened once: most journeys begin in it. */
export const WORKSHOP = 'test-results/workshop.json';

export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  outputDir: 'test-results',
  fullyParallel: true,
  workers: 2,
  retries: 0,
  timeout: 90_000,
  // what is waited for is a state, not a time: a busy machine takes longer to reach it
  expect: { timeout: 15_000 },
  reporter: process.env['PENDRIX_E2E_JSON']
    ? [['list'], ['json', { outputFile: process.env['PENDRIX_E2E_JSON'] }]]
    : 'list',
  use: {
    baseURL: ORIGIN,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    locale: 'en-GB',
    timezoneId: 'UTC',
    storageState: WORKSHOP,
    serviceWorkers: 'block',
    // a trace of every step costs half of the time: PENDRIX_TRACE=1 when one is looked for
    trace: process.env['PENDRIX_TRACE'] ? 'retain-on-failure' : 'off',
    video: 'off',
  },
  projects: [
    { name: 'workshop', testMatch: '**/workshop.setup.ts', use: { storageState: EMPTY } },
    {
      name: 'journeys',
      testIgnore: '**/latency.spec.ts',
      grepInvert: /@nightly/,
      dependencies: ['workshop'],
    },
    // What is slow and seldom breaks: npm run nightly.
    { name: 'nightly', testIgnore: '**/latency.spec.ts', grep: /@nightly/, dependencies: ['workshop'] },
    // Measured alone, when the machine has nothing else to do: npm run bench.
    { name: 'latency', testMatch: '**/latency.spec.ts', dependencies: ['workshop'] },
  ],
  webServer: {
    command: 'npx tsx server/src/main.ts',
    env: { PORT: '4180' },
    url: ORIGIN,
    reuseExistingServer: false,
  },
});
