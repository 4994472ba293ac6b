import { applyBatches, mergeBatches } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import { tooOld, type History, type Move } from './history';
import { dropJournal, readJournals, wholeHistory, writeJournal, type Journal } from './journal';
import { legacyChanges } from './legacy';
import { fetchSince } from './saving';
import type { Initial, Offer, Stranded } from './state';
import { openWindows, windowName } from './window';

/** This window's own work, found again. */
export interface Own {
  stored: Initial;
  /** the stored document with what was not acknowledged on top, as far as it goes */
  document: Production;
  history: History;
  /** others have saved since: the user chooses */
  movedOn: boolean;
  /** it was another window's, which is closed */
  adopted: boolean;
  /** entries of the journal that are settled by now */
  drop: number[];
}

export interface Recalled {
  own: Own | null;
  offers: Offer[];
  stranded: Stranded | null;
}

const newest = (journals: readonly Journal[]): Journal | undefined =>
  journals.toSorted((a, b) => b.head.at - a.head.at)[0];

/**
 * Reads what this browser remembers of a production: this window's own journal or, in a new window,
 * that of the one closed last; and what other closed windows left unsent.
 * @param untouched whether nothing was done here
 *   meanwhile; if there was, the own journal is offered like that of a closed window
 */
export async function recallJournals(
  initial: Initial,
  untouched: () => boolean,
): Promise<Recalled> {
  const production = initial.document.id;
  const [window, journals, open] = await Promise.all([
    windowName(),
    readJournals(production),
    openWindows(),
  ]);
  const closed = journals.filter(({ head }) => head.window !== window && !open?.has(head.window));
  const mine = journals.find(({ head }) => head.window === window);
  const journal = mine ?? newest(closed);
  const own = journal ? await recallOwn(initial, window, journal, mine === undefined) : null;
  const used = own && untouched() ? journal : undefined;
  if (mine && !used) await setAside(mine);
  else if (own?.adopted && used) await dropJournal(used.head);
  const offers: Offer[] = [];
  const others = closed.filter((other) => other !== used);
  for (const each of mine && !used ? [...others, aside(mine)] : others) {
    const offer = await offerOf(initial, each);
    if (offer) offers.push(offer);
    else await dropJournal(each.head);
  }
  const legacy = await legacyChanges(initial);
  if (legacy?.offer) offers.push(legacy.offer);
  const stranded = legacy?.stranded ?? null;
  return { own: used ? own : null, offers, stranded };
}

const aside = (journal: Journal): Journal => ({
  ...journal,
  head: { ...journal.head, window: `${journal.head.window}-before` },
});

/** Moves a journal out of the way of what this window is writing now. */
async function setAside(journal: Journal): Promise<void> {
  await writeJournal(aside(journal).head, { put: wholeHistory(journal.history), drop: [] });
  await dropJournal(journal.head);
}

const young = (moves: readonly Move[]) => moves.filter((move) => !tooOld(move, Date.now()));

async function recallOwn(
  initial: Initial,
  window: string,
  { head, history }: Journal,
  adopted: boolean,
): Promise<Own | null> {
  const { pending } = history;
  const kept = { ...history, past: young(history.past), future: young(history.future) };
  if (pending.length === 0) {
    // A page left while its save was under way may be handed the state from before that save.
    const late = head.revision > initial.revision;
    const stored = late
      ? ((await fetchSince(initial.document.id, head.window, head.revision, [])) ?? initial)
      : initial;
    const { document, revision } = stored;
    const history = { ...kept, pending: [] };
    const fresh = { document, revision };
    return { stored: fresh, document, history, movedOn: false, adopted, drop: [] };
  }
  const ids = pending.map(({ batch }) => batch.id);
  const answer = await fetchSince(initial.document.id, head.window, head.revision, ids);
  // A server that is silent is asked again when the moves are sent; it knows which it has.
  const since = answer ?? {
    ...initial,
    taken: [],
    movedOn: head.revision !== initial.revision,
  };
  const taken = new Set(since.taken);
  const unsent = pending.filter(({ batch }) => !taken.has(batch.id));
  const stored = { document: since.document, revision: since.revision };
  const batches = unsent.map(({ batch }) => batch);
  return {
    stored,
    // Until somebody has chosen, what touches stands as it is stored.
    document: since.movedOn
      ? mergeBatches(batches, since.document).document
      : applyBatches(since.document, batches).document,
    history: { ...kept, pending: unsent },
    movedOn: since.movedOn && unsent.length > 0,
    adopted,
    drop: pending
      .filter((move) => !unsent.includes(move) && !listed(kept, move))
      .map(({ seq }) => seq),
  };
}

const listed = ({ past, future }: History, move: Move): boolean =>
  [...past, ...future].some(({ seq }) => seq === move.seq);

/** What a closed window left unsent, if the store has not got it after all. */
async function offerOf(initial: Initial, { head, history }: Journal): Promise<Offer | null> {
  if (history.pending.length === 0) return null;
  const ids = history.pending.map(({ batch }) => batch.id);
  const since = await fetchSince(initial.document.id, head.window, head.revision, ids);
  const taken = new Set(since?.taken ?? []);
  const moves = history.pending.filter(({ batch }) => !taken.has(batch.id));
  return moves.length ? { window: head.window, at: head.at, moves, clashes: [] } : null;
}
