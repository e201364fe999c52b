const swc = {
  jsc: {
    target: 'es2022',
    parser: { syntax: 'typescript', tsx: true },
    transform: { react: { runtime: 'automatic' } },
  },
  module: { type: 'es6' },
};
const base = {
  rootDir: import.meta.dirname,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  setupFiles: ['<rootDir>/scripts/properties.mjs'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  transform: { '^.+\\.tsx?$': ['<rootDir>/scripts/lib/jestTransform.mjs', swc] },
};
export default {
  projects: [
    {
      ...base,
      displayName: 'node',
      testEnvironment: 'node',
      testMatch: ['**/{core,contract,server,scripts}/**/*.test.ts'],
    },
    {
      ...base,
      displayName: 'web',
      testEnvironment: './scripts/jsdomWithWeb.mjs',
      testMatch: ['**/web/**/*.test.{ts,tsx}'],
    },
  ],
  maxWorkers: 2,
  // for what hangs only: a machine six times slower with other work on it must not look like a fault
  testTimeout: 900_000,
};
