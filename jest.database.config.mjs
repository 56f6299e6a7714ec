import unit from './jest.config.mjs';

/** Tests against a real MariaDB, which each file starts for itself on loopback and ends again. */
const config = {
  ...unit,
  testMatch: ['<rootDir>/server/**/*.database.test.ts'],
  testPathIgnorePatterns: ['/node_modules/'],
  testTimeout: 600_000,
  maxWorkers: 2,
};

export default config;
