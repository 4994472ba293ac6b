/** A page's policy: nothing from, or to, anywhere but this server; no script but those it was sent with. */
export const pagePolicy = (nonce: string, development = false): string =>
  [
    "default-src 'self'",
    // The kernels of wasm/ come with the application's own code.
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'` +
      (development ? " 'unsafe-eval'" : ''),
    // Widths and colours of bars and swatches are styles of their elements.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'" + (development ? ' ws:' : ''),
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** For what is no page: answers of the API, files. */
export const BARE_POLICY =
  "default-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'; sandbox";

/** The page where a device is let in: its own style and nothing else. */
export const pairPolicy = (nonce: string): string =>
  `default-src 'none'; style-src 'nonce-${nonce}'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'`;
