/** Unit tests run in Node; the real interface is tested by Playwright in e2e/. */
const config = {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  transform: { '^.+\\.tsx?$': ['@swc/jest', { jsc: { target: 'es2022' } }] },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  extensionsToTreatAsEsm: [],
  transformIgnorePatterns: ['/node_modules/(?!(nanoid)/)'],
};
export default config;
