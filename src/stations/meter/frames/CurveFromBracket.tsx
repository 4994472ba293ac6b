import { useState } from 'react';
import type { Session } from '@/core/meter/session';
import { ask } from '@/workers/pool';
import type { Meter } from '../useMeter';
import { useFrames } from './useFrames';

/** The camera's own curve from frames of one still scene, shutter apart. */
export function CurveFromBracket({ session, meter }: { session: Session; meter: Meter }) {
  const { frames } = session;
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState<string | null>(null);
  const bracket = Object.entries(frames.shots)
    .filter(([, { role, struck }]) => role === 'bracket' && struck === null)
    .map(([key]) => key);
  const seen = useFrames(frames, bracket);
  const read = seen.flatMap(({ data, frame: { exposureS } }) =>
    data && exposureS !== null ? [{ samples: data.samples, exposureS }] : [],
  );
  const work = async () => {
    setBusy(true);
    const found = await ask(async (api) => api.responseCurve(read), { priority: 'soon' }).catch(
      (error: Error) => error,
    );
    setBusy(false);
    if (found instanceof Error) return setTold(found.message);
    if (!found.ok) return setTold(found.problems[0]!.message);
    const { curve, missStops } = found.value;
    const refused = meter.frames(session, 'curve of the camera', ({ camera }) => {
      camera.curve = curve;
      // A factor found on another scale means nothing on this one.
      camera.calibration = null;
    });
    setTold(refused ?? `Known now, to ${missStops.toFixed(2)} stops.`);
  };
  return (
    <details>
      <summary className="cursor-pointer">
        The camera’s own curve{frames.camera.curve ? ': known' : ': sRGB is taken'}
      </summary>
      <p className="mt-1 text-[13px] text-ink-soft">
        Five frames of anything still, shutter a stop apart, all else the same; under Frames, name
        them a bracket.
      </p>
      <p className="mt-1 flex items-center gap-2">
        <button
          type="button"
          className="press"
          disabled={busy || read.length < 3}
          onClick={() => void work()}
        >
          Find it from {bracket.length} frames
        </button>
        {frames.camera.curve && (
          <button
            type="button"
            className="press"
            onClick={() =>
              void meter.frames(session, 'curve forgotten', ({ camera }) => {
                camera.curve = null;
                camera.calibration = null;
              })
            }
          >
            Take sRGB
          </button>
        )}
      </p>
      {told && (
        <p role="status" className="mt-1">
          {told}
        </p>
      )}
    </details>
  );
}
