'use client';
import { STATIONS } from './stations';
import { useWorkplace } from './useWorkplace';

/** What the stations are, in one strip: a folding rule laid flat, one segment each. */
export function StationsStrip() {
  const { goTo, station } = useWorkplace();
  return (
    <nav aria-label="What the stations are" className="no-print">
      <ol className="grid grid-cols-7 gap-px border border-line bg-line max-md:grid-cols-2">
        {STATIONS.map(({ id, name, question }) => (
          <li key={id} className="bg-raised">
            <button
              type="button"
              className={`h-full w-full px-2 py-2 text-left hover:bg-brass-wash ${id === station ? 'shadow-[inset_0_-3px_0_var(--brass)]' : ''}`}
              onClick={() => goTo(id)}
            >
              <span className="block font-display text-[15px] font-semibold">{name}</span>
              <span className="block text-[12.5px] leading-tight text-ink-soft">{question}</span>
            </button>
          </li>
        ))}
      </ol>
    </nav>
  );
}
