import type { Session } from '@/core/meter/session';
import { layerResult, sweepResult } from '@/core/meter/working';
import { threeFigures } from '@/core/quantity';
import { useProduction } from '../store/context';

interface Row {
  id: string;
  name: string;
  /** what is compared, with its standard uncertainty */
  value: number;
  deviation: number;
  words: string;
}

function rowOf(session: Session): Row[] {
  const base = { id: session.id, name: session.name };
  if (session.kind === 'layer') {
    const found = layerResult(session);
    if (!found.ok) return [];
    const { tau, deviation, stops } = found.value;
    return [
      {
        ...base,
        value: tau,
        deviation,
        words: `${(100 * tau).toFixed(0)} %, ${stops.toFixed(2)} stops`,
      },
    ];
  }
  const found = sweepResult(session);
  if (!found.ok) return [];
  const { sweep, deviationLm } = found.value;
  return [
    {
      ...base,
      value: sweep.luminousFluxLm,
      deviation: deviationLm,
      words: `${threeFigures(sweep.luminousFluxLm)} lm, ${threeFigures(sweep.peakCd)} cd`,
    },
  ];
}

/** The same thing metered of others: the most first, each with twice its error. */
export function Beside({ session }: { session: Session }) {
  const sessions = useProduction(({ document }) => document.sessions);
  const rows = sessions
    .filter(({ kind }) => kind === session.kind)
    .flatMap(rowOf)
    .toSorted((a, b) => b.value - a.value);
  if (rows.length < 2) return null;
  const most = Math.max(...rows.map(({ value, deviation }) => value + 2 * deviation));
  return (
    <section aria-label="Beside the others" data-beside={rows.length} className="text-[13px]">
      <h3 className="text-[14.5px]">Beside the others</h3>
      <ul>
        {rows.map(({ id, name, value, deviation, words }) => (
          <li key={id} className={id === session.id ? 'font-semibold' : ''}>
            <span className="flex justify-between gap-2">
              <span className="min-w-0 truncate">{name}</span>
              <span className="figure shrink-0">{words}</span>
            </span>
            <svg
              viewBox="0 0 240 8"
              className="block h-2 w-full"
              preserveAspectRatio="none"
              aria-hidden
            >
              <rect
                width={(240 * value) / most}
                height="5"
                fill={id === session.id ? 'var(--brass)' : 'var(--line-strong)'}
              />
              <path
                d={`M${(240 * (value - 2 * deviation)) / most} 6.5 H${(240 * (value + 2 * deviation)) / most}`}
                stroke="var(--ink)"
                strokeWidth="1.5"
              />
            </svg>
          </li>
        ))}
      </ul>
    </section>
  );
}
