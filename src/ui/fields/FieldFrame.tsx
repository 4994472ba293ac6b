import { useId } from 'react';

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
  const described = [note && `${id}-note`, mark && `${id}-mark`].filter(Boolean).join(' ');
  return (
    <div className="min-w-0">
      <span className="flex items-baseline justify-between gap-2 text-[13px] text-ink-soft">
        <label htmlFor={id} className="truncate">
          {label}
        </label>
        {mark && (
          <span id={`${id}-mark`} className="text-[11.5px] italic">
            {mark}
          </span>
        )}
      </span>
      {children({ id, describedBy: described || undefined })}
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
