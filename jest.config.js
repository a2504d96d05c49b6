/** Unit and database tests. `./gale test` starts the throwaway PostgreSQL and passes its address. */
export default {
  // Left alone, jest keeps one core for itself, which is half of a machine of two.
  maxWorkers: '100%',
  // Nothing is judged by its time: this only ends what hangs, on a machine however busy.
  testTimeout: 120_000,
  testEnvironment: 'node',
  // Tests of components run in jsdom, and compile their schemas as the server does.
  testEnvironmentOptions: { customExportConditions: ['node', 'node-addons'] },
  roots: ['<rootDir>/src', '<rootDir>/tools'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^server-only$': '<rootDir>/tools/test/serverOnly.ts' },
  // These packages are shipped as modules only.
  transformIgnorePatterns: ['/node_modules/(?!(react-hotkeys-hook|d3-contour|d3-array|internmap)/)'],
  transform: {
    '^.+\\.(ts|tsx|js)$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
}
