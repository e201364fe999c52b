import { defineConfig } from '@playwright/test';
import { availableParallelism } from 'node:os';
import { browserPath } from './scripts/lib/browser.mjs';

/** Run by scripts/test.mjs, which has made a database and says where; each file of journeys has a server of its own on it (e2e/own.ts). */
export default defineConfig({
  testDir: 'e2e',
  workers: Math.max(2, availableParallelism()),
  retries: 0,
  outputDir: 'dist/e2e',
  reporter: [['list'], ['json', { outputFile: 'dist/e2e.json' }]],
  // for what hangs only: a slow machine with other work on it must not look like a fault
  timeout: 900_000,
  expect: { timeout: 120_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    trace: 'off',
    launchOptions: {
      executablePath: browserPath(),
      args: [
        '--no-sandbox',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--enable-unsafe-swiftshader',
        '--disable-gpu-rasterization',
        // on a slow machine the process that draws is taken for hung and killed, and after a few times the browser with it
        '--disable-gpu-watchdog',
        '--disable-gpu-process-crash-limit',
      ],
    },
  },
});
