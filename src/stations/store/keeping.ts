import { writeJournal } from './journal';
import type { Recorded } from './history';
import type { Place } from './state';
import { windowName } from './window';

/** Writes what moved into this window's journal, one entry after another. */
export function keepingOf({ id, set, get }: Place) {
  let name: Promise<string> | null = null;
  let writing: Promise<unknown> = Promise.resolve();
  const window = () => (name ??= windowName());
  return {
    window,
    remember: ({ put, drop }: Pick<Recorded, 'put' | 'drop'>) => {
      const { history, revision } = get();
      const acknowledged = (history.pending[0]?.seq ?? history.seq + 1) - 1;
      const { seq } = history;
      writing = writing
        .then(window)
        .then((own) =>
          writeJournal(
            { production: id, window: own, revision, acknowledged, seq, at: Date.now() },
            { put, drop },
          ),
        )
        .then((kept) => {
          if (kept !== get().journalKept) set({ journalKept: kept });
        });
    },
    /** Nothing is written before this has come true. */
    waitFor: (found: Promise<unknown>) => {
      writing = writing.then(() => found);
    },
  };
}
export type Keeping = ReturnType<typeof keepingOf>;
