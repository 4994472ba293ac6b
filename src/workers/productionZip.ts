import {
  BlobReader,
  configure,
  ERR_UNSAFE_FILENAME,
  ZipReader,
  type Entry,
  type FileEntry,
} from '@zip.js/zip.js';
import type { MediaHash, Picture } from '@/core/document/picture';
import { MOST_MEDIA_BYTES } from '@/core/document/picture';
import type { Production } from '@/core/document/production';
import { leftOut } from '@/core/document/leftOut';
import { MOST_DOCUMENT_BYTES, readDocumentText } from '@/core/document/read';
import { accept, refuse, type Result } from '@/core/result';
import { readPictureFile, tooBigWords } from './pictureFile';

// Already off the page.
configure({ useWebWorkers: false });

const DOCUMENT_ENTRY = 'production.json';
const README_ENTRY = 'README.txt';
/** `media/<sha-256>.<ending>` */
const MEDIA_ENTRY = /^media\/([0-9a-f]{64})\.(png|jpe?g|webp|avif)$/;

/** A document of the most pictures there may be, and a few files beside. */
const MOST_ENTRIES = 2100;

/** What an import would bring, and what is wrong with it, before anything changes. */
export interface ZippedProduction {
  document: Production;
  /** fields of the document this version does not know */
  unknown: string[];
  /** pictures whose bytes are in the file, whole and what they say they are */
  whole: { media: MediaHash; sizeBytes: number; entry: string }[];
  /** pictures the document names whose bytes are not in the file */
  missing: Picture[];
  /** entries that are there and no good, with why */
  spoiled: { name: string; why: string }[];
  /** entries nothing names; they are left out */
  extra: string[];
}

const wrong = <T>(message: string): Result<T> => refuse('zip', message, 'file');

/**
 * Reads a zip of a production without believing it: names that climb out, sizes that are not what they
 * say and contents that are not what they are called are told by name. One file is unpacked at a time.
 */
export async function readProductionZip(
  file: Blob,
  onProgress: (share: number) => void = () => undefined,
): Promise<Result<ZippedProduction>> {
  const zip = new ZipReader(new BlobReader(file));
  try {
    return await readEntries(await zip.getEntries(), onProgress);
  } catch (error) {
    const { message, filename } = error as Error & { filename?: string };
    return message === ERR_UNSAFE_FILENAME
      ? wrong(`“${filename}” points outside of the zip: it is not opened.`)
      : wrong(`This zip cannot be read: ${sentence(error)}.`);
  } finally {
    await zip.close().catch(() => undefined);
  }
}

const sentence = (error: unknown): string => {
  const words = error instanceof Error ? error.message : String(error);
  return words.charAt(0).toLowerCase() + words.slice(1).replace(/\.$/, '');
};

async function readEntries(
  entries: readonly Entry[],
  onProgress: (share: number) => void,
): Promise<Result<ZippedProduction>> {
  if (entries.length > MOST_ENTRIES)
    return wrong(`It holds ${entries.length} files; a production has at most ${MOST_ENTRIES}.`);
  if (entries.some(({ encrypted }) => encrypted))
    return wrong('It is locked with a password; make it without one.');
  const files = entries.filter((entry): entry is FileEntry => !entry.directory);
  const doubled = files.find(
    ({ filename }, k) => files.findIndex((e) => e.filename === filename) < k,
  );
  if (doubled) return wrong(`“${doubled.filename}” is in it twice.`);
  const own = files.find(({ filename }) => filename === DOCUMENT_ENTRY);
  if (!own) return wrong(`There is no ${DOCUMENT_ENTRY} in it: it is no exported production.`);
  const text = await unpacked(own, MOST_DOCUMENT_BYTES);
  if (!text.ok) return text;
  const words = await text.value.text();
  const read = readDocumentText(words);
  if (!read.ok) return read;
  const rest = files.filter((entry) => entry !== own && entry.filename !== README_ENTRY);
  const unknown = leftOut(JSON.parse(words.replace(/^\ufeff/, '')), read.value);
  return accept({
    document: read.value,
    unknown,
    ...(await sortMedia(read.value, rest, onProgress)),
  });
}

async function sortMedia(
  { pictures }: Production,
  files: readonly FileEntry[],
  onProgress: (share: number) => void,
): Promise<Omit<ZippedProduction, 'document' | 'unknown'>> {
  const named = new Set<string>(pictures.map(({ media }) => media));
  const found: Omit<ZippedProduction, 'document' | 'unknown'> = {
    whole: [],
    missing: [],
    spoiled: [],
    extra: [],
  };
  for (const [k, entry] of files.entries()) {
    const hash = MEDIA_ENTRY.exec(entry.filename)?.[1];
    if (!hash || !named.has(hash)) found.extra.push(entry.filename);
    else {
      const media = await checked(entry, hash);
      if (media.ok) found.whole.push({ ...media.value, entry: entry.filename });
      else found.spoiled.push({ name: entry.filename, why: media.problems[0]!.message });
    }
    onProgress((k + 1) / files.length);
  }
  const here = new Set<string>(found.whole.map(({ media }) => media));
  found.missing = pictures.filter(({ media }) => !here.has(media));
  return found;
}

async function checked(
  entry: FileEntry,
  hash: string,
): Promise<Result<{ media: MediaHash; sizeBytes: number }>> {
  const bytes = await unpacked(entry, MOST_MEDIA_BYTES);
  if (!bytes.ok) return bytes;
  const content = new Uint8Array(await bytes.value.arrayBuffer());
  const read = await readPictureFile(content, entry.filename);
  if (!read.ok) return read;
  return read.value.media === hash
    ? accept(read.value)
    : wrong(`${entry.filename} is not what it was: its content has changed.`);
}

/** Passes an entry on while counting what really comes out, whatever its head promises. */
function bounded(most: number): TransformStream<Uint8Array, Uint8Array> {
  let bytes = 0;
  return new TransformStream({
    transform: (chunk, control) => {
      bytes += chunk.byteLength;
      if (bytes > most) control.error(new Error('it is larger than it says'));
      else control.enqueue(chunk);
    },
  });
}

/** One entry's content, refused before and while it grows beyond what it may. */
async function unpacked(entry: FileEntry, most: number): Promise<Result<Blob>> {
  if (entry.uncompressedSize > most)
    return wrong(tooBigWords(entry.filename, entry.uncompressedSize));
  const through = bounded(most);
  const collected = new Response(through.readable).blob();
  // A stream that errs is told by whichever of the two ends is awaited first.
  collected.catch(() => undefined);
  try {
    await entry.getData(through.writable, { checkSignature: true });
    return accept(await collected);
  } catch (error) {
    return wrong(`${entry.filename} is damaged: ${sentence(error)}.`);
  }
}

/** The bytes of one picture of the zip, for sending. */
export async function zippedPicture(file: Blob, name: string): Promise<Result<Blob>> {
  const zip = new ZipReader(new BlobReader(file));
  try {
    const entries = await zip.getEntries();
    const entry = entries.find(
      (each): each is FileEntry => !each.directory && each.filename === name,
    );
    return entry ? await unpacked(entry, MOST_MEDIA_BYTES) : wrong(`${name} is not in the zip.`);
  } finally {
    await zip.close().catch(() => undefined);
  }
}
