import { TriangleAlert } from 'lucide-react';
import type { WorkedOut } from '@/core/evaluate/readouts';

/** The order of work: what, why, with what, how long, what to check, and what can hurt. */
export default function StepsList({ readouts }: { readouts: WorkedOut }) {
  const { steps, findings } = readouts;
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  const stops = findings.filter(({ severity }) => severity === 'stop');
  return (
    <section>
      <h2 className="text-lg">
        {steps.length} steps, about {Math.floor(minutes / 60)} h {minutes % 60} min
      </h2>
      {stops.length > 0 && (
        <p role="alert" className="my-2 bg-stop-wash p-2 text-sm">
          Do not power it up while a stop is open: {stops.map(({ title }) => title).join('; ')}.
        </p>
      )}
      <ol className="mt-2 list-decimal space-y-2 pl-6 text-sm">
        {steps.map((step) => (
          <li key={step.title}>
            <strong>{step.title}</strong>{' '}
            <span className="figure text-ink-soft">{step.minutes} min</span>
            <span className="block text-ink-soft">
              {step.why}. With: {step.tool}.
            </span>
            <span className="block">Check: {step.check}.</span>
            {step.hazard && (
              <span className="flex gap-1.5 text-look">
                <TriangleAlert size={16} aria-hidden className="mt-0.5 shrink-0" />
                <span>
                  <span className="sr-only">Caution: </span>
                  {step.hazard}
                </span>
              </span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
