import { nanoid } from 'nanoid';
import { createStore } from 'zustand';
import {
  applyBatches,
  applyCommands,
  makeBatch,
  mergeBatches,
  undoCommands,
  type Batch,
  type Change,
  type Command,
} from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import { touchedProblems } from '@/core/document/touched';
import {
  emptyHistory,
  recorded,
  redone,
  settled,
  tooOld,
  undone,
  type Move,
  type Recorded,
} from './history';
import { dropJournal, wholeHistory, writeJournal } from './journal';
import { forgetLegacy, LEGACY_WINDOW } from './legacy';
import { recallJournals, type Recalled } from './recalling';
import { sendEdits, type RefusedEdit } from './saving';
import type { Initial, ProductionState, Refusal } from './state';
import { windowName } from './window';

export type { Initial, Offer, ProductionState, Refusal, SaveState } from './state';

/** Typing is stored after this pause, so a crash loses less than half a second of it. */
const PAUSE_MS = 200;
const RETRY_MS = 2000;
/** Edits in one request, well under what the server takes. */
const MOST_SENT = 100;
const MOST_SENT_CHARS = 1_500_000;

/** The first of the unsent that go together in one request. */
function firstOf(pending: readonly Move[], most: number): Move[] {
  const sent: Move[] = [];
  let chars = 0;
  for (const move of pending.slice(0, most)) {
    chars += JSON.stringify(move.batch.commands).length;
    if (sent.length > 0 && chars > MOST_SENT_CHARS) break;
    sent.push(move);
  }
  return sent;
}

type Attempt =
  | { refused: Pick<Refusal, 'message' | 'at'> }
  | { refused?: undefined; batch: Batch; document: Production };

