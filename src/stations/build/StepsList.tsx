import { TriangleAlert } from 'lucide-react';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { STAGES } from '@/core/build/step';

/** The order of work, stage by stage: what, why, with what, how long, what to check, what can hurt. */
export default function StepsList({ readouts }: { readouts: WorkedOut }) {
  const { steps, findings, pieces } = readouts;
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  const waiting = steps.reduce((sum, step) => sum + step.waitMinutes, 0);
  const stops = findings.filter(({ severity }) => severity === 'stop');
  const nameOf = (id: string) => pieces.find((piece) => piece.id === id)?.name ?? id;
  return (
    <section>
      <h2 className="text-lg">
        {steps.length} steps, about {hours(minutes)}
        {waiting > 0 && `, and ${hours(waiting)} of waiting`}
      </h2>
      {stops.length > 0 && (
        <p role="alert" className="my-2 bg-stop-wash p-2 text-sm">
          Do not power it up while a stop is open: {stops.map(({ title }) => title).join('; ')}.
        </p>
      )}
      {STAGES.map((stage) => {
        const own = steps.filter((step) => step.stage === stage);
        if (own.length === 0) return null;
        return (
          <div
            key={stage}
            className="grid grid-cols-[104px_minmax(0,1fr)] gap-x-4 border-t border-line py-2 max-md:grid-cols-1"
          >
            <h3 className="font-display text-[15px] text-ink-soft first-letter:uppercase">
              {stage}
            </h3>
            <ol className="list-decimal space-y-2 pl-6 text-sm" start={steps.indexOf(own[0]!) + 1}>
              {own.map((step) => (
                <li key={step.id} data-step={step.id}>
                  <strong>{step.title}</strong>{' '}
                  <span className="figure text-ink-soft">
                    {step.minutes} min
                    {step.waitMinutes > 0 && ` + ${hours(step.waitMinutes)} waiting`}
                  </span>
                  <span className="block text-ink-soft">
                    {step.why}. With: {step.tools.join(', ')}.
                    {step.pieces.length > 0 && ` Pieces: ${step.pieces.map(nameOf).join(', ')}.`}
                  </span>
                  <span className="block">Check: {step.check}.</span>
                  {step.hazards.map((hazard) => (
                    <span key={hazard} className="flex gap-1.5 text-look">
                      <TriangleAlert size={16} aria-hidden className="mt-0.5 shrink-0" />
                      <span>
                        <span className="sr-only">Caution: </span>
                        {hazard}
                      </span>
                    </span>
                  ))}
                </li>
              ))}
            </ol>
          </div>
        );
      })}
    </section>
  );
}

const hours = (minutes: number): string =>
  minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
