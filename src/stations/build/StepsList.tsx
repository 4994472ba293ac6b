import type { WorkedOut } from '@/core/evaluate/readouts';
import { Hazard } from '../records/Hazard';
import { Stages } from '../records/Stages';

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
      <Stages steps={steps} stageOf={({ stage }) => stage}>
        {(own) => (
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
                  <Hazard key={hazard} words={hazard} />
                ))}
              </li>
            ))}
          </ol>
        )}
      </Stages>
    </section>
  );
}

const hours = (minutes: number): string =>
  minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
