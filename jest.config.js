const swc = {
  jsc: {
    target: 'es2022',
    parser: { syntax: 'typescript', tsx: true },
    transform: { react: { runtime: 'automatic' } },
  },
  module: { type: 'es6' },
};
// packages that compute much, of those that the web tests reach
const PACKAGES = 'robust-predicates|flatbush|flatqueue|d3-polygon|pure-rand|three';
const COMPUTING = `/node_modules/(${PACKAGES})/.+\\.m?js$`;
const base = {
  rootDir: import.meta.dirname,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  setupFiles: ['<rootDir>/scripts/properties.mjs'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  transform: {
    '^.+\\.tsx?$': ['<rootDir>/scripts/lib/jestTransform.mjs', swc],
    [COMPUTING]: '<rootDir>/scripts/lib/jestTransform.mjs',
  },
  transformIgnorePatterns: [`/node_modules/(?!(${PACKAGES}))`],
};
export default {
  projects: [
    {
      ...base,
      displayName: 'node',
      // in Node itself: two processes, each reads a module once
      runner: ['jest-light-runner', { runtime: 'child_process' }],
      setupFiles: ['<rootDir>/scripts/lib/unit.mjs', ...base.setupFiles],
      testMatch: ['**/{core,contract,server,scripts}/**/*.test.ts'],
    },
    {
      ...base,
      displayName: 'web',
      testEnvironment: './scripts/jsdomWithWeb.mjs',
      setupFilesAfterEnv: ['<rootDir>/scripts/webSetup.mjs'],
      testMatch: ['**/web/**/*.test.{ts,tsx}'],
    },
  ],
  maxWorkers: 2,
  // for what hangs only: a machine six times slower with other work on it must not look like a fault. In Node itself no test
  // has a limit of its own; the run has one (scripts/run/tasks.mjs)
  testTimeout: 900_000,
};
