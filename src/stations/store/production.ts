import { nanoid } from 'nanoid';
import { createStore } from 'zustand';
import { emptyHistory } from './history';
import { wholeHistory } from './journal';
import { keepingOf, type Keeping } from './keeping';
import { meetingOf, offersOf } from './meeting';
import { draggingOf, movingOf } from './moving';
import { recallJournals, type Recalled } from './recalling';
import { fetchNewer } from './saving';
import { sendingOf, type Sending } from './sending';
import type { Initial, Place, ProductionState, Refusal } from './state';

export type { Initial, Offer, ProductionState, Refusal, SaveState } from './state';

/** What a window knows before anything has happened in it. */
const beginning = ({ document, revision, device }: Initial) => ({
  device: device ?? null,
  document,
  acknowledged: document,
  revision,
  history: { ...emptyHistory, seq: Date.now() },
  save: { kind: 'saved' } as const,
  refusals: [],
  offers: [],
  stranded: null,
  journalKept: true,
  beforeDrag: null,
});

/** Says once what could not be done under a label. */
const tellingOf =
  ({ set, get }: Place) =>
  (refusal: Omit<Refusal, 'id'>): string => {
    const others = get().refusals.filter(({ label }) => label !== refusal.label);
    set({ refusals: [...others, { ...refusal, id: nanoid(6) }] });
    return refusal.message;
  };

/** Takes up what this browser remembers of the production: once, however often it is asked for. */
function recallingOf(
  initial: Initial,
  { set, get }: Place,
  { remember, waitFor }: Keeping,
  { schedule, openConflict }: Sending,
): ProductionState['recall'] {
  let recalled: Promise<void> | null = null;
  const takeUp = ({ own, offers, stranded }: Recalled) => {
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
  };
  return () => {
    if (recalled) return recalled;
    const found = recallJournals(initial, () => get().history.pending.length === 0);
    // Nothing is written before what is there has been read.
    waitFor(found);
    recalled = found.then(takeUp);
    return recalled;
  };
}

export function createProductionStore(initial: Initial) {
  return createStore<ProductionState>()((set, get) => {
    const place: Place = { id: initial.document.id, set, get };
    const tell = tellingOf(place);
    const keeping = keepingOf(place);
    const sending = sendingOf(place, keeping, tell, (newer) => takeIn(newer));
    const { takeIn, ...meeting } = meetingOf(place, keeping, sending);
    const moving = movingOf(place, keeping, sending, tell);
    return {
      ...beginning(initial),
      ...draggingOf(place, moving),
      ...meeting,
      ...offersOf(place, moving),
      change: (label, change) => moving.enter(label, change(get().document)),
      undo: () => moving.step('past'),
      redo: () => moving.step('future'),
      follow: async () => {
        const busy = () => sending.isSending() || get().beforeDrag !== null;
        if (busy()) return;
        const { revision, acknowledged } = get();
        const newer = await fetchNewer(place.id, { revision, document: acknowledged });
        if (newer && newer.revision > get().revision && !busy()) takeIn(newer);
      },
      dismiss: (refusal) =>
        set(({ refusals }) => ({ refusals: refusals.filter((each) => each.id !== refusal) })),
      recall: recallingOf(initial, place, keeping, sending),
    };
  });
}

export type ProductionStore = ReturnType<typeof createProductionStore>;
