import { defineConfig } from '@playwright/test';

/** Run by scripts/test.mjs, which has started server and database and says where. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  workers: 1,
  retries: 0,
  outputDir: 'dist/e2e',
  reporter: [['list'], ['json', { outputFile: 'dist/e2e.json' }]],
  timeout: 150_000,
  // a slow machine with other work on it must not look like a fault
  expect: { timeout: 20_000 },
  use: {
    baseURL: process.env['IDIOM_TEST_URL'] ?? 'http://127.0.0.1:8080',
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
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
