// Bundles what runs beside the pages: the server's front and the hand that makes files.
import { build } from 'esbuild';

await build({
  entryPoints: { front: 'src/server/front/serve.ts', hand: 'src/server/hands/hand.ts' },
  outdir: '.next',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  logLevel: 'warning',
});
