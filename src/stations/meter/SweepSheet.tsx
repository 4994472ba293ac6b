'use client';
import { useMemo } from 'react';
import type { Result } from '@/core/result';
import { simulatedLux } from '@/core/meter/simulated';
import type { Place, Session } from '@/core/meter/session';
import {
  nextPlace,
  plannedAngles,
  roomLx,
  sweepResult,
  unreadAngles,
  type SweepResult,
} from '@/core/meter/working';
import { isFilament } from '@/core/units/classes';
import { PolarPlot, type PolarLine } from '@/ui/drawing/PolarPlot';
import { placeText } from './placeText';
import { ReadingList } from './ReadingList';
import { Beside } from './Beside';
import { BuildCautions } from './BuildCautions';
import { Cautions } from './Cautions';
import { PasteReadings } from './PasteReadings';
import { ReadIn } from './ReadIn';
import { SweepFigures } from './SweepFigures';
import type { Meter } from './useMeter';
import { useSwept, type SweptForecast } from './useSwept';

/** Lux of the room where the simulated meter stands. */
const SIMULATED_ROOM_LX = 1;

/** Every reading that counts, the room's light taken off. */
function dotsOf(session: Session) {
  const room = roomLx(session);
  return Object.values(session.readings).flatMap(({ place, value, struck }) =>
    struck === null && place.kind === 'angle'
      ? [{ angleDeg: place.angleDeg, value: Math.max(0, value - room) * session.distanceM ** 2 }]
      : [],
  );
}

function linesOf(forecast: SweptForecast | null, worked: Result<SweepResult>): PolarLine[] {
  const lines: PolarLine[] = [];
  if (forecast)
    lines.push({
      name: forecast.name,
      ink: 'var(--ink-soft)',
      dash: '6 5',
      points: Array.from({ length: 145 }, (_, k) => ({
        angleDeg: 2.5 * k - 180,
        value: forecast.cdAt(0, 2.5 * k - 180),
      })),
    });
  if (worked.ok) {
    const { mean } = worked.value.sweep;
    const half = mean.map(({ angleDeg, cd }) => ({ angleDeg, value: cd }));
    const other = half.slice(1).map(({ angleDeg, value }) => ({ angleDeg: -angleDeg, value }));
    lines.push({
      name: 'metered, mean of both sides',
      ink: 'var(--brass)',
      points: [...other.toReversed(), ...half],
    });
  }
  return lines;
}

/** A lamp on its compass: the meter goes round it, and its light grows on the sheet. */
export function SweepSheet({ session, meter }: { session: Session; meter: Meter }) {
  const swept = useSwept(session);
  const { unit, forecast } = swept;
  const place = nextPlace(session);
  const worked = useMemo(() => sweepResult(session), [session]);
  const simulate = () => {
    if (!place || !forecast) return;
    meter.read(session, place, simulated(session, forecast, place), true);
  };
  const simulateAll = () => {
    if (!forecast) return;
    const angles = unreadAngles(session).map((angle): Place => ({ kind: 'angle', ...angle }));
    const room: Place[] = place?.kind === 'room' ? [place] : [];
    meter.readAll(session, [...room, ...angles], (at) => simulated(session, forecast, at));
  };
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_250px] gap-5 max-lg:h-auto max-lg:grid-cols-1">
      <div className="flex min-h-0 flex-col gap-3">
        <PolarPlot
          lines={linesOf(forecast, worked)}
          unit="cd"
          label={`Light of ${session.name} round its axis, ${Object.keys(session.readings).length} readings`}
          dots={dotsOf(session)}
          pointerDeg={place?.kind === 'angle' ? place.angleDeg : null}
          whole={session.toDeg > 90}
          className="max-h-[clamp(240px,calc(100dvh-310px),820px)]"
        />
        {place ? (
          <div data-next={placeText(place)}>
            <ReadIn
              label={`Lux: ${placeText(place)}`}
              onRead={(lux) => meter.read(session, place, lux, false)}
            >
              {forecast && (
                <>
                  <button type="button" className="press" onClick={simulate}>
                    Simulated meter
                  </button>
                  <button type="button" className="press" onClick={simulateAll}>
                    All of it
                  </button>
                </>
              )}
            </ReadIn>
          </div>
        ) : (
          session.closedAt === null && (
            <p role="status">
              Every angle is read. Strike out what you doubt, and it is asked for again.
            </p>
          )
        )}
      </div>
      <div className="min-h-0 space-y-3 overflow-y-auto max-lg:overflow-visible">
        {session.closedAt === null &&
          (session.buildId === null ? (
            <Cautions about={unit && !isFilament(unit) ? 'led' : 'filament'} />
          ) : (
            <BuildCautions buildId={session.buildId} />
          ))}
        <SweepFigures session={session} worked={worked} swept={swept} />
        <Beside session={session} />
        <ReadingList session={session} meter={meter} />
        {session.closedAt === null && <PasteReadings session={session} meter={meter} />}
      </div>
    </div>
  );
}

const simulated = (session: Session, forecast: SweptForecast, place: Place): number =>
  simulatedLux(session, {
    place,
    trueLx:
      place.kind === 'angle'
        ? forecast.cdAt(place.planeDeg, place.angleDeg) / session.distanceM ** 2
        : 0,
    roomLx: SIMULATED_ROOM_LX,
    order:
      plannedAngles(session).findIndex(
        (angle) =>
          place.kind === 'angle' &&
          angle.planeDeg === place.planeDeg &&
          angle.angleDeg === place.angleDeg,
      ) + 1,
  });
