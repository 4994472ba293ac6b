import { useId } from 'react';

interface FieldFrameProps {
  label: string;
  help?: string;
  problem?: string | null;
  children: (ids: { id: string; describedBy: string | undefined }) => React.ReactNode;
}

/** Label above, message below: what is wrong is said where it is wrong. */
export function FieldFrame({ label, help, problem, children }: FieldFrameProps) {
  const id = useId();
  const note = problem ?? help;
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="block truncate text-[13px] text-ink-soft">
        {label}
      </label>
      {children({ id, describedBy: note ? `${id}-note` : undefined })}
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
