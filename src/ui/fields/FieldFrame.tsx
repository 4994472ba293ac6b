import { useId } from 'react';
import { Explained } from '../Explained';
import { meaningOf } from '../glossary';

interface FieldFrameProps {
  label: string;
  /** a word about the value, such as where it comes from */
  mark?: string;
  help?: string;
  problem?: string | null;
  /** stands in a sentence that says what it is: its label is only heard */
  bare?: boolean;
  children: (ids: { id: string; describedBy: string | undefined }) => React.ReactNode;
}

/** Label above, message below: what is wrong is said where it is wrong. */
export function FieldFrame({ label, mark, help, problem, bare, children }: FieldFrameProps) {
  const id = useId();
  const note = problem ?? help;
  const meaning = meaningOf(label);
  const described = [note && `${id}-note`, mark && `${id}-mark`, meaning && `${id}-meaning`]
    .filter(Boolean)
    .join(' ');
  if (bare)
    return (
      <span className="inline-block align-baseline">
        <label htmlFor={id} className="sr-only">
          {label}
        </label>
        {children({ id, describedBy: problem ? `${id}-note` : undefined })}
        {problem && (
          <span
            id={`${id}-note`}
            role="alert"
            className="block text-[12.5px] leading-tight font-semibold text-stop"
          >
            {problem}
          </span>
        )}
      </span>
    );
  return (
    <Explained term={label}>
      <div className="relative min-w-0">
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
          <span id={`${id}-meaning`} className="sr-only">
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
    </Explained>
  );
}
