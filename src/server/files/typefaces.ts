import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';

const FILES = {
  text: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
  bold: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
  figure: '@fontsource/spline-sans-mono/files/spline-sans-mono-latin-400-normal.woff',
} as const;
type TypefaceId = keyof typeof FILES;
export const TYPEFACES = Object.keys(FILES) as TypefaceId[];

const unpacked = new Map<TypefaceId, Buffer>();

/** A typeface the application ships, unpacked once: the PDF package would unpack it at every letter. */
export function typeface(id: TypefaceId): Buffer {
  const known =
    unpacked.get(id) ?? sfntOf(readFileSync(join(process.cwd(), 'node_modules', FILES[id])));
  unpacked.set(id, known);
  return known;
}

/** Sizes of the heads and of one entry of the lists of tables, bytes [W3C, WOFF File Format 1.0, § 3 to 5]. */
const WOFF_HEAD = 44;
const WOFF_ENTRY = 20;
const SFNT_HEAD = 12;
const SFNT_ENTRY = 16;

/**
 * The plain font in a WOFF file: the same tables, each unpacked, behind a list of their new places
 * [W3C, WOFF File Format 1.0; OpenType, “Table Directory”].
 */
export function sfntOf(woff: Buffer): Buffer {
  const tables = woff.readUInt16BE(12);
  const entries = Array.from({ length: tables }, (_, k) => {
    const at = WOFF_HEAD + k * WOFF_ENTRY;
    const [offset, packed, size] = [4, 8, 12].map((more) => woff.readUInt32BE(at + more)) as [
      number,
      number,
      number,
    ];
    const bytes = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      bytes: packed < size ? inflateSync(bytes) : bytes,
    };
  });
  const head = Buffer.alloc(SFNT_HEAD + tables * SFNT_ENTRY);
  woff.copy(head, 0, 4, 8);
  // The search fields: the largest power of two within the count of tables, and what is left.
  const power = Math.floor(Math.log2(tables));
  head.writeUInt16BE(tables, 4);
  head.writeUInt16BE(2 ** power * SFNT_ENTRY, 6);
  head.writeUInt16BE(power, 8);
  head.writeUInt16BE((tables - 2 ** power) * SFNT_ENTRY, 10);
  const bodies: Buffer[] = [];
  let offset = head.length;
  entries.forEach(({ tag, checksum, bytes }, k) => {
    const at = SFNT_HEAD + k * SFNT_ENTRY;
    tag.copy(head, at);
    head.writeUInt32BE(checksum, at + 4);
    head.writeUInt32BE(offset, at + 8);
    head.writeUInt32BE(bytes.length, at + 12);
    // Every table begins at a multiple of four bytes.
    const padded = Buffer.concat([bytes, Buffer.alloc(-bytes.length & 3)]);
    bodies.push(padded);
    offset += padded.length;
  });
  return Buffer.concat([head, ...bodies]);
}
