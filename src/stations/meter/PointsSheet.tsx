'use client';
import { useState } from 'react';
import type { PointResult } from '@/core/meter/points';
import { simulatedLux } from '@/core/meter/simulated';
import type { MeterPoint, Place, Session } from '@/core/meter/session';
import { isSimulated, nextPlace, pointsOf, unreadPoints } from '@/core/meter/working';
import { show, showText, stopsFigure, threeFigures } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { stopsRgb } from '../glow/stopsColour';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { BuildCautions } from './BuildCautions';
import { Deviation } from './Deviation';
import { PasteReadings } from './PasteReadings';
import { placeText } from './placeText';
import { ReadIn } from './ReadIn';
import { ReadingList } from './ReadingList';
import type { Meter } from './useMeter';

const SIMULATED_ROOM_LX = 1;

/** Light on a plane, place by place: the meter lies where it glows, and what it shows colours the plane. */
export function PointsSheet({ session, meter }: { session: Session; meter: Meter }) {
  const document = useProduction((state) => state.document);
  const [picked, setPicked] = useState<string | null>(null);
  const result = pointsOf(session);
  const { answer: forecast } = useEngine(
    (engine) => engine.pointsForecast(document, session),
    [
      document.builds,
      document.shelf,
      document.calibration,
      session.points,
      session.distanceM,
      session.level,
      session.buildId,
    ],
  );
  const open = session.closedAt === null;
  const own = open ? session.points.find(({ name }) => name === picked) : undefined;
  const place: Place | null = own ? { kind: 'point', ...own } : nextPlace(session);
  const trueAt = (at: Place): number =>
    at.kind === 'point'
      ? (forecast?.lx[session.points.findIndex(({ name }) => name === at.name)] ?? 0)
      : 0;
  const orderOf = (at: Place) =>
    at.kind === 'point' ? session.points.findIndex(({ name }) => name === at.name) + 1 : 0;
  const shown = (at: Place): number =>
    simulatedLux(session, {
      place: at,
      trueLx: trueAt(at),
      roomLx: SIMULATED_ROOM_LX,
      order: orderOf(at),
    });
  const keep = (lux: number, simulated: boolean) => {
    if (!place) return null;
    const refused = meter.read(session, place, lux, simulated);
    if (!refused) setPicked(null);
    return refused;
  };
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_270px] gap-5 max-lg:h-auto max-lg:grid-cols-1">
      <div className="flex min-h-0 flex-col gap-3">
        <Plane
          session={session}
          points={result?.points ?? []}
          forecast={forecast?.lx ?? null}
          next={place?.kind === 'point' ? place.name : null}
          onPick={open ? setPicked : null}
        />
        {place ? (
          <div data-next={placeText(place)}>
            <ReadIn label={`Lux: ${placeText(place)}`} onRead={(lux) => keep(lux, false)}>
              {forecast && (
                <>
                  <button type="button" className="press" onClick={() => keep(shown(place), true)}>
                    Simulated meter
                  </button>
                  <button
                    type="button"
                    className="press"
                    onClick={() => {
                      const room: Place[] = place.kind === 'room' ? [place] : [];
                      meter.readAll(session, [...room, ...unreadPoints(session)], shown);
                    }}
                  >
                    All of it
                  </button>
                </>
              )}
            </ReadIn>
          </div>
        ) : (
          open && (
            <p role="status">
              Every place is read. Press one to read it again: repeats tell how sure it is.
            </p>
          )
        )}
      </div>
      <div className="min-h-0 space-y-3 overflow-y-auto max-lg:overflow-visible">
        {open && <BuildCautions buildId={session.buildId} />}
        {result ? (
          <div data-points={result.points.length}>
            <p className="text-[13px] text-ink-soft">
              {isSimulated(session) ? 'Simulated readings' : 'Metered'}, mean of{' '}
              {result.points.length === 1 ? 'one place' : `${result.points.length} places`}
            </p>
            <p className="figure text-[26px] leading-tight" data-mean={result.meanLx.toFixed(1)}>
              {threeFigures(result.meanLx)} lx{' '}
              <span className="text-[16px] text-ink-soft">
                ± {Math.round(200 * result.share)} %
              </span>
            </p>
            {result.points.length > 1 && (
              <p className="text-[14px]">
                Even to <span className="figure">± {result.plusMinusStops.toFixed(2)} stops</span>.
              </p>
            )}
            {forecast && <Beside session={session} points={result.points} forecast={forecast} />}
            {result.notes.map((words) => (
              <p key={words} className="mt-1 border-l-4 border-look pl-2 text-[14px]">
                {words}
              </p>
            ))}
            <details className="mt-2 text-[13.5px]">
              <summary className="cursor-pointer">What makes it uncertain</summary>
              <ul>
                {result.points[0]!.parts.map(({ id, what, share }) => (
                  <li key={id} className="flex justify-between border-b border-line">
                    {what} <span className="figure">± {(200 * share).toFixed(1)} %</span>
                  </li>
                ))}
              </ul>
              <p className="text-ink-soft">
                At {result.points[0]!.point.name}: twice the standard uncertainty; causes add as
                squares.
              </p>
            </details>
          </div>
        ) : (
          <p role="status" className="text-[14px] text-ink-soft">
            The room first, lamp off; then the meter flat on the plane, looking at the light.
          </p>
        )}
        <ReadingList session={session} meter={meter} />
        {open && <PasteReadings session={session} meter={meter} />}
      </div>
    </div>
  );
}

