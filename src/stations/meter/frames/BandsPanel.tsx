import { useMemo } from 'react';
import { shutterText } from '@/core/frames/exposure';
import { bandsOf, type Bands } from '@/core/frames/flicker';
import { stripsOf } from '@/core/frames/frame';
import type { Session } from '@/core/meter/session';
import { useDevice } from '@/ui/device';
import { QuantityField } from '@/ui/fields/QuantityField';
import type { Meter } from '../useMeter';
import type { SeenFrame } from './useFrames';

interface BandsPanelProps {
  session: Session;
  meter: Meter;
  seen: readonly SeenFrame[];
  reference: SeenFrame | null;
  /** all frames of the scene, where several are taken together */
  together: readonly SeenFrame[];
}

/** Fewer frames share too much of a wave with what stands still in them. */
const LEAST_TOGETHER = 3;

/** Rows in the order the camera reads them: upright in a picture that is shown on its side. */
const rowsOf = ({ data, turned }: SeenFrame): Float64Array | null =>
  data && (turned ? data.columnLight : data.rowLight);

/** Bands of a rolling shutter: each frame alone, or held against one without. */
export function BandsPanel({ session, meter, seen, reference, together }: BandsPanelProps) {
  const { units } = useDevice();
  const { readOutS } = session.frames.camera;
  const all = together.length >= LEAST_TOGETHER && together.every(({ data }) => data);
  return (
    <div className="grid gap-3 text-[14px]">
      <QuantityField
        system={units}
        label="Camera reads out in"
        value={readOutS}
        dimension="time"
        assumedUnit="ms"
        step={0.001}
        min={0.0001}
        max={0.5}
        emptyText="not known"
        onCommit={(value) =>
          meter.frames(session, 'read-out', ({ camera }) => {
            camera.readOutS = value;
          })
        }
      />
      {all ? (
        <Found seen={together} reference={null} readOutS={readOutS} />
      ) : (
        seen.map((each) => (
          <Found key={each.key} seen={[each]} reference={reference} readOutS={readOutS} />
        ))
      )}
      <p className="text-[13px] text-ink-soft">
        {all
          ? `${together.length} frames together: what stands still in all of them is the scene.`
          : reference
            ? `Held against ${reference.frame.name}, as a reference without bands.`
            : 'One frame cannot tell stripes in the scene from bands: under Frames, name one in steady light a reference.'}
      </p>
    </div>
  );
}

function Found({
  seen,
  reference,
  readOutS,
}: {
  /** one, or several that are taken together */
  seen: readonly SeenFrame[];
  reference: SeenFrame | null;
  readOutS: number | null;
}) {
  const [first] = seen;
  const exposureS = first?.frame.exposureS ?? null;
  const bands = useMemo(() => {
    const rows = seen.flatMap((each) => rowsOf(each) ?? []);
    const still = reference && rowsOf(reference);
    const alike = rows.every(({ length }) => length === rows[0]!.length);
    if (rows.length === 0 || !alike) return null;
    return bandsOf({
      frames: rows,
      reference: still?.length === rows[0]!.length ? still : null,
      readOutS,
      exposureS,
      strips: seen.length === 1 && seen[0]!.data ? stripsOf(seen[0]!.data, seen[0]!.turned) : null,
    });
  }, [seen, reference, readOutS, exposureS]);
  if (!first?.data) return null;
  return (
    <div
      data-bands={bands ? bands.perFrame.toFixed(2) : 'none'}
      data-hz={bands?.frequencyHz?.toFixed(1)}
    >
      <p className="font-semibold">{seen.map(({ frame }) => frame.name).join(', ')}</p>
      {bands ? <BandsText bands={bands} /> : <p>No bands stand out.</p>}
    </div>
  );
}

const BandsText = ({ bands: { perFrame, frequencyHz, seen, own, cleanS } }: { bands: Bands }) => (
  <>
    <p>
      <span className="figure">{perFrame.toFixed(1)}</span> bands to a frame
      {frequencyHz === null ? (
        ': their frequency is known once the read-out is.'
      ) : (
        <>
          , <span className="figure">{Math.round(frequencyHz)} Hz</span>.
        </>
      )}
    </p>
    <p>
      Modulation <span className="figure">{(100 * seen).toFixed(1)} %</span> in the frame
      {own === null ? '' : `, about ${Math.round(100 * own)} % of the light itself`}: (max − min)
      over (max + min), averaged over the exposure.
    </p>
    {cleanS.length > 0 && (
      <p>Clean shutters hold whole waves: {cleanS.map(shutterText).join(', ')}.</p>
    )}
  </>
);
