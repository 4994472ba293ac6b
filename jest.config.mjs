/** Unit tests run in Node; the real interface is tested by Playwright in e2e/. */
const config = {
  testEnvironment: 'node',
  // Every core: the suites are long sums, not waits.
  maxWorkers: '100%',
  roots: ['<rootDir>/src'],
  transform: { '^.+\\.[tj]sx?$': ['@swc/jest', { jsc: { target: 'es2022' } }] },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transformIgnorePatterns: ['/node_modules/(?!(nanoid|zod)/)'],
};
export default config;
