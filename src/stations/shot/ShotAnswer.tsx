'use client';
import { type Shot } from '@/core/location/shot';
import { CRI_GATE } from '@/core/location/use';
import { shotTargetLx } from '@/core/evaluate/light';
import { isCleanExposure, mainsFlickerHz, nearestCleanShutter } from '@/core/flicker/shutter';
import { exposureTimeS } from '@/core/light/exposure';
import { show, showText, threeFigures } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { useProduction } from '../store/context';

/** What the shot asks of any light: lux, size, colour rendering, shutter. */
export function ShotAnswer({ shot }: { shot: Shot }) {
  const { units } = useDevice();
  const circuits = useProduction((state) => state.document.circuits);
  const target = shotTargetLx(shot);
  const time = exposureTimeS(shot.shutterAngleDeg, shot.frameRateHz);
  const across = 2 * Math.tan((shot.softnessDeg * Math.PI) / 360) * shot.distanceM;
  const mains = [...new Set(circuits.map(({ frequencyHz }) => frequencyHz))];
  const { figure, unit } = show(target, 'illuminance', units);
  return (
    <section aria-label="What this asks for">
      <h2 className="text-lg">What this asks for</h2>
      <p data-target className="leading-none">
        <span className="figure text-4xl font-medium">{figure}</span>{' '}
        <span>{unit} at the subject</span>
      </p>
      <p className="figure mt-1 text-[13px] text-ink-soft">
        C·N²/(t·S) = {shot.calibrationLxS}·{shot.fNumber}²/({threeFigures(time)} s·{shot.isoSpeed})
        {shot.offsetStops !== 0 && ` · 2^${shot.offsetStops}`} · ISO 2720
      </p>
      <ul className="mt-2 space-y-0.5 text-sm">
        {shot.softnessDeg > 0 && shot.softnessDeg < 179 && (
          <li>
            A light about <strong>{showText(show(across, 'length', units))}</strong> across at this
            distance.
          </li>
        )}
        <li>
          Bulbs with <strong>CRI {CRI_GATE[shot.use]}</strong> or more (common practice).
        </li>
        {mains.map((hz) => (
          <li key={hz}>
            On {hz} Hz mains:{' '}
            <ShutterWords shot={shot} time={time} flickerHz={mainsFlickerHz(hz)} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function ShutterWords({ shot, time, flickerHz }: { shot: Shot; time: number; flickerHz: number }) {
  if (isCleanExposure(time, flickerHz)) return <>this shutter is clean.</>;
  const clean = nearestCleanShutter(shot.shutterAngleDeg, shot.frameRateHz, flickerHz);
  if (!clean) return <>no shutter is clean at this frame rate; use bulbs with steady drivers.</>;
  return (
    <>
      clean at <strong>{clean.shutterAngleDeg.toFixed(1)}°</strong> (1/
      {Math.round(1 / clean.exposureTimeS)} s).
    </>
  );
}
