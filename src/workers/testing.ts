import { createHash } from 'node:crypto';
import { BlobWriter, configure, TextReader, Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js';

configure({ useWebWorkers: false });

/** A PNG of one pixel, with bytes behind its end that make it as large, and as much itself, as wanted. */
export function png(more = 0, seed = 0): Uint8Array<ArrayBuffer> {
  const base = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  const bytes = new Uint8Array(base.length + more);
  bytes.set(base);
  for (let k = base.length; k < bytes.length; k++) bytes[k] = (k * 2654435761 + seed * 97) >>> 13;
  return bytes;
}

export const sha256 = (bytes: Uint8Array): string =>
  createHash('sha256').update(bytes).digest('hex');

/** A zip of the given files, names taken as they are. */
export async function zipOf(
  files: Readonly<Record<string, string | Uint8Array>>,
  options: { password?: string } = {},
): Promise<Blob> {
  const zip = new ZipWriter(new BlobWriter('application/zip'));
  for (const [name, content] of Object.entries(files))
    await zip.add(
      name,
      typeof content === 'string' ? new TextReader(content) : new Uint8ArrayReader(content),
      options,
    );
  return zip.close();
}
