/** Unit tests stand beside what they test; none of them opens a browser, a database or the network. */
const config = {
  // Looking Math up anew in the sandbox at every call makes computation five times slower.
  sandboxInjectedGlobals: ['Math'],
  maxWorkers: 2,
  // No unit test is held to a time: speed is measured by ./den bench.
  testTimeout: 60_000,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/(core|cli|data|server|ui|app|scripts)/**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/', '\\.database\\.test\\.ts$'],
  modulePathIgnorePatterns: ['<rootDir>/.next', '<rootDir>/.den'],
  transform: { '^.+\\.[tj]sx?$': ['@swc/jest', { jsc: { target: 'es2022' } }] },
  // uuid ships as ES modules only.
  transformIgnorePatterns: ['/node_modules/(?!uuid/)'],
  moduleNameMapper: { '^@(core|data|server|ui|cli|app)/(.*)$': '<rootDir>/$1/$2' },
};

export default config;
