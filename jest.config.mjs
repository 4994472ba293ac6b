/** Unit tests run in Node; the real interface is tested by Playwright in e2e/. */
const config = {
  testEnvironment: 'node',
  // Packages that are ES modules only answer to Node's own name for "require may load a module".
  testEnvironmentOptions: { customExportConditions: ['node', 'node-addons', 'module-sync'] },
  // Every core: the suites are long sums, not waits.
  maxWorkers: '100%',
  // A slow machine is no fault: the time a test takes is the benchmark's to judge, never a test's.
  testTimeout: 120_000,
  roots: ['<rootDir>/src'],
  transform: { '^.+\\.[tj]sx?$': ['@swc/jest', { jsc: { target: 'es2022' } }] },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transformIgnorePatterns: [
    '/node_modules/(?!(earcut|nanoid|zod|file-type|strtok3|token-types|uint8array-extras|@tokenizer|@borewit|@noble)/)',
  ],
};
export default config;