export function createProductionStore(initial: Initial) {
  return createStore<ProductionState>()((set, get) => {
    const id = initial.document.id;
    let timer: { at: number; handle: ReturnType<typeof setTimeout> } | null = null;
    let sending = false;
    let recalled = false;
    let dragged: Change | null = null;
    /** edits in one request; one by one while it is not known which of them is at fault */
    let most = MOST_SENT;
    let name: Promise<string> | null = null;
    const window = () => (name ??= windowName());
    let writing: Promise<unknown> = Promise.resolve();

    const remember = ({ put, drop }: Pick<Recorded, 'put' | 'drop'>) => {
      const { history, revision } = get();
      const acknowledged = (history.pending[0]?.seq ?? history.seq + 1) - 1;
      writing = writing
        .then(window)
        .then((own) =>
          writeJournal(
            {
              production: id,
              window: own,
              revision,
              acknowledged,
              seq: history.seq,
              at: Date.now(),
            },
            { put, drop },
          ),
        )
        .then((kept) => {
          if (kept !== get().journalKept) set({ journalKept: kept });
        });
    };
    /** The earlier of two times stands: who types without a pause is kept all the same. */
    const schedule = (delayMs: number) => {
      const at = Date.now() + delayMs;
      if (timer && timer.at <= at) return;
      if (timer) clearTimeout(timer.handle);
      timer = { at, handle: setTimeout(() => void flush(), delayMs) };
    };
    const record = (document: Production, done: Recorded) => {
      // An open conflict stays open: sending waits until the user has chosen.
      const { save } = get();
      const next = save.kind === 'conflict' ? save : ({ kind: 'waiting' } as const);
      set({ document, history: done.history, save: next });
      remember(done);
      schedule(PAUSE_MS);
    };
    const tell = (refusal: Omit<Refusal, 'id'>): string => {
      const others = get().refusals.filter(({ label }) => label !== refusal.label);
      set({ refusals: [...others, { ...refusal, id: nanoid(6) }] });
      return refusal.message;
    };

    async function flush() {
      timer = null;
      const { revision, history, save } = get();
      if (sending || history.pending.length === 0 || save.kind === 'conflict') return;
      sending = true;
      const sent = firstOf(history.pending, most);
      const batches = sent.map(({ batch }) => batch);
      const outcome = await sendEdits(id, await window(), revision, batches);
      sending = false;
      if (outcome.kind === 'saved') acknowledge(outcome.revision, sent, outcome.refused);
      else if (outcome.kind === 'stale') openConflict(outcome.newer, 'here');
      else if (outcome.kind === 'rejected') reject(sent, outcome.message);
      else {
        set({ save: { kind: 'unanswered', message: outcome.message } });
        schedule(RETRY_MS);
      }
    }

    /** Not taken as a whole: sent one by one, until the one at fault stands alone. */
    function reject(sent: readonly Move[], message: string) {
      if (sent.length > 1) {
        most = 1;
        return schedule(0);
      }
      acknowledge(get().revision, sent, [{ id: sent[0]!.batch.id, message, at: null }]);
    }

    function acknowledge(revision: number, sent: readonly Move[], refused: readonly RefusedEdit[]) {
      const state = get();
      const bad = new Set(refused.map((edit) => edit.id));
      const good = sent.map(({ batch }) => batch).filter((batch) => !bad.has(batch.id));
      const acknowledged = applyBatches(state.acknowledged, good).document;
      const seqs = new Set(sent.map(({ seq }) => seq));
      const rest = state.history.pending.filter(({ seq }) => !seqs.has(seq));
      const again = applyBatches(
        acknowledged,
        rest.map(({ batch }) => batch),
      );
      // What stood on a refused edit falls with it.
      for (const { batch } of again.refused) {
        bad.add(batch.id);
        for (const move of rest) if (move.batch.id === batch.id) seqs.add(move.seq);
      }
      const done = settled(state.history, seqs, bad);
      const pending = done.history.pending.length > 0;
      set({
        revision,
        acknowledged,
        history: done.history,
        document: bad.size > 0 ? again.document : state.document,
        save: state.save.kind === 'conflict' ? state.save : { kind: pending ? 'waiting' : 'saved' },
      });
      for (const edit of refused) {
        const label = sent.find(({ batch }) => batch.id === edit.id)?.batch.label ?? '';
        tell({ label, message: edit.message, at: edit.at });
      }
      for (const { batch, message } of again.refused)
        tell({ label: batch.label, message, at: null });
      if (!pending) most = MOST_SENT;
      remember(done);
      if (pending) schedule(0);
    }

    function openConflict(newer: Initial, from: 'here' | 'before') {
      const { history, document } = get();
      const batches = history.pending.map(({ batch }) => batch);
      const { clashes } = mergeBatches(batches, newer.document, {}, document);
      set({ save: { kind: 'conflict', newer, clashes, from } });
    }

    /** Commands as a new move, if the document can take them. */
    function attempt(label: string, commands: readonly Command[]): Attempt {
      const { document } = get();
      const done = applyCommands(document, commands);
      if (!done.ok) return { refused: { message: done.problems[0]!.message, at: null } };
      const [problem] = touchedProblems(done.value.document, commands);
      if (problem) return { refused: problem };
      const batch: Batch = {
        id: nanoid(10),
        label,
        commands: [...commands],
        inverse: done.value.inverse,
      };
      return { batch, document: done.value.document };
    }

    function enter(label: string, commands: readonly Command[]): string | null {
      const made = attempt(label, commands);
      if (made.refused) return tell({ label, message: made.refused.message, at: made.refused.at });
      const { refusals, history } = get();
      if (refusals.length) set({ refusals: refusals.filter((each) => each.label !== label) });
      record(made.document, recorded(history, made.batch, Date.now()));
      return null;
    }

    const forget = (window: string) =>
      window === LEGACY_WINDOW ? forgetLegacy(id) : dropJournal({ production: id, window });

    /** Undo and redo: takes the last move of a list back, as far as nobody else changed it since. */
    function step(list: 'past' | 'future'): string | null {
      const { document, history, beforeDrag } = get();
      const last = history[list].at(-1);
      if (!last || beforeDrag || tooOld(last, Date.now())) return null;
      const move = list === 'past' ? undone : redone;
      const { label } = last.batch;
      const { commands, left } = undoCommands(document, last.batch);
      const back = list === 'past' ? `undo ${label}` : label.replace(/^undo /, '');
      const made = commands.length > 0 ? attempt(back, commands) : null;
      if (!made || made.refused) {
        const off = move(history, null, Date.now());
        set({ history: off.history });
        remember(off);
        return made
          ? `${back}: not possible any more. ${made.refused.message}`
          : `${back}: left as it is, it was changed elsewhere since`;
      }
      record(made.document, move(history, made.batch, Date.now()));
      return left > 0 ? `${back}; what was changed elsewhere since is left` : back;
    }

    function takeUp({ own, offers, stranded }: Recalled) {
      set({ offers, stranded });
      if (!own) return;
      set({
        document: own.document,
        acknowledged: own.stored.document,
        revision: own.stored.revision,
        history: own.history,
      });
      remember({ put: own.adopted ? wholeHistory(own.history) : [], drop: own.drop });
      if (own.history.pending.length === 0) return;
      if (own.movedOn) return openConflict(own.stored, 'before');
      set({ save: { kind: 'waiting' } });
      schedule(0);
    }

    return {
      document: initial.document,
      acknowledged: initial.document,
      revision: initial.revision,
      history: { ...emptyHistory, seq: Date.now() },
      save: { kind: 'saved' },
      refusals: [],
      offers: [],
      stranded: null,
      journalKept: true,
      beforeDrag: null,
      change: (label, change) => {
        const commands = change(get().document);
        return commands.length ? enter(label, commands) : null;
      },
      preview: (change) => {
        dragged = change;
        const before = get().beforeDrag ?? get().document;
        const made = makeBatch(before, '', '', change);
        set({ document: made?.document ?? before, beforeDrag: before });
      },
      settle: (label) => {
        const { beforeDrag } = get();
        if (!beforeDrag || !dragged) return null;
        const commands = dragged(beforeDrag);
        dragged = null;
        set({ document: beforeDrag, beforeDrag: null });
        return commands.length ? enter(label, commands) : null;
      },
      abandon: () => {
        const { beforeDrag } = get();
        if (beforeDrag) set({ document: beforeDrag, beforeDrag: null });
      },
      undo: () => step('past'),
      redo: () => step('future'),
      dismiss: (refusal) =>
        set(({ refusals }) => ({ refusals: refusals.filter((each) => each.id !== refusal) })),
      recall: async () => {
        if (recalled) return;
        recalled = true;
        const found = recallJournals(initial, () => get().history.pending.length === 0);
        // Nothing is written before what is there has been read.
        writing = writing.then(() => found);
        takeUp(await found);
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
        const { save, history, document } = get();
        if (save.kind !== 'conflict') return;
        const batches = history.pending.map(({ batch }) => batch);
        const merged = mergeBatches(batches, save.newer.document, choices, document);
        if (merged.clashes.length) return set({ save: { ...save, clashes: merged.clashes } });
        const fitted = new Map(merged.batches.map((batch) => [batch.id, batch]));
        const refit = (moves: readonly Move[]) =>
          moves.flatMap((move): Move[] => {
            if (!history.pending.includes(move)) return [move];
            const batch = fitted.get(move.batch.id);
            return batch ? [{ ...move, batch }] : [];
          });
        const next = {
          past: refit(history.past),
          future: refit(history.future),
          pending: refit(history.pending),
          seq: history.seq,
        };
        const kept = new Set(wholeHistory(next).map(({ move }) => move.seq));
        const changed = new Set(history.pending.map(({ seq }) => seq));
        const { document: newer, revision } = save.newer;
        set({
          document: merged.document,
          acknowledged: newer,
          revision,
          history: next,
          save: { kind: next.pending.length ? 'waiting' : 'saved' },
        });
        remember({
          put: wholeHistory(next).filter(({ move }) => changed.has(move.seq)),
          drop: [...changed].filter((seq) => !kept.has(seq)),
        });
        schedule(0);
      },
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
  });
}

export type ProductionStore = ReturnType<typeof createProductionStore>;
