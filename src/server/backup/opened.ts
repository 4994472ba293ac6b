import { createHash } from 'node:crypto';
import { createReadStream, openAsBlob, existsSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import * as z from 'zod';
import { BlobReader, TextWriter, ZipReader, type FileEntry } from '@zip.js/zip.js';
import { BACKUP_FORMAT, BACKUP_VERSION, ENTRY, type BackupList } from './archive';

/** A file that is no backup, or not a whole one; the message says why. */
export class BackupProblem extends Error {}

const moment = z.coerce.date();
const listSchema = z.object({
  format: z.literal(BACKUP_FORMAT),
  version: z.number().int().min(1),
  madeAt: z.string(),
  productions: z.number().int().min(0),
  media: z.array(
    z.object({
      hash: z.string().regex(/^[0-9a-f]{64}$/),
      type: z.string().max(40),
      sizeBytes: z.number().int().min(1),
      small: z.boolean(),
    }),
  ),
  mediaInside: z.boolean(),
});
const productionSchema = z.object({
  id: z.string().min(1).max(64),
  name: z.string().max(200),
  revision: z.number().int().min(1),
  document: z.record(z.string(), z.unknown()),
  documentRevision: z.number().int().min(1).optional(),
  steps: z
    .array(z.object({ revision: z.number().int(), commands: z.array(z.unknown()) }))
    .default([]),
  shots: z.number().int().optional(),
  builds: z.number().int().optional(),
  createdAt: moment,
  updatedAt: moment,
  deletedAt: moment.nullable(),
  edits: z.array(
    z.object({
      editId: z.string(),
      client: z.string(),
      revision: z.number().int(),
      label: z.string(),
      who: z.string(),
      at: moment,
    }),
  ),
});
export type ArchivedProduction = z.infer<typeof productionSchema>;
const settingsSchema = z.array(z.object({ key: z.string(), value: z.string() }));
const devicesSchema = z.array(
  z.object({
    id: z.string(),
    name: z.string(),
    right: z.enum(['read', 'tick', 'edit']),
    tokenHash: z.string(),
    createdAt: moment,
    seenAt: moment,
    revokedAt: moment.nullable(),
  }),
);

/** A backup that can be read: its list, and everything in it as it is asked for. */
export interface OpenBackup {
  file: string;
  list: BackupList;
  productions: () => AsyncGenerator<ArchivedProduction>;
  settings: () => Promise<z.infer<typeof settingsSchema>>;
  devices: () => Promise<z.infer<typeof devicesSchema>>;
  /** a picture's bytes; from the archive, or from the folder beside it */
  media: (hash: string) => ReadableStream<Uint8Array>;
  small: (hash: string) => Promise<Uint8Array<ArrayBuffer>>;
  close: () => Promise<void>;
}

const wrong = (file: string, why: string) =>
  new BackupProblem(`${file} is no backup that can be used: ${why}.`);

async function textOf(entry: FileEntry): Promise<string> {
  return entry.getData(new TextWriter(), { checkSignature: true });
}

/** An entry's bytes as they are unpacked; what does not fit its checksum ends in an error. */
function streamOf(entry: FileEntry): ReadableStream<Uint8Array> {
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  entry
    .getData(writable, { checkSignature: true })
    .catch((error) => writable.abort(error).catch(() => undefined));
  return readable;
}

async function bytesOf(stream: ReadableStream<Uint8Array>): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

/** @throws BackupProblem when it cannot be read, or was made by a newer version */
export async function openBackup(file: string): Promise<OpenBackup> {
  if (!existsSync(file) || !statSync(file).isFile()) throw wrong(file, 'there is no such file');
  const zip = new ZipReader(new BlobReader(await openAsBlob(file)));
  const entries = await zip.getEntries().catch((error: Error) => {
    throw wrong(file, error.message.replace(/\.$/, ''));
  });
  const byName = new Map(
    entries.flatMap((entry): [string, FileEntry][] =>
      entry.directory ? [] : [[entry.filename, entry]],
    ),
  );
  const entryOf = (name: string): FileEntry => {
    const entry = byName.get(name);
    if (!entry) throw wrong(file, `“${name}” is missing in it`);
    return entry;
  };
  const read = async <T>(name: string, schema: z.ZodType<T>): Promise<T> => {
    try {
      return schema.parse(JSON.parse(await textOf(entryOf(name))));
    } catch (error) {
      if (error instanceof BackupProblem) throw error;
      throw wrong(file, `“${name}” in it cannot be read`);
    }
  };
  const list = await read(ENTRY.list, listSchema);
  if (list.version > BACKUP_VERSION)
    throw wrong(file, 'it was made by a newer version of Lantern Jar');
  const beside = (hash: string) => join(dirname(file), 'media', hash);
  return {
    file,
    list,
    async *productions() {
      for (let n = 0; n < list.productions; n++)
        yield await read(ENTRY.production(n), productionSchema);
    },
    settings: () => read(ENTRY.settings, settingsSchema),
    devices: () => read(ENTRY.devices, devicesSchema),
    media: (hash) =>
      list.mediaInside
        ? streamOf(entryOf(ENTRY.media(hash)))
        : (Readable.toWeb(createReadStream(beside(hash))) as ReadableStream<Uint8Array>),
    small: (hash) => bytesOf(streamOf(entryOf(ENTRY.small(hash)))),
    close: () => zip.close().then(() => undefined),
  };
}

/** The SHA-256 of what comes, as pictures are named. */
export async function hashOf(bytes: AsyncIterable<Uint8Array>): Promise<string> {
  const sum = createHash('sha256');
  for await (const part of bytes) sum.update(part);
  return sum.digest('hex');
}

/** Every picture against its hash. @throws BackupProblem */
async function verifyPictures({ file, list, media, small }: OpenBackup): Promise<void> {
  for (const { hash, small: hasSmall } of list.media) {
    const bytes = media(hash) as unknown as AsyncIterable<Uint8Array>;
    const is = await hashOf(bytes).catch(() => {
      throw wrong(file, `the picture ${hash.slice(0, 8)}… cannot be read`);
    });
    if (is !== hash) throw wrong(file, `the picture ${hash.slice(0, 8)}… is not what it was`);
    if (hasSmall) await small(hash);
  }
}

/**
 * Reads all of it: every production, and every picture against its hash.
 * @param pictures  false where whoever asks has looked at each of them
 * @throws BackupProblem
 */
export async function verify(backup: OpenBackup, pictures = true): Promise<void> {
  for await (const { document } of backup.productions()) {
    if (typeof document.version !== 'number')
      throw wrong(backup.file, 'a production has no version');
  }
  await backup.settings();
  await backup.devices();
  if (pictures) await verifyPictures(backup);
}
