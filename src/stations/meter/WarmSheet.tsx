'use client';
import { useState } from 'react';
import { SETTLED_MIN, type WarmThing } from '@/core/meter/warm';
import type { Session } from '@/core/meter/session';
import { simulatedFigure } from '@/core/meter/simulated';
import { isSimulated, nextPlace, warmOf } from '@/core/meter/working';
import { threeFigures } from '@/core/quantity';
import { BuildCautions } from './BuildCautions';
import { FigureIn } from './FigureIn';
import { ReadingList } from './ReadingList';
import { useSessionBuild } from './useSessionBuild';
import type { Meter } from './useMeter';

const KELVIN = 273.15;
/** In which the forecasts of Wire are told [docs/model/power.md]. */
const FORECAST_AIR_C = 25;
const FIRST = 'its case';
const SIMULATED_AIR_C = 22;

/** Temperatures of a light and of the room's air: how far it rises, beside what Wire works out. */
export function WarmSheet({ session, meter }: { session: Session; meter: Meter }) {
  const readouts = useSessionBuild(session.buildId);
  const [thing, setThing] = useState<string | null>(null);
  const things = warmOf(session);
  const asked = (readouts?.asked ?? []).filter(
    ({ stepId, dimension, expected }) =>
      stepId === 'warm-checks' && dimension === 'temperature' && expected !== null,
  );
  const names = [
    ...new Set([
      ...asked.map(({ label }) => label.slice(0, 80)),
      FIRST,
      ...things.map((each) => each.thing),
    ]),
  ];
  const place = nextPlace(session);
  const at = place?.kind === 'air' && thing === null ? null : (thing ?? names[0]!);
  const expectedK = asked.find(({ label }) => label.slice(0, 80) === at)?.expected ?? null;
  const truthC = at === null ? SIMULATED_AIR_C : expectedK === null ? null : expectedK - KELVIN;
  const early = session.warmMin === null || session.warmMin < SETTLED_MIN;
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_270px] gap-5 max-lg:h-auto max-lg:grid-cols-1">
      <div className="flex min-h-0 flex-col gap-4">
        <Columns things={things} />
        {session.closedAt === null && (
          <div className="grid gap-2" data-next={at ?? 'air'}>
            <label className="text-[14px]">
              Read{' '}
              <select
                className="field !w-auto max-w-full"
                value={at ?? ''}
                onChange={(event) => setThing(event.target.value || null)}
              >
                <option value="">the air of the room</option>
                {names.map((name) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            </label>
            <FigureIn
              key={at ?? 'air'}
              label={at ?? 'The air of the room'}
              unit="°C"
              dimension="temperature"
              least={213}
              most={1500}
              onRead={(kelvin) => {
                const where =
                  at === null ? ({ kind: 'air' } as const) : ({ kind: 'warm', thing: at } as const);
                return meter.read(session, where, Number((kelvin - KELVIN).toFixed(2)), false);
              }}
            >
              {truthC !== null && (
                <button
                  type="button"
                  className="press"
                  onClick={() =>
                    void meter.read(
                      session,
                      at === null ? { kind: 'air' } : { kind: 'warm', thing: at },
                      simulatedFigure(
                        session,
                        `${at} ${Object.keys(session.readings).length}`,
                        truthC,
                      ),
                      true,
                    )
                  }
                >
                  Simulated meter
                </button>
              )}
            </FigureIn>
          </div>
        )}
      </div>
      <div className="min-h-0 space-y-3 overflow-y-auto text-[14px] max-lg:overflow-visible">
        {session.closedAt === null && <BuildCautions buildId={session.buildId} />}
        {session.closedAt === null && (
          <div className="border-l-4 border-look pl-2 text-[13.5px]" data-cautions="warm">
            Touch nothing to find out: a probe, or an infrared thermometer on tape or paint, as bare
            metal shows too little. Do not leave it alone. Over 60 °C burns skin; smell or
            discolouring: unplug it.
          </div>
        )}
        <p className="text-[13px] text-ink-soft">
          {isSimulated(session) ? 'Simulated readings' : 'Metered'}
          {early ? `, not settled: heat takes ${SETTLED_MIN} minutes` : ''}
        </p>
        {things.map((each) => {
          const expected = asked.find(({ label }) => label.slice(0, 80) === each.thing)?.expected;
          return (
            <div key={each.thing} data-warm={each.thing}>
              {each.thing}:{' '}
              <span className="figure">
                {threeFigures(each.celsius)} °C ± {threeFigures(2 * each.deviationK)}
              </span>
              {each.riseK === null ? (
                <p className="text-ink-soft">Read the room’s air, and the rise is known.</p>
              ) : (
                <p>
                  <span className="figure">{threeFigures(each.riseK)} K</span> over the room
                  {expected == null
                    ? '.'
                    : `; Wire works out ${threeFigures(expected - KELVIN - FORECAST_AIR_C)} K, an estimate that may be half as much again${each.riseK > 1.5 * (expected - KELVIN - FORECAST_AIR_C) ? ': it is more, look for what keeps its air in' : ''}.`}
                </p>
              )}
            </div>
          );
        })}
        <ReadingList session={session} meter={meter} />
      </div>
    </div>
  );
}

/** A column for each thing, as high as it is warm. */
function Columns({ things }: { things: readonly WarmThing[] }) {
  const most = Math.max(60, ...things.map(({ celsius }) => celsius));
  const y = (celsius: number) => 200 - (180 * Math.max(0, celsius)) / most;
  return (
    <svg
      viewBox="0 0 640 240"
      className="max-h-72 w-full"
      role="img"
      aria-label={`Temperatures: ${things.map(({ thing, celsius }) => `${thing} ${threeFigures(celsius)} °C`).join(', ') || 'none yet'}`}
    >
      <path d="M40 200 H620" stroke="var(--ink)" strokeWidth="2" />
      {/* Held for ten minutes, and touched at all: ISO 13732-1, from memory. */}
      {[48, 60].map((limit) => (
        <g key={limit}>
          <path d={`M40 ${y(limit)} H620`} stroke="var(--look)" strokeDasharray="6 5" />
          <text x="36" y={y(limit) + 4} fontSize="12" textAnchor="end" fill="var(--ink-soft)">
            {limit}°
          </text>
        </g>
      ))}
      {things.map(({ thing, celsius, riseK }, k) => {
        const x = 60 + k * Math.min(140, 560 / Math.max(1, things.length));
        return (
          <g key={thing}>
            <rect
              x={x}
              y={y(celsius)}
              width="60"
              height={200 - y(celsius)}
              fill="var(--glass)"
              stroke="var(--brass)"
            />
            {riseK !== null && (
              <path
                d={`M${x} ${y(celsius - riseK)} h60`}
                stroke="var(--ink)"
                strokeDasharray="3 3"
              />
            )}
            <text x={x + 30} y={y(celsius) - 6} fontSize="15" textAnchor="middle" fill="var(--ink)">
              {threeFigures(celsius)}°
            </text>
            <text x={x + 30} y="220" fontSize="12" textAnchor="middle" fill="var(--ink-soft)">
              {thing.length > 18 ? `${thing.slice(0, 17)}…` : thing}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
