import type { WorkedOut } from '@/core/evaluate/readouts';
import { minutesText } from '@/core/evaluate/makingState';

interface BeginProps {
  readouts: WorkedOut;
  copy: number;
  copies: number;
  onBegin: (copy: number) => void;
}

/** Before the first piece is on the bench. */
export function Begin({ readouts, copy, copies, onBegin }: BeginProps) {
  const { steps } = readouts;
  const sum = (of: 'minutes' | 'waitMinutes') => steps.reduce((all, step) => all + step[of], 0);
  const stops = readouts.findings.filter(({ severity }) => severity === 'stop');
  return (
    <div className="mx-auto max-w-2xl p-6">
      <h2 className="text-2xl">Nothing is on the bench yet</h2>
      <p className="mt-3">
        {steps.length} steps, about {minutesText(sum('minutes'))} of work
        {sum('waitMinutes') > 0 && ` and ${minutesText(sum('waitMinutes'))} of waiting`}. One at a
        time is shown, with what it needs; what is ticked, read and photographed is kept with the
        light.
      </p>
      <p className="mt-3">
        In <em>Night Ferry</em> the ring was made on two evenings: on the second a row stayed dark,
        and four tests later it was the joint at lamp 9.
      </p>
      {stops.length > 0 && (
        <p role="alert" className="mt-3 bg-stop-wash p-2 text-sm">
          A stop is open ({stops.map(({ title }) => title).join('; ')}): it can be begun, and will
          not be switched on like this.
        </p>
      )}
      <p className="mt-5">
        <button type="button" className="press press-main" onClick={() => onBegin(copy)}>
          {copies > 1 ? `Begin making copy ${copy}` : 'Begin making it'}
        </button>
      </p>
    </div>
  );
}
