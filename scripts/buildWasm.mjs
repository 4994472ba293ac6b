import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import asc from 'assemblyscript/asc';

/** Compiles wasm/kernels.ts, and writes it where the application reads it: text, so that every bundler carries it. */
const SOURCE = 'wasm/kernels.ts';
const TARGET = 'src/core/native/bytes.ts';

const file = join(mkdtempSync(join(tmpdir(), 'jar-wasm-')), 'kernels.wasm');
const options = ['-O3', '--runtime', 'stub', '--enable', 'simd', '--importMemory', '--noAssert'];
const { error, stderr } = await asc.main([SOURCE, '--outFile', file, ...options]);
if (error) {
  console.error(`${stderr.toString()}${error.message}`);
  process.exit(1);
}
const bytes = readFileSync(file).toString('base64');
writeFileSync(
  TARGET,
  `/** Made of ${SOURCE} by scripts/buildWasm.mjs. */\nexport const BYTES =\n  '${bytes}';\n`,
);
