import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { mediaHashSchema, type Picture } from '@/core/document/picture';
import { DEMO_PHOTOGRAPHS, demoPicture } from '@/demo/photographs';
import type { MediaStore } from './store';

const FOLDER = join('src', 'demo', 'photographs');

/** Keeps the demo's photographs, and says how its document names them. */
export async function keepDemoPhotographs(store: MediaStore): Promise<Picture[]> {
  const pictures: Picture[] = [];
  for (const photograph of DEMO_PHOTOGRAPHS) {
    const bytes = await readFile(join(process.cwd(), FOLDER, photograph.file));
    const hash = mediaHashSchema.parse(createHash('sha256').update(bytes).digest('hex'));
    const kept = await store.put(hash, new Blob([bytes]).stream());
    if (kept.ok) pictures.push(demoPicture(photograph, hash, bytes.byteLength));
  }
  return pictures;
}
