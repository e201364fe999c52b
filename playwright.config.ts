import { defineConfig } from '@playwright/test';
import { readdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { browserPath } from './scripts/lib/browser.mjs';

const journeys = readdirSync(join(import.meta.dirname, 'e2e'))
  .filter((f) => f.endsWith('.spec.ts'))
  .map((f) => f.replace('.spec.ts', ''));

/** Run by scripts/test.mjs, which has made a database and says where; each file of journeys has a server of its own on it (e2e/own.ts). */
export default defineConfig({
  testDir: 'e2e',
  // a project of its own for each file: no process of one is used for another
  projects: journeys.map((name) => ({ name, testMatch: `${name}.spec.ts` })),
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
      ],
    },
  },
});
