import { useId } from 'react';
import { meaningOf } from '../glossary';

interface FieldFrameProps {
  label: string;
  /** a word about the value, such as where it comes from */
  mark?: string;
  help?: string;
  problem?: string | null;
  children: (ids: { id: string; describedBy: string | undefined }) => React.ReactNode;
}

/** Label above, message below: what is wrong is said where it is wrong. */
export function FieldFrame({ label, mark, help, problem, children }: FieldFrameProps) {
  const id = useId();
  const note = problem ?? help;
  const meaning = meaningOf(label);
  const described = [note && `${id}-note`, mark && `${id}-mark`, meaning && `${id}-meaning`]
    .filter(Boolean)
    .join(' ');
  return (
    <div className="group/frame relative min-w-0">
      <span className="flex items-baseline justify-between gap-2 text-[13px] text-ink-soft">
        <label
          htmlFor={id}
          className={`truncate ${meaning ? 'underline decoration-dotted underline-offset-2' : ''}`}
        >
          {label}
        </label>
        {mark && (
          <span id={`${id}-mark`} className="text-[11.5px] italic">
            {mark}
          </span>
        )}
      </span>
      {children({ id, describedBy: described || undefined })}
      {meaning && (
        <span
          id={`${id}-meaning`}
          role="tooltip"
          className="pointer-events-none absolute top-full left-0 z-50 mt-1 hidden w-64 border border-line-strong bg-raised px-3 py-2 text-[13px] leading-snug text-ink shadow-lg group-focus-within/frame:block group-has-[label:hover]/frame:block"
        >
          {meaning}
        </span>
      )}
      {note && (
        <p
          id={`${id}-note`}
          role={problem ? 'alert' : undefined}
          className={`mt-0.5 text-[12.5px] leading-tight ${problem ? 'font-semibold text-stop' : 'text-ink-soft'}`}
        >
          {note}
        </p>
      )}
    </div>
  );
}
