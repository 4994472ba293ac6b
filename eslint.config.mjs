import { readFileSync } from 'node:fs';
import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import { importX } from 'eslint-plugin-import-x';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';

/** Imports point one way (docs/architecture.md). Each zone lists what a layer must not reach. */
const layers = [
  { target: './src/core', from: './src', except: ['./core'] },
  { target: './src/demo', from: './src', except: ['./core', './demo'] },
  { target: './src/server', from: './src', except: ['./core', './demo', './server'] },
  { target: './src/ui', from: './src', except: ['./core', './ui'] },
  { target: './src/workers', from: './src', except: ['./core', './workers'] },
  {
    target: './src/stations',
    from: './src',
    except: ['./core', './ui', './workers', './stations'],
  },
  { target: './src/stations', from: './src/server' },
];
/** Rooms of the core from the ground up: none reaches into one above it, not for a type either. */
const rooms = JSON.parse(readFileSync('src/core/rooms.json', 'utf8'));
const floors = rooms.slice(0, -1).map((room, k) => ({
  target: `./src/core/${room}`,
  from: rooms.slice(k + 1).map((above) => `./src/core/${above}`),
}));
const outside = ['react', 'react-dom', 'next', 'drizzle-orm', '@electric-sql', 'pg'];

/** Every rule about React that the presets bring. */
const rendering = [...new Set(next.flatMap(({ rules = {} }) => Object.keys(rules)))].filter(
  (rule) => /^(react|react-hooks|jsx-a11y)\//.test(rule),
);

const config = [
  {
    ignores: [
      '.next/**',
      'node_modules/**',
      'next-env.d.ts',
      'data/**',
      'test-results/**',
      'wasm/**',
    ],
  },
  ...next,
  ...nextTypescript,
  {
    files: ['**/*.{ts,tsx,mjs}'],
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver()] },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: [...layers, ...floors] }],
      '@typescript-eslint/no-explicit-any': 'error',
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      'no-console': 'error',
    },
  },
  {
    // Where nothing is rendered, rules for what is rendered only cost time.
    files: ['src/{core,demo,server,workers}/**', 'scripts/**', 'e2e/**'],
    rules: Object.fromEntries(rendering.map((rule) => [rule, 'off'])),
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: `^(${outside.join('|')})(/|$)`, message: 'The core is pure.' }] },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'localStorage'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is handed in.' },
        { object: 'Date', property: 'now', message: 'Time is handed in.' },
      ],
    },
  },
  {
    // Tests may use the demo as their sample, whichever layer they stand in.
    files: ['**/*.test.ts', '**/testing.ts', '**/testing/**'],
    rules: { 'import-x/no-restricted-paths': 'off' },
  },
  {
    files: ['scripts/**', 'src/server/**/*.ts', 'src/instrumentation.ts'],
    rules: { 'no-console': 'off' },
  },
];
export default config;
