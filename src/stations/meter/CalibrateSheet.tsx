'use client';
import { useState } from 'react';
import type { ProductionCalibration } from '@/core/evaluate/calibration';
import { show, showText, stopsFigure, threeFigures } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { useHand } from '../make/useHand';

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

/** Everything that was metered held against what was forecast, solved together; taken over by a press. */
export function CalibrateSheet() {
  const document = useProduction((state) => state.document);
  const edits = useEdits();
  const [by] = useHand();
  const { calibration } = document;
  const [simulated, setSimulated] = useState(calibration?.simulated ?? false);
  const { answer, busy } = useEngine(
    (engine) => engine.calibration({ ...document, calibration: null }, simulated),
    [document.sessions, document.shelf, document.builds, document.shots, simulated],
  );
  const adopt = (next: ProductionCalibration['calibration']) =>
    void edits.record(
      'production',
      document.id,
      next ? 'calibration' : 'calibration taken back',
      (draft) => {
        draft.calibration = next && {
          ...next,
          at: `${new Date().toISOString().slice(0, 19)}Z`,
          by,
        };
      },
    );
  return (
    <section
      aria-label="Calibrate"
      data-calibrate={answer ? (busy ? 'busy' : 'done') : 'none'}
      className="flex min-h-0 flex-col gap-3 overflow-y-auto p-4"
    >
      <div className="flex flex-wrap items-start gap-3">
        <h2 className="min-w-0 flex-1 text-xl">What the readings teach</h2>
        {calibration && (
          <button type="button" className="press" onClick={() => adopt(null)}>
            Back to what the shelf says
          </button>
        )}
        <button
          type="button"
          className="press press-main"
          disabled={!answer?.calibration || busy}
          onClick={() => adopt(answer!.calibration)}
        >
          Let the forecasts follow
        </button>
      </div>
      <label className="flex items-center gap-2 text-[14px]">
        <input
          type="checkbox"
          checked={simulated}
          onChange={(event) => setSimulated(event.target.checked)}
        />
        Learn from simulated readings too: an exercise, not a fact
      </label>
      <p role="status" className="text-[14px] text-ink-soft">
        {busy
          ? 'Holding every reading against its forecast: rooms are simulated with each lamp, layer and finish changed a little…'
          : calibration
            ? `Forecasts follow what was learnt on ${calibration.at.slice(0, 10)} from ${calibration.readings} readings${calibration.simulated ? ', some of them simulated' : ''}.`
            : 'Forecasts still follow the shelf.'}
      </p>
      {answer && <Learnt answer={answer} />}
    </section>
  );
}

function Learnt({ answer }: { answer: ProductionCalibration }) {
  const { causes, outliers, together, builds, leftOut, readings } = answer;
  if (causes.length === 0)
    return (
      <p>
        Nothing to learn from yet: sweeps, layer tests, light on a plane and volts along a tape
        teach.
        {leftOut > 0 && ` ${leftOut} sessions are simulated and left out.`}
      </p>
    );
  return (
    <div className="grid gap-4">
      <table className="rows w-full text-[14px]">
        <caption className="sr-only">
          Causes, with what the shelf says and what readings say
        </caption>
        <thead>
          <tr>
            <th scope="col">What may be other than it says</th>
            <th scope="col" className="num">
              The shelf, ±
            </th>
            <th scope="col" className="num">
              Readings
            </th>
            <th scope="col">Factor and its error</th>
            <th scope="col" className="num">
              In stops
            </th>
          </tr>
        </thead>
        <tbody>
          {causes.map(({ key, label, prior, factor, deviation, informed }) => (
            <tr key={key} data-cause={key} data-factor={factor.toFixed(3)}>
              <td>{label}</td>
              <td className="num">{percent(2 * prior)}</td>
              <td className="num">
                × {factor.toFixed(2)} ± {percent(2 * deviation)}
              </td>
              <td>
                <Bars prior={prior} factor={factor} deviation={deviation} />
              </td>
              <td className="num">
                {key.startsWith('copper') ? '–' : stopsFigure(Math.log2(factor))}
                {informed < 0.1 && ', hardly told'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-[13px] text-ink-soft">
        {readings} readings, weighted least squares on logarithms; each cause is held by what the
        shelf says of it; ± is twice the standard uncertainty.
        {leftOut > 0 && ` ${leftOut} sessions are simulated and left out.`}
      </p>
      {together.map(({ labels, settledBy }) => (
        <p key={labels.join()} className="border-l-4 border-look pl-2 text-[14px]" data-together>
          Only their product is known: {labels.join(' and ')}. {settledBy[0]!.toUpperCase()}
          {settledBy.slice(1)} would settle it.
        </p>
      ))}
      {outliers.map(({ id, label, errors }) => (
        <p key={id} className="border-l-4 border-look pl-2 text-[14px]" data-outlier={id}>
          {label} lies {errors.toFixed(1)} standard errors off and is left out: look at what was
          different there, or strike it out.
        </p>
      ))}
      {builds.length > 0 && <Builds builds={builds} />}
    </div>
  );
}

function Builds({ builds }: { builds: ProductionCalibration['builds'] }) {
  const { units } = useDevice();
  const lux = (value: number) => showText(show(value, 'illuminance', units));
  return (
    <table className="rows w-full text-[14px]">
      <caption className="mb-1 text-left text-[15px] font-semibold">
        What it makes of lights with these parts
      </caption>
      <thead>
        <tr>
          <th scope="col">Light</th>
          <th scope="col" className="num">
            Forecast by the shelf
          </th>
          <th scope="col" className="num">
            Corrected
          </th>
          <th scope="col" className="num">
            Change
          </th>
        </tr>
      </thead>
      <tbody>
        {builds.map(({ id, name, predictedLx, predictedShare, correctedLx, correctedShare }) => (
          <tr key={id} data-corrected={id}>
            <td>{name}</td>
            <td className="num">
              {lux(predictedLx)} ± {percent(2 * predictedShare)}
            </td>
            <td className="num">
              {lux(correctedLx)} ± {percent(2 * correctedShare)}
            </td>
            <td className="num">{stopsFigure(Math.log2(correctedLx / predictedLx))} stops</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What the shelf says, with its error, and what readings say, on one scale of two stops. */
function Bars({ prior, factor, deviation }: { prior: number; factor: number; deviation: number }) {
  const x = (ln: number) => 90 + Math.max(-88, Math.min(88, (60 * ln) / Math.LN2));
  const ln = Math.log(factor);
  return (
    <svg
      viewBox="0 0 180 22"
      width="180"
      height="22"
      role="img"
      aria-label={`${threeFigures(factor)} times what the shelf says`}
    >
      <path d="M90 0 V22" stroke="var(--line-strong)" />
      <path d={`M${x(-2 * prior)} 6 H${x(2 * prior)}`} stroke="var(--ink-soft)" strokeWidth="2" />
      <circle
        cx={x(0)}
        cy="6"
        r="3.5"
        fill="var(--sheet)"
        stroke="var(--ink-soft)"
        strokeWidth="1.5"
      />
      <path
        d={`M${x(ln - 2 * deviation)} 15 H${x(ln + 2 * deviation)}`}
        stroke="var(--brass)"
        strokeWidth="3"
      />
      <circle cx={x(ln)} cy="15" r="4" fill="var(--brass)" />
    </svg>
  );
}
