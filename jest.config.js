import os from 'node:os';

/** @type {import('jest').Config} */
const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', tsx: true, decorators: true },
        transform: {
          legacyDecorator: true,
          decoratorMetadata: false,
          useDefineForClassFields: false,
          react: { runtime: 'automatic' },
        },
      },
      module: { type: 'es6' },
    },
  ],
};
const common = {
  transform,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/', '/e2e/'],
};

export default {
  // A busy machine may be slow; what must be fast is measured by the benchmark, not here.
  testTimeout: 30_000,
  // All processors: by itself Jest leaves one free, which is half of a machine with two.
  maxWorkers: os.availableParallelism(),
  testSequencer: '<rootDir>/scripts/lib/longestFirst.mjs',
  projects: [
    {
      ...common,
      displayName: 'unit',
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/training/*.test.ts'],
      testPathIgnorePatterns: [...common.testPathIgnorePatterns, '\\.int\\.test\\.ts$'],
    },
    {
      ...common,
      displayName: 'client',
      testMatch: ['<rootDir>/src/client/**/*.test.tsx'],
      testEnvironment: 'jsdom',
      setupFiles: ['<rootDir>/tests/support/jsdom.ts'],
      setupFilesAfterEnv: ['<rootDir>/tests/support/patience.ts'],
    },
    {
      ...common,
      displayName: 'server',
      testMatch: ['<rootDir>/src/**/*.int.test.ts'],
      globalSetup: '<rootDir>/tests/support/globalSetup.ts',
    },
  ],
};
