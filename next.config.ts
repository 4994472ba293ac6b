import type { NextConfig } from 'next';
import { BARE_POLICY } from './src/server/front/policy';

/** Scripts of workers come under the policy they are sent with; pages get theirs in proxy.ts. */
const scriptPolicy = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; base-uri 'none'";

/** Nothing is guessed, nothing is told to other sites, nothing of ours is shown in theirs. */
const always = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'Referrer-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
];

const config: NextConfig = {
  serverExternalPackages: ['@electric-sql/pglite', 'pg', 'pdfkit'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // `./jar test` checks types by itself; a newcomer's first build need not wait for it again.
  typescript: { ignoreBuildErrors: true },
  // What is not asked for is not loaded: a start is a third of a second shorter.
  experimental: { preloadEntriesOnStart: false },
  headers: async () => [
    { source: '/:path*', headers: always },
    {
      source: '/_next/static/:path*',
      headers: [{ key: 'Content-Security-Policy', value: scriptPolicy }],
    },
    { source: '/api/:path*', headers: [{ key: 'Content-Security-Policy', value: BARE_POLICY }] },
  ],
};
export default config;