/** Mean over the mean that is forecast at the same places, and the place that is farthest off. */
function Beside({
  session,
  points,
  forecast,
}: {
  session: Session;
  points: readonly PointResult[];
  forecast: { lx: number[]; share: number; calibrated: boolean };
}) {
  const both = points.flatMap(({ point, lx, share }) => {
    const said = forecast.lx[session.points.findIndex(({ name }) => name === point.name)] ?? 0;
    return said > 0 && lx > 0 ? [{ point, lx, said, share }] : [];
  });
  if (both.length === 0) return null;
  const mean = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + value, 0) / values.length;
  const off = both.map(({ point, lx, said }) => ({ point, stops: Math.log2(lx / said) }));
  const middle = mean(off.map(({ stops }) => stops));
  const odd = off.reduce((far, each) =>
    Math.abs(each.stops - middle) > Math.abs(far.stops - middle) ? each : far,
  );
  return (
    <>
      <Deviation
        measured={mean(both.map(({ lx }) => lx))}
        forecast={mean(both.map(({ said }) => said))}
        share={Math.hypot(forecast.share, mean(both.map(({ share }) => share)))}
        unit="lx"
        origin={forecast.calibrated ? 'calibrated' : 'computed'}
        lookAt={
          session.warmMin === null
            ? 'how long it was on, then at its layer'
            : 'the layer first, then at the lamps'
        }
      />
      {both.length > 2 && Math.abs(odd.stops - middle) > 0.15 && (
        <p className="text-[14px]">
          {odd.point.name} lies farthest from the others: {stopsFigure(odd.stops - middle)} stops.
        </p>
      )}
    </>
  );
}

/** Half the drawing's edge round the outermost places. */
const MARGIN = 0.15;
const EDGE = 640;

interface PlaneProps {
  session: Session;
  points: readonly PointResult[];
  forecast: readonly number[] | null;
  next: string | null;
  onPick: ((name: string) => void) | null;
}

