import { createStore, promisifyRequest, type UseStore } from 'idb-keyval';
import * as z from 'zod/mini';
import { batchSchema } from '@/core/document/edit';
import { PLACES, type History, type Place, type Recorded } from './history';

/**
 * What this browser remembers of a production beside the store: undo lists, and moves that were not
 * acknowledged. It outlives reloads and a server that died. Every window has a journal of its own,
 * written entry by entry, and every window can read them all.
 */
const headSchema = z.object({
  production: z.string(),
  window: z.string(),
  /** the stored revision the unsent moves were made on */
  revision: z.number(),
  /** number of the last move the store has acknowledged */
  acknowledged: z.number(),
  seq: z.number(),
  /** when it was last written, epoch milliseconds */
  at: z.number(),
});
type JournalHead = z.infer<typeof headSchema>;

export interface Journal {
  head: JournalHead;
  history: History;
}

const entrySchema = z.object({
  move: z.object({ seq: z.number(), at: z.number(), batch: batchSchema }),
  place: z.enum(PLACES),
});
type Entry = z.infer<typeof entrySchema>;

let opened: UseStore | null = null;
const store = (): UseStore => (opened ??= createStore('lantern-jar-journals', 'entries'));

/** Ids hold letters, digits, - and _ alone, so a space keeps the parts of a key apart. */
const key = (production: string, window: string, part: string) => `${production} ${window} ${part}`;
const entryKey = (head: Pick<JournalHead, 'production' | 'window'>, seq: number) =>
  key(head.production, head.window, `m${String(seq).padStart(16, '0')}`);
const headKey = (head: Pick<JournalHead, 'production' | 'window'>) =>
  key(head.production, head.window, 'head');
const within = (prefix: string) => IDBKeyRange.bound(prefix, `${prefix}\uffff`);

/**
 * Writes what a move changed, in one transaction: a few entries, however long the list is.
 * @returns false when the browser refuses (a private window, a full disk)
 */
export async function writeJournal(
  head: JournalHead,
  { put, drop }: Pick<Recorded, 'put' | 'drop'>,
): Promise<boolean> {
  try {
    await store()('readwrite', (entries) => {
      for (const { move, place } of put) entries.put({ move, place }, entryKey(head, move.seq));
      for (const seq of drop) entries.delete(entryKey(head, seq));
      entries.put(head, headKey(head));
      // Asked for at once: a page left before the answers came would take the writes with it.
      entries.transaction.commit();
      return promisifyRequest(entries.transaction);
    });
    return true;
  } catch {
    return false;
  }
}

/** Every journal of a production in this browser; none where it keeps nothing. */
export async function readJournals(production: string): Promise<Journal[]> {
  try {
    const [keys, values] = await store()('readonly', (entries) =>
      Promise.all([
        promisifyRequest(entries.getAllKeys(within(`${production} `))),
        promisifyRequest(entries.getAll(within(`${production} `))),
      ]),
    );
    const windows = new Map<string, { head?: JournalHead; entries: Entry[] }>();
    keys.forEach((each, k) => {
      const [, window, part] = String(each).split(' ') as [string, string, string];
      const own = windows.get(window) ?? { entries: [] };
      windows.set(window, own);
      // What another version or a broken disk has written is left alone; the rest is read.
      if (part === 'head') own.head = headSchema.safeParse(values[k]).data;
      else {
        const entry = entrySchema.safeParse(values[k]);
        if (entry.success) own.entries.push(entry.data);
      }
    });
    return [...windows.values()].flatMap(({ head, entries }) =>
      head ? [{ head, history: historyOf(head, entries) }] : [],
    );
  } catch {
    return [];
  }
}

function historyOf(head: JournalHead, entries: readonly Entry[]): History {
  const inOrder = entries.toSorted((a, b) => a.move.seq - b.move.seq);
  const at = (place: Place) =>
    inOrder.filter((entry) => entry.place === place).map(({ move }) => move);
  return {
    past: at('past'),
    future: at('future'),
    pending: inOrder.map(({ move }) => move).filter(({ seq }) => seq > head.acknowledged),
    seq: head.seq,
  };
}

export async function dropJournal(head: Pick<JournalHead, 'production' | 'window'>) {
  try {
    await store()('readwrite', (entries) => {
      entries.delete(within(key(head.production, head.window, '')));
      return promisifyRequest(entries.transaction);
    });
  } catch {
    // Without storage there is nothing to drop.
  }
}

/** A whole history as entries, for a window that takes another's journal over. */
export function wholeHistory(history: History): Recorded['put'] {
  const listed = [
    ...history.past.map((move) => ({ move, place: 'past' as const })),
    ...history.future.map((move) => ({ move, place: 'future' as const })),
  ];
  const known = new Set(listed.map(({ move }) => move.seq));
  const rest = history.pending.filter(({ seq }) => !known.has(seq));
  return [...listed, ...rest.map((move) => ({ move, place: 'none' as const }))];
}
