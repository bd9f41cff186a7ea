/** Three suites: `core` (values in, values out; the test beside its file), `ui` (components in a made-up document, the test beside its file) and `db` (services against a real PostgreSQL, two files at a time, each case in a database of its own). */
const base = {
  testEnvironment: 'node',
  transform: {
    '^.+\\.(t|j)sx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true, decorators: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  /* Packages that are written as ES modules only. */
  transformIgnorePatterns: ['/node_modules/(?!(?:.*/node_modules/)?(react-hotkeys-hook|@tanstack|@scure|@noble)/)'],
  modulePathIgnorePatterns: [
    '<rootDir>/.next',
    '<rootDir>/dist',
    '<rootDir>/dist-test',
    '<rootDir>/dist-cli',
    '<rootDir>/.next-test',
    '<rootDir>/.urraca',
    '<rootDir>/.brokerage',
  ],
};

/** @type {import('jest').Config} */
const config = {
  reporters: ['default', '<rootDir>/scripts/lib/slowest.cjs', '<rootDir>/scripts/lib/failures.mjs'],
  /** A scenario waits for nothing but the database; on a busy machine that may take a while. */
  testTimeout: 60_000,
  projects: [
    {
      ...base,
      displayName: 'core',
      testMatch: [
        '<rootDir>/src/{core,providers,server,ui,worker}/**/*.test.ts',
        '<rootDir>/simulator/**/*.test.ts',
        '<rootDir>/tests/architecture/**/*.test.ts',
      ],
    },
    {
      ...base,
      displayName: 'ui',
      testEnvironment: 'jsdom',
      setupFilesAfterEnv: ['<rootDir>/tests/harness/components.ts'],
      moduleNameMapper: {
        ...base.moduleNameMapper,
        '\\.css$': '<rootDir>/tests/harness/no-styles.ts',
        '^@emotion/sheet$': '<rootDir>/tests/harness/no-sheet.ts',
      },
      testMatch: ['<rootDir>/src/ui/**/*.test.tsx'],
    },
    {
      ...base,
      displayName: 'db',
      testMatch: ['<rootDir>/tests/db/**/*.test.ts'],
    },
  ],
};
export default config;
