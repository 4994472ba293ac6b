import type { NextConfig } from 'next';

/** Nothing is loaded from, or sent to, anywhere but this server. */
const contentSecurityPolicy = [
  "default-src 'self'",
  // The kernels of wasm/ come with the application's own code.
  "script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'" +
    (process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''),
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "worker-src 'self' blob:",
  "frame-ancestors 'none'",
].join('; ');

const config: NextConfig = {
  serverExternalPackages: ['@electric-sql/pglite', 'pg', 'pdfkit'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // `./jar test` checks types by itself; a newcomer's first build need not wait for it again.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'Content-Security-Policy', value: contentSecurityPolicy },
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
      ],
    },
  ],
};
export default config;
