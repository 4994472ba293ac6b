import { get, set } from 'idb-keyval';
import type { History } from './history';

/**
 * What this browser remembers of a production beside the store: the undo list, and edits that
 * were not acknowledged. It outlives reloads and a server that died.
 */
export interface Journal extends History {
  /** the stored revision the pending edits were made on */
  revision: number;
}

const key = (id: string) => `lantern-jar:${id}`;

/** Private windows may refuse storage; then undo ends at a reload and nothing else changes. */
export async function readJournal(id: string): Promise<Journal | null> {
  try {
    return (await get<Journal>(key(id))) ?? null;
  } catch {
    return null;
  }
}

export async function writeJournal(id: string, journal: Journal): Promise<void> {
  try {
    await set(key(id), journal);
  } catch {
    // See above: without storage the journal lives in memory only.
  }
}
