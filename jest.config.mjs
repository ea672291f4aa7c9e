import { availableParallelism } from 'node:os'
import { BUNDLED } from './apps/web/bundled-for-tests.mjs'

/** Unit and API tests, straight from the sources: nothing needs to be built first. */
export default {
  testMatch: ['<rootDir>/packages/**/*.spec.ts', '<rootDir>/apps/**/*.spec.ts?(x)'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  globalSetup: '<rootDir>/scripts/jest-setup.mjs',
  globalTeardown: '<rootDir>/scripts/jest-teardown.mjs',
  moduleNameMapper: {
    ...BUNDLED,
    // What the bundler gathers is read from where it lies.
    '/sheet-texts\\.js$': '<rootDir>/apps/web/src/testing/sheet-texts.testing.ts',
    '^react/jsx-runtime$': '<rootDir>/node_modules/react/cjs/react-jsx-runtime.production.js',
    '^@plumb-mark/(contract|archive|report|practice|manual)$': '<rootDir>/packages/$1/src/index.ts',
    '^@plumb-mark/(server|devices)$': '<rootDir>/apps/$1/src/index.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
  setupFiles: ['fake-indexeddb/auto'],
  setupFilesAfterEnv: ['@testing-library/jest-dom', '<rootDir>/apps/web/src/testing/patience.testing.ts'],
  modulePathIgnorePatterns: ['/dist/'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', decorators: true, tsx: true },
          transform: {
            legacyDecorator: true,
            decoratorMetadata: true,
            useDefineForClassFields: false,
            react: { runtime: 'automatic' },
          },
        },
        module: { type: 'es6' },
      },
    ],
  },
  // What a finished suite leaves behind is dropped with its process; warning of each property of it overflows the stack now and then.
  testEnvironmentOptions: { globalsCleanup: 'off' },
  // A ceiling for a machine that is busy with other work: a test waits for what happens.
  testTimeout: 120_000,
  // One more than cores: those that talk to a server, a disk or a child wait for a good part of their time.
  maxWorkers: availableParallelism() + 1,
}
