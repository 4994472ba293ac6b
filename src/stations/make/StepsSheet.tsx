'use client';
import { STAGES } from '@/core/build/step';
import { minutesText, type StepNow } from '@/core/evaluate/makingState';
import type { InMaking } from './MakeStation';

/** Every step in its order with its box, what it took, and what keeps it shut; printed as a sheet for the bench. */
export default function StepsSheet({ now, making, bench, build }: InMaking) {
  const { steps, gone, doneMin, leftMin } = now;
  return (
    <section>
      <h2 className="text-lg">
        {making.name}: {steps.filter(({ state }) => state === 'done').length} of {steps.length}{' '}
        done, {minutesText(doneMin)} of {minutesText(doneMin + leftMin)}
      </h2>
      {STAGES.map((stage) => {
        const own = steps.filter(({ step }) => step.stage === stage);
        if (own.length === 0) return null;
        return (
          <div
            key={stage}
            className="grid grid-cols-[104px_minmax(0,1fr)] gap-x-4 border-t border-line py-2 max-md:grid-cols-1"
          >
            <h3 className="font-display text-[15px] text-ink-soft first-letter:uppercase">
              {stage}
            </h3>
            <ul className="space-y-1.5">
              {own.map((shown) => (
                <Row
                  key={shown.step.id}
                  shown={shown}
                  onTick={() =>
                    void (shown.tick && shown.state === 'done'
                      ? bench.untick(making, shown.step.id, shown.step.title)
                      : bench.tick(making, shown))
                  }
                />
              ))}
            </ul>
          </div>
        );
      })}
      {gone.length > 0 && (
        <section className="mt-4 border-t border-line pt-2">
          <h3 className="text-base">Done, and no longer in the plan of {build.name}</h3>
          <ul className="list-disc pl-5 text-sm">
            {gone.map(({ stepId, tick }) => (
              <li key={stepId} data-gone={stepId}>
                {tick.title}, {tick.at.slice(0, 10)}
              </li>
            ))}
          </ul>
        </section>
      )}
    </section>
  );
}

function Row({ shown, onTick }: { shown: StepNow; onTick: () => void }) {
  const { step, state, tick, missing } = shown;
  return (
    <li data-step={step.id} data-state={state}>
      <label className="flex gap-2">
        <input
          type="checkbox"
          className="mt-1 h-4 w-4 shrink-0 accent-brass"
          checked={state === 'done'}
          disabled={state !== 'done' && missing.length > 0}
          onChange={onTick}
        />
        <span>
          <strong>{step.title}</strong>{' '}
          <span className="figure text-[13px] text-ink-soft">
            {minutesText(step.minutes)}
            {step.waitMinutes > 0 && ` + ${minutesText(step.waitMinutes)} waiting`}
            {tick?.minutes != null && `, took ${minutesText(tick.minutes)}`}
          </span>
          <span className="block text-[13.5px]">Check: {step.check}.</span>
        </span>
      </label>
      {state === 'again' && (
        <p className="pl-6 text-[13.5px] text-look">
          Done, but for something that has changed: look again.
        </p>
      )}
      {state !== 'done' && missing.length > 0 && (
        <p className="no-print pl-6 text-[13px] text-ink-soft">Not yet. {missing.join(' ')}</p>
      )}
    </li>
  );
}
