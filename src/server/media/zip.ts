import { configure, TextReader, ZipWriter } from '@zip.js/zip.js';
import type { Picture } from '@/core/document/picture';
import type { Production } from '@/core/document/production';
import type { MediaStore } from './store';

configure({ useWebWorkers: false });

const ENDINGS: Record<Picture['type'], string> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/webp': 'webp',
  'image/avif': 'avif',
};

const mediaEntry = ({ media, type }: Pick<Picture, 'media' | 'type'>): string =>
  `media/${media}.${ENDINGS[type]}`;

/** What is in the zip, for whoever opens it without Lantern Jar. */
function readme({ name }: Production, pictures: readonly Picture[], missing: readonly Picture[]) {
  const line = (picture: Picture) =>
    `  ${mediaEntry(picture)}  ${picture.name}${picture.caption ? `: ${picture.caption}` : ''}`;
  return [
    `${name}: a production of Lantern Jar.`,
    '',
    'production.json   everything that was written and chosen, as JSON',
    'media/            its photographs, each named by the SHA-256 of its content',
    '',
    'Lantern Jar reads this file whole: on its first page, “Import a file”.',
    ...(pictures.length ? ['', 'Photographs:', ...pictures.map(line)] : []),
    ...(missing.length ? ['', 'Not kept any more, and so not in here:', ...missing.map(line)] : []),
    '',
  ].join('\r\n');
}

/** A production with its pictures as a zip, written as it is read: no picture is in memory whole. */
export function productionZip(document: Production, store: MediaStore): ReadableStream<Uint8Array> {
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  const write = async () => {
    const zip = new ZipWriter(writable);
    const once = new Map(document.pictures.map((picture) => [picture.media, picture]));
    const here: Picture[] = [];
    const missing: Picture[] = [];
    for (const picture of once.values())
      ((await store.find(picture.media)) ? here : missing).push(picture);
    await zip.add('README.txt', new TextReader(readme(document, here, missing)));
    await zip.add('production.json', new TextReader(JSON.stringify(document, null, 2)));
    // Photographs are packed already.
    for (const picture of here)
      await zip.add(mediaEntry(picture), store.read(picture.media), { level: 0 });
    await zip.close();
  };
  write().catch((error) => writable.abort(error).catch(() => undefined));
  return readable;
}
