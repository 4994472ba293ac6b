'use client';
import type { Making } from '@/core/document/making';
import { minutesText, type StepNow } from '@/core/evaluate/makingState';
import { Stages } from '../records/Stages';
import type { InMaking } from './MakeStation';
import type { Copy } from './useMaking';

/** Every step in its order with its box, what it took, and what keeps it shut; printed as a sheet for the bench. */
export default function StepsSheet({ now, making, copies, bench, build }: InMaking) {
  const { steps, gone, doneMin, leftMin } = now;
  const toggle = (of: Making, shown: StepNow) =>
    void (shown.state === 'done'
      ? bench.untick(of, shown.step.id, shown.step.title)
      : bench.tick(of, shown));
  return (
    <section>
      <h2 className="text-lg">
        {making.name}: {steps.filter(({ state }) => state === 'done').length} of {steps.length}{' '}
        done, {minutesText(doneMin)} of {minutesText(doneMin + leftMin)}
      </h2>
      {copies.length > 1 && (
        <p className="text-[13px] text-ink-soft">
          A box for each copy: mark all, cut all, wire all; what is said of a step is said of copy{' '}
          {making.copy}.
        </p>
      )}
      <Stages steps={steps} stageOf={({ step }) => step.stage}>
        {(own) => (
          <ul className="space-y-1.5">
            {own.map((shown) => (
              <Row key={shown.step.id} shown={shown} copies={copies} onToggle={toggle} />
            ))}
          </ul>
        )}
      </Stages>
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

interface RowProps {
  /** of the copy that lies on the bench */
  shown: StepNow;
  copies: readonly Copy[];
  onToggle: (of: Making, shown: StepNow) => void;
}

function Row({ shown, copies, onToggle }: RowProps) {
  const { step, state, tick, missing } = shown;
  return (
    <li data-step={step.id} data-state={state} className="flex gap-3">
      <span className="flex shrink-0 gap-2">
        {copies.map(({ making, now }) => {
          const own = now.steps.find((each) => each.step.id === step.id)!;
          return (
            <label key={making.id} className="grid justify-items-center text-[11px]">
              <input
                type="checkbox"
                className="mt-1 h-4 w-4 accent-brass"
                aria-label={copies.length > 1 ? `${step.title}, copy ${making.copy}` : step.title}
                checked={own.state === 'done'}
                disabled={own.state !== 'done' && own.missing.length > 0}
                onChange={() => onToggle(making, own)}
              />
              {copies.length > 1 && making.copy}
            </label>
          );
        })}
      </span>
      <div>
        <strong>{step.title}</strong>{' '}
        <span className="figure text-[13px] text-ink-soft">
          {minutesText(step.minutes)}
          {step.waitMinutes > 0 && ` + ${minutesText(step.waitMinutes)} waiting`}
          {tick?.minutes != null && `, took ${minutesText(tick.minutes)}`}
        </span>
        <span className="block text-[13.5px]">Check: {step.check}.</span>
        {state === 'again' && (
          <p className="text-[13.5px] text-look">
            Done, but for something that has changed: look again.
          </p>
        )}
        {state !== 'done' && missing.length > 0 && (
          <p className="no-print text-[13px] text-ink-soft">Not yet. {missing.join(' ')}</p>
        )}
      </div>
    </li>
  );
}
