import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { mediaHashSchema, type Picture } from '@/core/document/picture';
import { DEMO_FRAMES, DEMO_PHOTOGRAPHS, demoPicture, framePicture } from '@/demo/photographs';
import type { MediaStore } from './store';

const FOLDER = join('src', 'demo', 'photographs');

type Named = (media: Picture['media'], sizeBytes: number) => Picture;

/** Keeps the demo's photographs and frames, and says how its document names them. */
export async function keepDemoPhotographs(store: MediaStore): Promise<Picture[]> {
  const pictures: Picture[] = [];
  const all: [file: string, named: Named][] = [
    ...DEMO_PHOTOGRAPHS.map((each): [string, Named] => [
      each.file,
      (media, bytes) => demoPicture(each, media, bytes),
    ]),
    ...DEMO_FRAMES.map((each): [string, Named] => [
      each.file,
      (media, bytes) => framePicture(each, media, bytes),
    ]),
  ];
  for (const [file, named] of all) {
    const bytes = await readFile(join(process.cwd(), FOLDER, file));
    const hash = mediaHashSchema.parse(createHash('sha256').update(bytes).digest('hex'));
    const kept = await store.put(hash, new Blob([bytes]).stream());
    if (kept.ok) pictures.push(named(hash, bytes.byteLength));
  }
  return pictures;
}
