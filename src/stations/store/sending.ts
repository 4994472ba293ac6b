import { applyBatches, mergeBatches } from '@/core/document/edit';
import { settled, type Move } from './history';
import type { Keeping } from './keeping';
import { sendEdits, type Newer, type RefusedEdit } from './saving';
import type { Initial, Place, Refusal } from './state';

const RETRY_MS = 2000;
/** Where the door is shut, which nobody opens within seconds. */
const SHUT_RETRY_MS = 60_000;
/** Long before a silent server is given up, it is said that it is silent. */
const SLOW_MS = 8000;
/** Edits in one request, well under what the server takes. */
const MOST_SENT = 100;
const MOST_SENT_CHARS = 1_500_000;

/** The first of the unsent that go together in one request. */
function firstOf(pending: readonly Move[], most: number): Move[] {
  const sent: Move[] = [];
  let chars = 0;
  for (const move of pending.slice(0, most)) {
    chars += JSON.stringify([move.batch.commands, move.batch.inverse]).length;
    if (sent.length > 0 && chars > MOST_SENT_CHARS) break;
    sent.push(move);
  }
  return sent;
}

/** The earlier of two times stands: who types without a pause is kept all the same. */
function timerOf(ring: () => void) {
  let timer: { at: number; handle: ReturnType<typeof setTimeout> } | null = null;
  return (delayMs: number) => {
    const at = Date.now() + delayMs;
    if (timer && timer.at <= at) return;
    if (timer) clearTimeout(timer.handle);
    timer = {
      at,
      handle: setTimeout(() => {
        timer = null;
        ring();
      }, delayMs),
    };
  };
}

/** What the answer to some sent moves leaves: the document, the lists, and what was refused with its label. */
function answered(
  { acknowledged: before, history, document }: ReturnType<Place['get']>,
  sent: readonly Move[],
  refused: readonly RefusedEdit[],
) {
  const bad = new Set(refused.map((edit) => edit.id));
  const good = sent.map(({ batch }) => batch).filter((batch) => !bad.has(batch.id));
  const acknowledged = applyBatches(before, good).document;
  const seqs = new Set(sent.map(({ seq }) => seq));
  const rest = history.pending.filter(({ seq }) => !seqs.has(seq));
  const again = applyBatches(
    acknowledged,
    rest.map(({ batch }) => batch),
  );
  // What stood on a refused edit falls with it.
  for (const { batch } of again.refused) {
    bad.add(batch.id);
    for (const move of rest) if (move.batch.id === batch.id) seqs.add(move.seq);
  }
  const labelOf = (edit: RefusedEdit) =>
    sent.find(({ batch }) => batch.id === edit.id)?.batch.label ?? '';
  return {
    acknowledged,
    done: settled(history, seqs, bad),
    document: bad.size > 0 ? again.document : document,
    told: [
      ...refused.map((edit) => ({ label: labelOf(edit), message: edit.message, at: edit.at })),
      ...again.refused.map(({ batch, message }) => ({ label: batch.label, message, at: null })),
    ],
  };
}

/** Sends what is pending, batch after batch, and takes in what the store answers. */
export function sendingOf(
  { id, set, get }: Place,
  { window, remember }: Keeping,
  tell: (refusal: Omit<Refusal, 'id'>) => string,
  /** a state of the store with others' changes in it */
  takeIn: (newer: Newer) => void,
) {
  let sending = false;
  /** edits in one request; one by one while it is not known which of them is at fault */
  let most = MOST_SENT;
  const schedule = timerOf(() => void flush());

  async function flush() {
    const { revision, acknowledged, history, save } = get();
    if (sending || history.pending.length === 0 || save.kind === 'conflict') return;
    sending = true;
    const sent = firstOf(history.pending, most);
    const batches = sent.map(({ batch }) => batch);
    const slow = setTimeout(() => {
      if (get().save.kind === 'waiting')
        set({ save: { kind: 'unanswered', message: 'The server takes long to answer.' } });
    }, SLOW_MS);
    const outcome = await sendEdits(
      id,
      await window(),
      { revision, document: acknowledged },
      batches,
    );
    clearTimeout(slow);
    sending = false;
    if (outcome.kind === 'saved') {
      acknowledge(outcome.revision, sent, outcome.refused, outcome.newer !== null);
      if (outcome.newer) takeIn(outcome.newer);
    } else if (outcome.kind === 'stale') openConflict(outcome.newer, 'here');
    else if (outcome.kind === 'rejected') reject(sent, outcome.message);
    else {
      set({ save: { kind: 'unanswered', message: outcome.message } });
      schedule(outcome.shut ? SHUT_RETRY_MS : RETRY_MS);
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

  function acknowledge(
    revision: number,
    sent: readonly Move[],
    refused: readonly RefusedEdit[],
    more = false,
  ) {
    const state = get();
    const { acknowledged, done, document, told } = answered(state, sent, refused);
    const pending = done.history.pending.length > 0;
    const save = state.save.kind === 'conflict' ? state.save : null;
    set({
      revision,
      acknowledged,
      document,
      history: done.history,
      save: save ?? { kind: pending ? 'waiting' : 'saved' },
    });
    told.forEach(tell);
    if (!pending) most = MOST_SENT;
    remember(done);
    if (pending && !more) schedule(0);
  }

  function openConflict(newer: Initial, from: 'here' | 'before') {
    const { history, document } = get();
    const batches = history.pending.map(({ batch }) => batch);
    const { clashes } = mergeBatches(batches, newer.document, {}, document);
    set({ save: { kind: 'conflict', newer, clashes, from } });
  }

  return { schedule, openConflict, isSending: () => sending };
}
export type Sending = ReturnType<typeof sendingOf>;
