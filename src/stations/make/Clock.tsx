'use client';
import { minutesText, paceOf, type StepNow } from '@/core/evaluate/makingState';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useDevice } from '@/ui/device';
import { useProduction } from '../store/context';
import { HandField } from './HandField';
import type { InMaking } from './MakeStation';

/** Planned, taken and waiting; whose hands; how fast this bench is. */
export function Clock({ at: { now, making, bench }, shown }: { at: InMaking; shown: StepNow }) {
  const { units } = useDevice();
  const makings = useProduction((state) => state.document.makings);
  const { step, tick, wait } = shown;
  const pace = paceOf(makings);
  const running = now.steps.filter(({ wait: own }) => own !== null && own.leftMin > 0);
  return (
    <section aria-label="Clock" className="text-[14px] max-lg:order-3">
      <h2 className="text-base">Clock</h2>
      <dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1">
        <dt>Planned</dt>
        <dd className="figure text-right">{minutesText(step.minutes)}</dd>
        {pace !== null && (
          <>
            <dt>At your pace, {pace.toFixed(1)} ×</dt>
            <dd className="figure text-right">{minutesText(step.minutes * pace)}</dd>
          </>
        )}
        {step.waitMinutes > 0 && (
          <>
            <dt>Waiting</dt>
            <dd className="figure text-right">{minutesText(step.waitMinutes)}</dd>
          </>
        )}
        <dt>Left in all</dt>
        <dd className="figure text-right">{minutesText(now.leftMin)}</dd>
      </dl>
      {step.stage === 'warm' && step.waitMinutes > 0 && !tick && (
        <button
          type="button"
          className="press mt-2 w-full"
          onClick={() => void bench.startClock(making, shown)}
        >
          {wait ? 'Begin its clock again' : `Start ${minutesText(step.waitMinutes)}`}
        </button>
      )}
      {tick && (
        <div className="mt-2">
          <QuantityField
            label="Taken, min"
            value={tick.minutes}
            dimension="count"
            assumedUnit=""
            step={1}
            system={units}
            min={0}
            max={100_000}
            emptyText="not timed"
            onCommit={(minutes) => void bench.minutes(making, step.id, minutes)}
          />
          <p className="mt-1 text-ink-soft">
            {tick.by && `${tick.by}, `}
            {new Date(tick.at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
          </p>
        </div>
      )}
      {running.length > 0 && (
        <ul className="mt-3 space-y-1 border-t border-line pt-2" aria-label="Waiting">
          {running.map(({ step: other, wait: own }) => (
            <li key={other.id} data-waiting={other.id}>
              <span className="figure">{minutesText(own!.leftMin)}</span> {other.title}
              {own!.setBack && (
                <span className="block text-look">
                  The clock here was set back: it counts from now.
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 border-t border-line pt-2">
        <HandField />
      </div>
    </section>
  );
}
