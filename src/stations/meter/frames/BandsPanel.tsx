import { readRows, type EachBands } from '@/core/frames/bandsOfEach';
import { shutterText } from '@/core/frames/exposure';
import type { Bands } from '@/core/frames/flicker';
import type { Session } from '@/core/meter/session';
import { useDevice } from '@/ui/device';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useEngine } from '../../shell/useEngine';
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

const rowsOf = ({ data, turned, frame }: SeenFrame) =>
  data ? [readRows(data, turned, frame.exposureS)] : [];

interface Told {
  name: string;
  bands: Bands | null;
  /** name of the frame it was held against */
  against: string | null;
  alone: boolean;
}

/** Worked out off the page: all frames together, or each against a reference, a steady one beside it, or by itself. */
function useBands({ seen, reference, together }: BandsPanelProps, readOutS: number | null) {
  const all = together.length >= LEAST_TOGETHER && together.every(({ data }) => data);
  const frames = all ? together : seen.filter(({ data }) => data);
  const still = reference?.data ? rowsOf(reference)[0]!.rows : null;
  const key = frames.map((each) => `${each.key} ${each.frame.exposureS}`).join();
  const { answer } = useEngine(
    async (engine): Promise<Told[]> => {
      const rows = frames.flatMap(rowsOf);
      const name = frames.map(({ frame }) => frame.name);
      if (all) {
        const bands = await engine.bandsTogether(rows, readOutS);
        return [{ name: name.join(', '), bands, against: null, alone: false }];
      }
      const each = await engine.bandsOfEach(rows, still, readOutS);
      const named = (against: EachBands['against']) =>
        against === 'reference' ? reference!.frame.name : against === null ? null : name[against]!;
      return each.map(({ bands, against }, k) => ({
        name: name[k]!,
        bands,
        against: named(against),
        alone: against === null,
      }));
    },
    [key, all, reference?.key, still, readOutS],
    frames.length > 0,
  );
  return { all, answer };
}

/** Bands of a rolling shutter. */
export function BandsPanel(props: BandsPanelProps) {
  const { session, meter, reference, together } = props;
  const { units } = useDevice();
  const { readOutS } = session.frames.camera;
  const { all, answer } = useBands(props, readOutS);
  return (
    <div className="grid gap-3 text-[14px]">
      {session.closedAt === null && (
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
      )}
      {answer?.map((each) => (
        <Found key={each.name} {...each} />
      ))}
      {!answer && <p role="status">Looking for bands…</p>}
      <p className="text-[13px] text-ink-soft">
        {all
          ? `${together.length} frames together: what stands still in all of them is the scene.`
          : reference
            ? `${reference.frame.name} is the reference without bands.`
            : 'One frame cannot tell stripes in the scene from bands: under Frames, name one in steady light a reference.'}
      </p>
    </div>
  );
}

/** By itself a frame's own shading pulls at few bands [measured on synthetic scenes]. */
const LONE_WORDS = ' (by this frame alone, ± 10 % where there are few)';

const Found = ({ name, bands, against, alone }: Told) => (
  <div
    data-bands={bands ? bands.perFrame.toFixed(2) : 'none'}
    data-hz={bands?.frequencyHz?.toFixed(1)}
  >
    <p className="font-semibold">{name}</p>
    {bands ? <BandsText bands={bands} alone={alone} /> : <p>No bands stand out.</p>}
    {bands && against !== null && (
      <p className="text-[13px] text-ink-soft">Held against {against}.</p>
    )}
  </div>
);

const BandsText = ({
  bands: { perFrame, frequencyHz, seen, own, cleanS },
  alone,
}: {
  bands: Bands;
  alone: boolean;
}) => (
  <>
    <p>
      <span className="figure">{perFrame.toFixed(1)}</span> bands to a frame
      {frequencyHz === null ? (
        ': their frequency is known once the read-out is.'
      ) : (
        <>
          , <span className="figure">{Math.round(frequencyHz)} Hz</span>
          {alone && LONE_WORDS}.
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
