import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './ops/chromium';

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.check/test-results',
  // Each worker has a world of its own (ops/e2e.ts); in it the tests of a file make what they need, one after the other.
  workers: (JSON.parse(process.env.E2E_WORLDS ?? '[]') as unknown[]).length || 1,
  fullyParallel: false,
  timeout: 150_000,
  // Patience with a slow machine; what never comes still fails.
  expect: { timeout: 20_000 },
  // A stumble is tried once more and named; ops/count-results.mjs says how many are forgiven.
  retries: 1,
  reporter: [['list'], ['json', { outputFile: '.check/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    screenshot: 'off',
    trace: 'off',
    // A browser that has read the scripts of the pages once, as that of a club has; cookies and what pages keep are wiped for each test.
    reuseContext: true,
    // Files of tests that go without reception allow what keeps pages on a device.
    serviceWorkers: 'block',
  },
});
