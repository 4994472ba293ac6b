'use client';
import { STATIONS } from './stations';
import { useWorkplace } from './useWorkplace';

/** What the stations are, in one strip: a folding rule laid flat, one segment each. */
export function StationsStrip() {
  const { station } = useWorkplace();
  return (
    <ol
      aria-label="What the stations are"
      className="no-print grid grid-cols-7 gap-px border border-line bg-line max-md:grid-cols-2"
    >
      {STATIONS.map(({ id, name, question }) => (
        <li
          key={id}
          className={`bg-raised px-2 py-2 ${id === station ? 'shadow-[inset_0_-3px_0_var(--brass)]' : ''}`}
        >
          <span className="block font-display text-[15px] font-semibold">{name}</span>
          <span className="block text-[12.5px] leading-tight text-ink-soft">{question}</span>
        </li>
      ))}
    </ol>
  );
}
