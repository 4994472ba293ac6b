import { nanoid } from 'nanoid';
import { createStore } from 'zustand';
import { applyEdit, applyForeignPatches, edit } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import {
  emptyHistory,
  recorded,
  redone,
  reversed,
  undone,
  type History,
  type Move,
  type PendingEdit,
} from './history';
import { readJournal, writeJournal, type Journal } from './journal';
import { fetchStored, sendEdits, type Newer } from './saving';

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'waiting' }
  | { kind: 'unanswered'; message: string }
  | { kind: 'refused'; message: string }
  | { kind: 'conflict'; newer: Newer };

type Change = (draft: Production) => void;

export interface ProductionState {
  document: Production;
  revision: number;
  history: History;
  save: SaveState;
  /** document as it was when the running drag began */
  beforeDrag: Production | null;
  change: (label: string, change: Change) => void;
  /** shows a change without recording it; many of these make one drag */
  preview: (change: Change) => void;
  /** records the drag as one edit */
  settle: (label: string) => void;
  abandon: () => void;
  undo: () => string | null;
  redo: () => string | null;
  /** reads this browser's journal; call once after mounting */
  recall: () => Promise<void>;
  takeNewer: () => void;
  putMineOnTop: () => void;
}

/** Typing is stored after this pause, so a crash loses less than half a second of it. */
const PAUSE_MS = 200;
const RETRY_MS = 2000;

/** A production as the server hands it out. */
export interface Initial {
  document: Production;
  revision: number;
  /** ids of the edits its last save brought */
  lastEditIds: string[];
}

export function createProductionStore(initial: Initial) {
  return createStore<ProductionState>()((set, get) => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    let sending = false;
    let recalled = false;
    let dragged: Change | null = null;

    const id = initial.document.id;
    const remember = () => {
      const { history, revision } = get();
      void writeJournal(id, { ...history, revision });
    };
    const schedule = (delayMs: number) => {
      if (timer) clearTimeout(timer);
      timer = setTimeout(() => void flush(), delayMs);
    };
    const record = (document: Production, history: History) => {
      // An open conflict stays open: sending waits until the user has chosen.
      const { save } = get();
      set({ document, history, save: save.kind === 'conflict' ? save : { kind: 'waiting' } });
      remember();
      schedule(PAUSE_MS);
    };

    async function flush() {
      const { revision, history, save } = get();
      if (sending || history.pending.length === 0 || save.kind === 'conflict') return;
      sending = true;
      const sent = history.pending;
      const outcome = await sendEdits(id, revision, sent);
      sending = false;
      if (outcome.kind === 'saved') acknowledge(outcome.revision, sent.length);
      else if (outcome.kind === 'stale') set({ save: { kind: 'conflict', newer: outcome.newer } });
      else if (outcome.kind === 'refused') takeBack(outcome.message);
      else {
        set({ save: { kind: 'unanswered', message: outcome.message } });
        schedule(RETRY_MS);
      }
    }

    function acknowledge(revision: number, count: number) {
      const { history } = get();
      const pending = history.pending.slice(count);
      set({
        revision,
        history: { ...history, pending },
        save: pending.length ? { kind: 'waiting' } : { kind: 'saved' },
      });
      remember();
      if (pending.length) schedule(0);
    }

    /** What the store refuses is undone here too, so that screen and store agree. */
    function takeBack(message: string) {
      const { document, history } = get();
      const back = history.pending
        .toReversed()
        .reduce((doc, each) => applyEdit(doc, reversed(each)), document);
      set({ document: back, history: emptyHistory, save: { kind: 'refused', message } });
      remember();
    }

    const step = (move: (history: History, id: string) => Move | null) => {
      const { document, history, beforeDrag } = get();
      const moved = beforeDrag ? null : move(history, nanoid(10));
      if (!moved) return null;
      record(applyEdit(document, moved.edit), moved.history);
      return moved.edit.label;
    };

    return {
      document: initial.document,
      revision: initial.revision,
      history: emptyHistory,
      save: { kind: 'saved' },
      beforeDrag: null,
      change: (label, change) => {
        const made = edit(get().document, label, change);
        if (made) record(made.document, recorded(get().history, made.edit, nanoid(10)));
      },
      preview: (change) => {
        dragged = change;
        const before = get().beforeDrag ?? get().document;
        const made = edit(before, '', change);
        set({ document: made?.document ?? before, beforeDrag: before });
      },
      settle: (label) => {
        const { beforeDrag, history } = get();
        if (!beforeDrag || !dragged) return;
        const made = edit(beforeDrag, label, dragged);
        dragged = null;
        set({ document: beforeDrag, beforeDrag: null });
        if (made) record(made.document, recorded(history, made.edit, nanoid(10)));
      },
      abandon: () => {
        const { beforeDrag } = get();
        if (beforeDrag) set({ document: beforeDrag, beforeDrag: null });
      },
      undo: () => step(undone),
      redo: () => step(redone),
      recall: async () => {
        if (recalled) return;
        recalled = true;
        const journal = await readJournal(id);
        if (!journal) return;
        // A page left while a save was under way may be handed the state from before that save.
        const stored = journal.revision > initial.revision ? await fetchStored(id) : initial;
        const { revision, history } = get();
        const untouched = revision === initial.revision && !history.past.length;
        if (!stored || !untouched || history.pending.length) return;
        if (stored !== initial) set({ document: stored.document, revision: stored.revision });
        const found = reconcile(journal, stored);
        const restored = found && applyForeignPatches(get().document, patchesOf(found.pending));
        if (!found || !restored) return;
        set({ document: restored, history: found });
        if (found.pending.length) {
          set({ save: { kind: 'waiting' } });
          schedule(0);
        }
      },
      takeNewer: () => {
        const { save } = get();
        if (save.kind !== 'conflict') return;
        set({ ...save.newer, history: emptyHistory, save: { kind: 'saved' } });
        remember();
      },
      putMineOnTop: () => {
        const { save, history } = get();
        if (save.kind !== 'conflict') return;
        const merged = applyForeignPatches(save.newer.document, patchesOf(history.pending));
        if (!merged)
          return set({
            save: { kind: 'refused', message: 'Your changes do not fit the newer state.' },
            ...save.newer,
            history: emptyHistory,
          });
        set({ revision: save.newer.revision, save: { kind: 'waiting' } });
        record(merged, { past: history.pending, future: [], pending: history.pending });
      },
    };
  });
}
const patchesOf = (edits: readonly PendingEdit[]) => edits.flatMap((each) => each.patches) as never;

/**
 * Fits this browser's journal to what the server handed out. A page that was left while a save was
 * under way comes back to a store that has the save already: those edits are no longer pending.
 * @returns null when the stored state has moved on by other hands
 */
export function reconcile(
  { revision, past, future, pending }: Journal,
  stored: Initial,
): History | null {
  if (revision === stored.revision) return { past, future, pending };
  const arrived = new Set(stored.lastEditIds);
  const ours = revision + 1 === stored.revision && pending.some(({ id }) => arrived.has(id));
  if (!ours) return null;
  return { past, future, pending: pending.filter(({ id }) => !arrived.has(id)) };
}

export type ProductionStore = ReturnType<typeof createProductionStore>;
