'use client';
import { lazyPanel } from '@/ui/lazyPanel';
import { useProduction, useProductionStore } from '../store/context';
import { placeOf } from './placeOf';
import { useWorkplace } from './useWorkplace';

const ConflictDialog = lazyPanel(() => import('./ConflictDialog'));
const OffersDialog = lazyPanel(() => import('./OffersDialog'));

const WORDS = {
  saved: 'Kept',
  waiting: 'Keeping…',
  unanswered: 'Not kept yet',
  refused: 'Not taken',
  conflict: 'Changed elsewhere',
};

/** Where your work is: kept, on its way, or why not. Nothing asks to be saved. */
export function SaveMark() {
  const save = useProduction((state) => state.save);
  const refused = useProduction((state) => state.refusals.length > 0);
  const offered = useProduction((state) => state.offers.length > 0 || state.stranded !== null);
  const journalKept = useProduction((state) => state.journalKept);
  const state = refused && save.kind === 'saved' ? 'refused' : save.kind;
  const bad = state !== 'saved' && state !== 'waiting';
  return (
    <>
      <span
        role="status"
        data-save={state}
        className={`text-[13px] whitespace-nowrap ${bad ? 'font-semibold text-stop' : 'text-ink-soft'}`}
      >
        {WORDS[state]}
      </span>
      {save.kind === 'unanswered' && (
        <Strip>
          {save.message}{' '}
          {journalKept
            ? 'Your changes are kept in this browser and are sent again every two seconds.'
            : 'This browser keeps nothing (its storage is full or shut): leave this page open until they are kept. They are sent again every two seconds.'}
        </Strip>
      )}
      {refused && save.kind !== 'unanswered' && <Refusals />}
      {save.kind === 'conflict' && <ConflictDialog />}
      {save.kind !== 'conflict' && offered && <OffersDialog />}
    </>
  );
}

/** What was not taken, each with the place it was made. */
function Refusals() {
  const store = useProductionStore();
  const refusals = useProduction((state) => state.refusals);
  const document = useProduction((state) => state.document);
  const { goTo } = useWorkplace();
  return (
    <Strip>
      <ul className="grid gap-1">
        {refusals.map(({ id, label, message, at }) => {
          const place = at && placeOf(document, at);
          return (
            <li key={id} data-refusal className="flex flex-wrap items-baseline gap-x-3">
              <span>
                Not taken: {label}. {message} The rest stands.
              </span>
              {place && (
                <button
                  type="button"
                  className="underline"
                  onClick={() => goTo(place.station, place)}
                >
                  Show me
                </button>
              )}
              <button
                type="button"
                className="underline"
                onClick={() => store.getState().dismiss(id)}
              >
                Put away<span className="sr-only">: {label}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </Strip>
  );
}

function Strip({ children }: { children: React.ReactNode }) {
  return (
    <div
      role="alert"
      className="no-print fixed inset-x-0 bottom-0 z-30 bg-stop-wash px-6 py-2 text-sm"
    >
      {children}
    </div>
  );
}
