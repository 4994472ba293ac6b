import { currentStore } from '../storage/current';
import { mediaStore, type MediaStore } from './store';

/** The pictures of this process's store. @throws StorageProblem */
export async function currentMedia(): Promise<MediaStore> {
  const { db } = await currentStore();
  return mediaStore(db);
}
