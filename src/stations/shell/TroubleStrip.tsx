'use client';
import { useStore } from 'zustand';
import { troubles } from './troubles';

/** What could not be worked out, and a way to ask again. Nothing fails in silence. */
export function TroubleStrip() {
  const list = useStore(troubles, (state) => state.list);
  if (list.length === 0) return null;
  return (
    <div
      role="alert"
      className="no-print fixed right-4 bottom-4 z-30 max-w-md border border-line-strong bg-stop-wash p-3 text-sm shadow-lg"
    >
      {list.map(({ id, message, meaning, again }) => (
        <p key={id} data-trouble className="flex flex-wrap items-baseline gap-x-3">
          <span>
            {meaning} {message}
          </span>
          <button
            type="button"
            className="underline"
            onClick={() => {
              troubles.getState().settle(id);
              again();
            }}
          >
            Ask again
          </button>
          <button
            type="button"
            className="underline"
            onClick={() => troubles.getState().settle(id)}
          >
            Put away
          </button>
        </p>
      ))}
    </div>
  );
}
