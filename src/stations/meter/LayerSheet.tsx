'use client';
import { simulatedLux } from '@/core/meter/simulated';
import type { Session } from '@/core/meter/session';
import { ORIGIN_SHARE } from '@/core/meter/said';
import { inOrder, isSimulated, layerResult, nextPlace } from '@/core/meter/working';
import type { Part } from '@/core/materials/part';
import { threeFigures } from '@/core/quantity';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { Beside } from './Beside';
import { Cautions } from './Cautions';
import { Deviation } from './Deviation';
import { PasteReadings } from './PasteReadings';
import { ReadIn } from './ReadIn';
import { placeText } from './placeText';
import { ReadingList } from './ReadingList';
import type { Meter } from './useMeter';

/** What the simulated meter reads without the layer, and in the dark. */
const [OPEN_LX, ROOM_LX] = [450, 1];
/** A layer in turns: two jars, with it and without, filled by the readings. */
export function LayerSheet({ session, meter }: { session: Session; meter: Meter }) {
  const part = useProduction(({ document }) =>
    document.shelf.parts.find(({ id }) => id === session.partId),
  );
  const said = part && 'transmittance' in part ? part.transmittance : null;
  const luxes = (layer: boolean) =>
    inOrder(session).flatMap(([, { place, value, struck }]) =>
      struck === null && place.kind === 'layer' && place.with === layer ? [value] : [],
    );
  const place = nextPlace(session);
  const simulate = () => {
    if (!place) return;
    const trueLx = place.kind === 'layer' && place.with ? OPEN_LX * (said ?? 1) : OPEN_LX;
    const order = Object.keys(session.readings).length;
    const lux = simulatedLux(session, { place, trueLx, roomLx: ROOM_LX, order });
    meter.read(session, place, lux, true);
  };
  const [without, withIt] = [luxes(false), luxes(true)];
  const most = Math.max(1, ...without, ...withIt);
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_250px] gap-5 max-lg:h-auto max-lg:grid-cols-1">
      <div className="flex min-h-0 flex-col gap-4">
        <div className="flex min-h-0 flex-1 items-end justify-center gap-6">
          <Filled
            name="Without"
            luxes={without}
            most={most}
            next={place?.kind === 'layer' && !place.with}
          />
          <Filled
            name="With the layer"
            luxes={withIt}
            most={most}
            next={place?.kind === 'layer' && place.with}
          />
        </div>
        {place && (
          <div data-next={placeText(place)}>
            <ReadIn
              label={`Lux: ${placeText(place)}`}
              onRead={(lux) => meter.read(session, place, lux, false)}
            >
              {said !== null && (
                <button type="button" className="press" onClick={simulate}>
                  Simulated meter
                </button>
              )}
            </ReadIn>
          </div>
        )}
      </div>
      <div className="min-h-0 space-y-3 overflow-y-auto max-lg:overflow-visible">
        {place && <Cautions about="layer" />}
        <LayerFigures session={session} part={part} said={said} />
        <Beside session={session} />
        <ReadingList session={session} meter={meter} />
        {session.closedAt === null && <PasteReadings session={session} meter={meter} />}
      </div>
    </div>
  );
}

/** A jar filled as high as the mean of its readings, each reading a stroke at its side. */
function Filled({
  name,
  luxes,
  most,
  next,
}: {
  name: string;
  luxes: readonly number[];
  most: number;
  next: boolean;
}) {
  const mean = luxes.length ? luxes.reduce((sum, lux) => sum + lux, 0) / luxes.length : 0;
  const up = (lux: number) => 190 - (160 * lux) / most;
  return (
    <figure className="flex w-1/2 max-w-[230px] flex-col items-center">
      <svg
        viewBox="0 0 140 200"
        className="max-h-[clamp(160px,calc(100dvh-430px),420px)] w-full"
        role="img"
        aria-label={`${name}: ${luxes.length ? `${threeFigures(mean)} lx, ${luxes.length} readings` : 'not read yet'}`}
      >
        <rect x="20" y={up(mean)} width="100" height={190 - up(mean)} fill="var(--glass)" />
        <path
          d="M30 12 H110 M34 12 V24 Q20 30 20 44 V180 Q20 190 30 190 H110 Q120 190 120 180 V44 Q120 30 106 24 V12"
          fill="none"
          stroke={next ? 'var(--brass)' : 'var(--ink)'}
          strokeWidth={next ? 4 : 2}
        />
        {luxes.map((lux, k) => (
          <path key={k} d={`M120 ${up(lux)} h12`} stroke="var(--ink-soft)" strokeWidth="1.5" />
        ))}
      </svg>
      <figcaption className="text-center text-[14px]">
        {name}
        <span className="figure block text-[20px]">
          {luxes.length ? `${threeFigures(mean)} lx` : '–'}
        </span>
      </figcaption>
    </figure>
  );
}

function LayerFigures({
  session,
  part,
  said,
}: {
  session: Session;
  part: Part | undefined;
  said: number | null;
}) {
  const edits = useEdits();
  const worked = layerResult(session);
  if (!worked.ok)
    return (
      <p role="status" className="text-[14px] text-ink-soft" data-layer="not yet">
        {worked.problems[0]!.message}
      </p>
    );
  const { tau, deviation, stops, ifRoom, notes } = worked.value;
  const simulated = isSimulated(session);
  const origin = (part && 'transmittance' in part && part.origins.transmittance) || 'typical';
  const adopt = () =>
    part &&
    void edits.record('part', part.id, `metered ${part.name}`, (draft) => {
      if (!('transmittance' in draft)) return;
      draft.transmittance = Number(tau.toFixed(3));
      draft.origins.transmittance = 'metered';
    });
  return (
    <div data-layer="yes">
      <p className="text-[13px] text-ink-soft">{simulated ? 'Simulated readings' : 'Metered'}</p>
      <p className="figure text-[26px] leading-tight" data-tau={tau.toFixed(3)}>
        {(100 * tau).toFixed(1)} %{' '}
        <span className="text-[16px] text-ink-soft">± {(200 * deviation).toFixed(1)}</span>
      </p>
      <p className="text-[14px]">
        comes through (± is twice the standard uncertainty); it takes {stops.toFixed(2)} stops.
      </p>
      {said !== null && (
        <Deviation
          measured={100 * tau}
          forecast={100 * said}
          share={Math.hypot(deviation / tau, ORIGIN_SHARE[origin])}
          unit="%"
          origin={origin}
          lookAt="whether anything moved, then at the layer"
        />
      )}
      {ifRoom !== null && (
        <p className="text-[14px]">
          If the room gave a tenth of the light, it would be {Math.round(100 * ifRoom)} %.
        </p>
      )}
      {notes.map((words) => (
        <p key={words} className="mt-1 border-l-4 border-look pl-2 text-[14px]">
          {words}
        </p>
      ))}
      {said !== null &&
        part &&
        (simulated ? (
          <p className="mt-2 text-[13px] text-ink-soft">
            Simulated readings teach the shelf nothing.
          </p>
        ) : (
          <button type="button" className="press mt-2" onClick={adopt}>
            Keep as what {part.name} lets through
          </button>
        ))}
    </div>
  );
}
