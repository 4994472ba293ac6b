'use client';
import { lazyPanel } from '@/ui/lazyPanel';
import { memo, useState } from 'react';
import type { Readout } from '@/core/evaluate/readout';
import { showText } from '@/core/quantity';
import { clamp } from '@/core/tolerance';
import { useDevice } from '@/ui/device';
import { Explained } from '@/ui/Explained';
import { SeverityMark, severityWord } from '@/ui/Severity';
import { useProduction } from '../store/context';
import { MarksLine, marksText } from './MarksLine';
import { shown, shownReadout, type Writing } from './showReadout';
import { useRungMarks, type RungMarks } from './useRungMarks';
import { useWorkplace } from './useWorkplace';

const WorkingDialog = lazyPanel(() => import('./WorkingDialog'));

/** The nine rungs, always in this order; pressing one opens how it was worked out. */
export function Ladder() {
  const { build, readouts } = useWorkplace();
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  const [open, setOpen] = useState<Readout['id'] | null>(null);
  const rungs = readouts?.rungs ?? [];
  const marks = useRungMarks();
  return (
    <section aria-label="Ladder" className="flex h-full min-h-0 flex-col bg-sheet">
      <p className="truncate border-b border-line px-4 py-2 text-[13px] text-ink-soft max-md:hidden">
        {build ? (
          <>
            Readouts of <strong className="text-ink">{build.name}</strong>
          </>
        ) : (
          'No build yet'
        )}
      </p>
      {rungs.length === 0 && (
        <p className="px-4 py-3 text-ink-soft">
          {build
            ? 'This build’s form is not known here. It is kept untouched.'
            : 'Start a light from a shot, and what it gives, takes and costs appears on this ladder.'}
        </p>
      )}
      {/* The two uprights of a ladder, with the rungs between them. */}
      <ol className="relative mx-3 mb-2 flex min-h-0 flex-1 flex-col overflow-y-auto border-x-[3px] border-brass-bright/60 max-md:mx-0 max-md:mb-0 max-md:flex-row max-md:overflow-x-auto max-md:border-x-0">
        {rungs.map((readout) => (
          <li
            key={readout.id}
            className="flex flex-1 border-b-[3px] border-brass-bright/60 last:border-b-0 max-md:flex-none max-md:border-r max-md:border-b-0"
          >
            <Rung
              readout={readout}
              marks={marks[readout.id]}
              writing={{ system: units, currency }}
              onOpen={setOpen}
            />
          </li>
        ))}
      </ol>
      {open && <WorkingDialog rung={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

interface RungProps {
  readout: Readout;
  marks: RungMarks | undefined;
  writing: Writing;
  onOpen: (id: Readout['id']) => void;
}

const Rung = memo(function Rung({ readout, marks, writing, onOpen }: RungProps) {
  const { figure, unit } = shownReadout(readout, writing);
  const { second, target, state, words, label, id } = readout;
  return (
    <Explained term={label} side="left">
      <button
        type="button"
        onClick={() => onOpen(id)}
        aria-haspopup="dialog"
        data-rung={id}
        className="min-h-[64px] w-full min-w-0 px-3 py-1.5 text-left hover:bg-brass-wash/60 max-md:min-h-0 max-md:w-auto max-md:min-w-[104px] max-md:py-1"
      >
        <span className="flex items-baseline justify-between gap-2">
          <span className="text-[13px] font-semibold text-ink-soft">{label}</span>
          <SeverityMark severity={state} bare />
        </span>
        <span className="flex items-baseline gap-1.5 whitespace-nowrap">
          <span className="figure text-[21px] leading-tight font-medium" data-figure>
            {figure}
          </span>
          <span className="text-[13px]">{unit}</span>
          {second && (
            <span className="figure truncate pl-1 text-[13px] text-ink-soft max-md:hidden">
              / {showText(shown(second.value, second.dimension, writing))}
            </span>
          )}
          {readout.marginStops !== undefined && <Notch stops={readout.marginStops} />}
          {marks && <MarksLine readout={readout} marks={marks} />}
        </span>
        <span className="line-clamp-1 text-[12.5px] leading-tight text-ink-soft max-md:hidden">
          {/* What a meter said comes first: a line holds no more. */}
          {marks &&
            `${marks.corrected ? 'corrected · ' : ''}${marksText(readout, marks, writing)} · `}
          {words}
          {target &&
            id === 'light' &&
            ` · target ${showText(shown(target.value, target.dimension, writing))}`}
        </span>
        <span className="sr-only">{severityWord(state)}. Opens the working.</span>
      </button>
    </Explained>
  );
});

/** A bead on a wire: the tick in the middle is the target, one division a stop, three each way. */
function Notch({ stops }: { stops: number }) {
  const at = 40 + (clamp(stops, -3, 3) / 3) * 36;
  return (
    <svg viewBox="0 0 80 16" className="ml-auto h-4 w-20 max-md:hidden" aria-hidden>
      <path d="M2 8 H78" stroke="var(--line-strong)" strokeWidth="1.5" />
      {[-3, -2, -1, 1, 2, 3].map((stop) => (
        <path key={stop} d={`M${40 + stop * 12} 5 v6`} stroke="var(--line-strong)" />
      ))}
      <path d="M40 1 v14" stroke="var(--ink)" strokeWidth="2" />
      <circle cx={at} cy="8" r="4.5" fill="var(--brass-bright)" stroke="var(--ink)" />
    </svg>
  );
}
