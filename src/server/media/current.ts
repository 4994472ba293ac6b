import { currentStore } from '../storage/current';
import { mediaStore, type MediaStore } from './store';

/** The pictures of this process's store. @throws StorageProblem */
export async function currentMedia(): Promise<MediaStore> {
  const { db } = await currentStore();
  return mediaStore(db);
}

const DAY_MS = 86_400_000;

/** Tidies at start and once a day; a server may run for months. */
export async function tidyMedia(): Promise<void> {
  const store = await currentMedia();
  await store.dropUnfinished();
  await store.sweep();
  setInterval(() => void store.sweep().catch((error) => console.error(error)), DAY_MS).unref();
}
