import type { Batch } from '@/core/document/edit';

/** One entry of a window's journal: a batch, and the place it has in the order of what was done. */
export interface Move {
  seq: number;
  /** epoch milliseconds */
  at: number;
  batch: Batch;
}

export interface History {
  /** what undo takes back, last first taken */
  past: readonly Move[];
  /** undos that redo takes back */
  future: readonly Move[];
  /** moves made here and not yet acknowledged by the store */
  pending: readonly Move[];
  /** number of the last move; numbers begin at the time the page was opened, so that none comes twice */
  seq: number;
}

export const emptyHistory: History = { past: [], future: [], pending: [], seq: 0 };

/** A media file no document names is kept this long and longer, so that undo finds it (`docs/media.md`). */
const UNDO_DAYS = 60;
const UNDO_MS = UNDO_DAYS * 86_400_000;
export const tooOld = ({ at }: Pick<Move, 'at'>, now: number): boolean => now - at > UNDO_MS;

/** A new history, and the entries of the journal that change with it. */
export interface Recorded {
  history: History;
  /** entries to write, with where undo finds them */
  put: { move: Move; place: Place }[];
  /** entries nothing needs any more */
  drop: number[];
}
export const PLACES = ['past', 'future', 'none'] as const;
export type Place = (typeof PLACES)[number];

const next = ({ seq }: History, batch: Batch, at: number): Move => ({ seq: seq + 1, at, batch });

/** Entries that leave the undo list stay as long as the store has not acknowledged them. */
function leaving(history: History, moves: readonly Move[]): Pick<Recorded, 'put' | 'drop'> {
  const unsent = new Set(history.pending.map(({ seq }) => seq));
  return {
    put: moves.filter(({ seq }) => unsent.has(seq)).map((move) => ({ move, place: 'none' })),
    drop: moves.filter(({ seq }) => !unsent.has(seq)).map(({ seq }) => seq),
  };
}

/** Something new was done; what had been undone cannot be redone any more. */
export function recorded(history: History, batch: Batch, at: number): Recorded {
  const move = next(history, batch, at);
  const gone = leaving(history, history.future);
  return {
    history: {
      past: [...history.past, move],
      future: [],
      pending: [...history.pending, move],
      seq: move.seq,
    },
    put: [{ move, place: 'past' }, ...gone.put],
    drop: gone.drop,
  };
}

/** The last thing done was taken back by `batch`; null takes it off the list without a trace. */
export function undone(history: History, batch: Batch | null, at: number): Recorded {
  const last = history.past.at(-1)!;
  const past = history.past.slice(0, -1);
  const gone = leaving(history, [last]);
  if (!batch) return { history: { ...history, past }, ...gone };
  const move = next(history, batch, at);
  return {
    history: {
      past,
      future: [...history.future, move],
      pending: [...history.pending, move],
      seq: move.seq,
    },
    put: [{ move, place: 'future' }, ...gone.put],
    drop: gone.drop,
  };
}

/** The last undo was taken back by `batch`. */
export function redone(history: History, batch: Batch | null, at: number): Recorded {
  const last = history.future.at(-1)!;
  const future = history.future.slice(0, -1);
  const gone = leaving(history, [last]);
  if (!batch) return { history: { ...history, future }, ...gone };
  const move = next(history, batch, at);
  return {
    history: {
      past: [...history.past, move],
      future,
      pending: [...history.pending, move],
      seq: move.seq,
    },
    put: [{ move, place: 'past' }, ...gone.put],
    drop: gone.drop,
  };
}

/** Moves left the list of the unsent: taken by the store, or refused and taken back here. */
export function settled(
  history: History,
  seqs: ReadonlySet<number>,
  refused: ReadonlySet<string>,
): Recorded {
  const keep = ({ batch }: Move) => !refused.has(batch.id);
  const past = history.past.filter(keep);
  const future = history.future.filter(keep);
  const needed = new Set([...past, ...future].map(({ seq }) => seq));
  return {
    history: {
      ...history,
      past,
      future,
      pending: history.pending.filter(({ seq }) => !seqs.has(seq)),
    },
    put: [],
    drop: [...seqs].filter((seq) => !needed.has(seq)),
  };
}
