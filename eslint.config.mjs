import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import { importX } from 'eslint-plugin-import-x';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';

/** Handbook 09: imports point one way. Each zone lists what a layer must not reach. */
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
const outside = ['react', 'react-dom', 'next', 'drizzle-orm', '@electric-sql', 'pg'];

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'data/**', 'test-results/**'] },
  ...next,
  ...nextTypescript,
  {
    files: ['**/*.{ts,tsx,mjs}'],
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver()] },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: layers }],
      'import-x/no-cycle': ['error', { ignoreExternal: true }],
      '@typescript-eslint/no-explicit-any': 'error',
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      'no-console': 'error',
    },
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
