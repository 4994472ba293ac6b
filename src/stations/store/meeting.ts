import { applyCommands, mergeBatches, type Batch } from '@/core/document/edit';
import { recorded, settled, type History, type Move } from './history';
import { dropJournal, wholeHistory } from './journal';
import type { Keeping } from './keeping';
import { forgetLegacy, LEGACY_WINDOW } from './legacy';
import type { Moving } from './moving';
import type { Newer } from './saving';
import type { Sending } from './sending';
import type { Place, ProductionState } from './state';

/** A history whose unsent moves stand on another state now; those that fell away are left out. */
function refitted(history: History, batches: readonly Batch[]): History {
  const fitted = new Map(batches.map((batch) => [batch.id, batch]));
  const refit = (moves: readonly Move[]) =>
    moves.flatMap((move): Move[] => {
      if (!history.pending.includes(move)) return [move];
      const batch = fitted.get(move.batch.id);
      return batch ? [{ ...move, batch }] : [];
    });
  return {
    past: refit(history.past),
    future: refit(history.future),
    pending: refit(history.pending),
    seq: history.seq,
  };
}

/** The store has moved on without this window: whose changes stand? */
export function meetingOf(
  { set, get }: Place,
  { remember }: Keeping,
  { schedule }: Sending,
): Pick<ProductionState, 'takeNewer' | 'putMineOnTop'> & { takeIn: (newer: Newer) => void } {
  const meeting: ReturnType<typeof meetingOf> = {
    takeIn: (newer) => {
      const { save, history } = get();
      // An open question is answered first.
      if (save.kind === 'conflict' || newer.revision < get().revision) return;
      if (history.pending.length === 0) {
        const { document, revision } = newer;
        const dragging = get().beforeDrag !== null ? { beforeDrag: document } : {};
        set({ document, acknowledged: document, revision, save: { kind: 'saved' }, ...dragging });
        return;
      }
      set({ save: { kind: 'conflict', newer, clashes: [], from: 'here' } });
      meeting.putMineOnTop();
    },
    takeNewer: () => {
      const { save, history } = get();
      if (save.kind !== 'conflict') return;
      const seqs = new Set(history.pending.map(({ seq }) => seq));
      const dropped = new Set(history.pending.map(({ batch }) => batch.id));
      const done = settled(history, seqs, dropped);
      const { document, revision } = save.newer;
      set({
        document,
        acknowledged: document,
        revision,
        history: done.history,
        save: { kind: 'saved' },
      });
      remember(done);
    },
    putMineOnTop: (choices = {}) => {
      const { save, history, document, beforeDrag } = get();
      if (save.kind !== 'conflict') return;
      const batches = history.pending.map(({ batch }) => batch);
      const merged = mergeBatches(batches, save.newer.document, choices, beforeDrag ?? document);
      if (merged.clashes.length) return set({ save: { ...save, clashes: merged.clashes } });
      const next = refitted(history, merged.batches);
      const whole = wholeHistory(next);
      const kept = new Set(whole.map(({ move }) => move.seq));
      const changed = new Set(history.pending.map(({ seq }) => seq));
      const { document: newer, revision } = save.newer;
      set({
        document: merged.document,
        ...(beforeDrag ? { beforeDrag: merged.document } : {}),
        acknowledged: newer,
        revision,
        history: next,
        save: { kind: next.pending.length ? 'waiting' : 'saved' },
      });
      remember({
        put: whole.filter(({ move }) => changed.has(move.seq)),
        drop: [...changed].filter((seq) => !kept.has(seq)),
      });
      schedule(0);
    },
  };
  return meeting;
}

/** What other windows and older versions left unsent: taken up, or let go. */
export function offersOf(
  { id, set, get }: Place,
  { record }: Moving,
): Pick<ProductionState, 'takeOffer' | 'dropOffer' | 'dropStranded'> {
  const forget = (window: string) =>
    window === LEGACY_WINDOW ? forgetLegacy(id) : dropJournal({ production: id, window });
  return {
    takeOffer: (window, choices = {}) => {
      const { offers, document } = get();
      const offer = offers.find((each) => each.window === window);
      if (!offer) return;
      const batches = offer.moves.map(({ batch }) => batch);
      const merged = mergeBatches(batches, document, choices);
      const others = offers.filter((each) => each !== offer);
      if (merged.clashes.length)
        return set({ offers: [...others, { ...offer, clashes: merged.clashes }] });
      for (const batch of merged.batches) {
        const done = applyCommands(get().document, batch.commands);
        if (!done.ok) continue;
        // Under the id it had: if the store has taken it after all, it is not taken twice.
        const again = { ...batch, inverse: done.value.inverse };
        record(done.value.document, recorded(get().history, again, Date.now()));
      }
      set({ offers: others });
      void forget(window);
    },
    dropOffer: (window) => {
      set(({ offers }) => ({ offers: offers.filter((each) => each.window !== window) }));
      void forget(window);
    },
    dropStranded: () => {
      set({ stranded: null });
      void forgetLegacy(id);
    },
  };
}
