import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './e2e/chromium';

const PORT = 4690;

/** The production build in Debian's Chromium, with a data folder of its own. */
export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  workers: 2,
  retries: 0,
  // A slow machine is no fault: what must be fast is measured by the benchmark.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: '.jar/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
  webServer: {
    command: 'rm -rf .jar/e2e-data && ./jar demo --data .jar/e2e-data --port ' + PORT,
    // The server, and whatever it starts, ends at once if it ever goes out of this machine.
    env: { NODE_OPTIONS: '--import ./e2e/noNetwork.mjs' },
    url: `http://127.0.0.1:${PORT}/api/productions`,
    timeout: 180_000,
    reuseExistingServer: false,
  },
});