function Plane({ session, points, forecast, next, onPick }: PlaneProps) {
  const { units } = useDevice();
  const all = session.points;
  const [wide, high] = [
    Math.max(0.2, ...all.map(({ xM }) => 2 * Math.abs(xM))),
    Math.max(0.2, ...all.map(({ yM }) => 2 * Math.abs(yM))),
  ];
  const scale = (EDGE * (1 - 2 * MARGIN)) / Math.max(wide, high);
  const [width, height] = [wide * scale + 2 * MARGIN * EDGE, high * scale + 2 * MARGIN * EDGE];
  const at = ({ xM, yM }: MeterPoint): [number, number] => [
    width / 2 + xM * scale,
    height / 2 - yM * scale,
  ];
  const mean =
    points.length > 0 ? points.reduce((sum, { lx }) => sum + lx, 0) / points.length : null;
  const radius = Math.min(62, (0.44 * EDGE) / Math.max(2, Math.sqrt(all.length) + 1));
  return (
    <figure className="flex min-h-0 flex-col items-center">
      <svg
        viewBox={`0 0 ${width.toFixed(0)} ${height.toFixed(0)}`}
        className="max-h-[clamp(240px,calc(100dvh-330px),860px)] w-full"
        role="group"
        aria-label={`The plane as the light sees it, ${all.length} places, ${points.length} read`}
      >
        <rect
          x={MARGIN * EDGE * 0.15}
          y={MARGIN * EDGE * 0.15}
          width={width - MARGIN * EDGE * 0.3}
          height={height - MARGIN * EDGE * 0.3}
          fill="var(--paper)"
          stroke="var(--line-strong)"
        />
        <path
          d={`M${width / 2} 0 V${height} M0 ${height / 2} H${width}`}
          stroke="var(--line)"
          strokeDasharray="8 6"
        />
        {all.map((point, k) => {
          const [x, y] = at(point);
          const found = points.find((each) => each.point.name === point.name);
          const stops = found && mean ? Math.log2(Math.max(found.lx, 1e-6) / mean) : null;
          const said = forecast?.[k];
          const lit = point.name === next;
          const [r, g, b] = stops === null ? [0, 0, 0] : stopsRgb(stops);
          const dark = stops !== null && 0.3 * r! + 0.6 * g! + 0.1 * b! < 120;
          const ink = stops === null ? 'var(--ink)' : dark ? '#fbf7ee' : '#1a140c';
          return (
            <g
              key={point.name}
              data-point={point.name}
              tabIndex={onPick ? 0 : undefined}
              role={onPick ? 'button' : 'img'}
              aria-pressed={onPick ? lit : undefined}
              aria-label={`${point.name}: ${found ? `${threeFigures(found.lx)} lx, ${stopsFigure(stops ?? 0)} stops about the mean` : 'not read yet'}${said ? `, forecast ${threeFigures(said)} lx` : ''}`}
              className={onPick ? 'cursor-pointer' : ''}
              onClick={() => onPick?.(point.name)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onPick?.(point.name);
              }}
            >
              {lit && (
                <circle cx={x} cy={y} r={radius + 9} fill="var(--brass-bright)" opacity="0.45" />
              )}
              <circle
                cx={x}
                cy={y}
                r={radius}
                fill={stops === null ? 'var(--sheet)' : `rgb(${r} ${g} ${b})`}
                stroke={lit ? 'var(--brass)' : 'var(--ink-soft)'}
                strokeWidth={lit ? 4 : 1.5}
              />
              <text
                x={x}
                y={y - radius * 0.4}
                textAnchor="middle"
                fontSize={0.34 * radius}
                fill={ink}
              >
                {point.name}
              </text>
              <text
                x={x}
                y={y + radius * 0.18}
                textAnchor="middle"
                fontSize={0.5 * radius}
                fontWeight="600"
                fill={ink}
              >
                {found ? threeFigures(found.lx) : '–'}
              </text>
              <text
                x={x}
                y={y + radius * 0.64}
                textAnchor="middle"
                fontSize={0.32 * radius}
                fill={ink}
              >
                {stops !== null ? stopsFigure(stops) : said ? `(${threeFigures(said)})` : ''}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-center text-[13px] text-ink-soft">
        As the light sees it, {showText(show(session.distanceM, 'length', units))} from its front:
        lux, and stops about the mean; in brackets what is forecast.
      </figcaption>
    </figure>
  );
}
