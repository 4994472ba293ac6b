'use client';
import Link from 'next/link';
import { stationMarks, type Mark } from '@/core/evaluate/marks';
import { Jar } from '@/ui/Jar';
import { SeverityMark } from '@/ui/Severity';
import { useProduction } from '../store/context';
import { STATIONS } from './stations';
import { useWorkplace } from './useWorkplace';

/** A maker's folding rule stood on end: one segment a station, a brass joint at the current one. */
export function Rail({ onFindings }: { onFindings: () => void }) {
  const { station, goTo, build, shotId, readouts, findings, derivations } = useWorkplace();
  const document = useProduction((state) => state.document);
  const marks = stationMarks({
    document,
    build,
    readouts,
    findings,
    shotId,
    derive: derivations,
  });
  const stops = findings.filter(({ severity }) => severity === 'stop').length;
  const open = findings.filter(({ severity }) => severity !== 'ok').length;
  return (
    <nav
      aria-label="Stations"
      className="no-print flex h-full flex-col border-r border-line bg-paper max-md:h-auto max-md:flex-row max-md:border-r-0 max-md:border-t"
    >
      <Link
        href="/"
        className="grid h-[72px] shrink-0 place-items-center border-b border-line p-1.5 max-md:h-14 max-md:w-14 max-md:border-b-0"
        aria-label="Lantern Jar: all productions"
        title="All productions"
      >
        <Jar
          filled={readouts?.targetShare ?? 0}
          cctK={readouts?.cctK ?? null}
          cracked={stops > 0}
        />
      </Link>
      <ol className="flex min-w-0 flex-col max-md:flex-1 max-md:flex-row max-md:overflow-x-auto">
        {STATIONS.map(({ id, name, key, question }) => (
          <li key={id} className="max-md:flex-1 max-md:shrink-0">
            <button
              type="button"
              onClick={() => goTo(id)}
              aria-current={station === id ? 'page' : undefined}
              title={`${question} (${key})`}
              className={`relative block w-full border-b border-line py-3 pr-2 pl-5 text-left hover:bg-brass-wash max-md:border-b-0 max-md:px-1 max-md:py-2 max-md:text-center ${station === id ? 'bg-brass-wash' : ''}`}
            >
              <Ticks current={station === id} />
              <span className="font-display text-[15px] font-semibold max-md:whitespace-nowrap">
                {name}
              </span>
              <span className="block text-[12px] max-md:hidden">
                <StationMark mark={marks[id]} />
              </span>
            </button>
          </li>
        ))}
      </ol>
      <div className="flex-1 max-md:hidden" />
      <button
        type="button"
        onClick={onFindings}
        aria-haspopup="dialog"
        className={`shrink-0 border-t border-line px-3 py-3 text-left text-[13px] hover:bg-brass-wash max-md:border-t-0 max-md:py-2 ${stops ? 'bg-stop-wash' : ''}`}
      >
        <span className="block font-semibold">Findings</span>
        {stops > 0 && <SeverityMark severity="stop" />}
        <span className="block text-ink-soft">{open} open</span>
      </button>
    </nav>
  );
}

/** Ruler ticks along the segment's edge; the longest one marks where you are. */
function Ticks({ current }: { current: boolean }) {
  return (
    <svg
      viewBox="0 0 14 60"
      preserveAspectRatio="none"
      aria-hidden
      className="absolute inset-y-0 left-0 h-full w-3.5 max-md:hidden"
    >
      {[6, 14, 22, 30, 38, 46, 54].map((y) => (
        <path
          key={y}
          d={`M0 ${y} h${y === 30 ? 9 : 5}`}
          stroke="var(--line-strong)"
          strokeWidth="1"
        />
      ))}
      {current && <rect x="0" y="0" width="4" height="60" fill="var(--brass)" />}
    </svg>
  );
}

function StationMark({ mark }: { mark: Mark }) {
  if (mark === 'empty') return <span className="text-ink-soft">empty</span>;
  if (mark === 'started') return <span className="text-ink-soft">started</span>;
  return <SeverityMark severity={mark} />;
}
