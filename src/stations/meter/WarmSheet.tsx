'use client';
import { useState } from 'react';
import { SETTLED_MIN, type WarmThing } from '@/core/meter/warm';
import type { Session } from '@/core/meter/session';
import { simulatedFigure } from '@/core/meter/simulated';
import { isSimulated, nextPlace, warmOf } from '@/core/meter/working';
import { KELVIN, threeFigures } from '@/core/quantity';
import { BuildCautions } from './BuildCautions';
import { FigureIn } from './FigureIn';
import { PasteReadings } from './PasteReadings';
import { ReadingList } from './ReadingList';
import type { WorkedOut } from '@/core/evaluate/readouts';
import type { Place } from '@/core/meter/session';
import { ROOM_C } from '@/core/power/caseHeat';
import { useSessionBuild } from './useSessionBuild';
import type { Meter } from './useMeter';

const SIMULATED_AIR_C = 22;
const TOUCHED = 'Hottest place a hand can reach';
const AIR = 'the air of the room';

/** What Wire works a temperature out of, by name, with its rise over the room, K. */
function forecastRises(readouts: WorkedOut | null): ReadonlyMap<string, number> {
  const asked = (readouts?.asked ?? []).filter(
    ({ stepId, dimension, expected }) =>
      stepId === 'warm-checks' && dimension === 'temperature' && expected !== null,
  );
  return new Map(
    asked.map(({ id, label, expected }) => [
      // The bench asks twice for what a hand reaches; here it is one thing.
      id === 'warm-60' ? TOUCHED : label.replace(/, after 1 h.*$/, '').slice(0, 80),
      expected! - KELVIN - ROOM_C,
    ]),
  );
}

/** Temperatures of a light and of the room's air: how far it rises, beside what Wire works out. */
export function WarmSheet({ session, meter }: { session: Session; meter: Meter }) {
  const readouts = useSessionBuild(session.buildId);
  const [picked, setPicked] = useState<string | null>(null);
  const things = warmOf(session);
  const rises = forecastRises(readouts);
  const names = [...new Set([TOUCHED, ...rises.keys(), ...things.map((each) => each.thing)])];
  const at = picked ?? (nextPlace(session)?.kind === 'air' ? AIR : TOUCHED);
  const where: Place = at === AIR ? { kind: 'air' } : { kind: 'warm', thing: at };
  const riseK = at === AIR ? 0 : rises.get(at);
  const truthC = riseK === undefined ? null : SIMULATED_AIR_C + riseK;
  const early = session.warmMin === null || session.warmMin < SETTLED_MIN;
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_270px] gap-5 max-lg:h-auto max-lg:grid-cols-1">
      <div className="flex min-h-0 flex-col gap-4">
        <Bars things={things} />
        {session.closedAt === null && (
          <div className="grid gap-2" data-next={where.kind === 'air' ? 'air' : at}>
            <label className="text-[14px]">
              Read{' '}
              <select
                className="field !w-auto max-w-full"
                value={at}
                onChange={(event) => setPicked(event.target.value)}
              >
                {[AIR, ...names].map((name) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            </label>
            <FigureIn
              key={at}
              label={at}
              unit="°C"
              dimension="temperature"
              least={213}
              most={1500}
              onRead={(kelvin) => {
                const refused = meter.read(
                  session,
                  where,
                  Number((kelvin - KELVIN).toFixed(2)),
                  false,
                );
                if (!refused) setPicked(null);
                return refused;
              }}
            >
              {truthC !== null && (
                <button
                  type="button"
                  className="press"
                  onClick={() =>
                    void meter.read(
                      session,
                      where,
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
          const forecastK = rises.get(each.thing);
          return (
            <div key={each.thing} data-warm={each.thing}>
              {each.thing}:{' '}
              <span className="figure">
                {each.celsius.toFixed(1)} °C ± {(2 * each.deviationK).toFixed(1)}
              </span>
              {each.riseK === null ? (
                <p className="text-ink-soft">Read the room’s air, and the rise is known.</p>
              ) : (
                <p>
                  <span className="figure">{threeFigures(each.riseK)} K</span> over the room
                  {forecastK === undefined
                    ? '.'
                    : `; Wire works out ${threeFigures(forecastK)} K, an estimate that may be half as much again${each.riseK > 1.5 * forecastK ? ': it is more, look for what keeps its air in' : ''}.`}
                </p>
              )}
            </div>
          );
        })}
        <ReadingList session={session} meter={meter} />
        {session.closedAt === null && <PasteReadings session={session} meter={meter} />}
      </div>
    </div>
  );
}

/** Held for ten minutes, and touched at all, °C [std: ISO 13732-1, from memory]. */
const TOUCH_LIMITS = [48, 60];
/** Of the drawing, in its own units: a line a thing, its name over its bar. */
const [WIDE, LINE, HEAD, FIGURE] = [400, 46, 22, 60];

/** How warm each thing is, beside what a hand bears; the room's air is a mark on each bar. */
function Bars({ things }: { things: readonly WarmThing[] }) {
  const most = 1.1 * Math.max(60, ...things.map(({ celsius }) => celsius));
  const x = (celsius: number) => ((WIDE - FIGURE) * Math.max(0, celsius)) / most;
  const foot = HEAD + LINE * Math.max(1, things.length);
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${foot + 4}`}
      className="max-h-[46dvh] w-full"
      role="img"
      aria-label={`Temperatures: ${things.map(({ thing, celsius }) => `${thing} ${threeFigures(celsius)} °C`).join(', ') || 'none yet'}`}
    >
      <path d={`M0.5 ${HEAD} V${foot}`} stroke="var(--ink)" />
      {TOUCH_LIMITS.map((limit) => (
        <g key={limit}>
          <path
            d={`M${x(limit)} ${HEAD} V${foot}`}
            stroke="var(--look)"
            strokeWidth="1.5"
            strokeDasharray="6 5"
          />
          <text x={x(limit)} y="15" fontSize="13" textAnchor="middle" fill="var(--ink-soft)">
            {limit} °C
          </text>
        </g>
      ))}
      {things.map(({ thing, celsius, riseK }, k) => {
        const y = HEAD + LINE * k;
        return (
          <g key={thing}>
            <text x="6" y={y + 17} fontSize="13" fill="var(--ink)">
              {thing.length > 44 ? `${thing.slice(0, 43)}…` : thing}
            </text>
            <rect
              x="0.5"
              y={y + 23}
              width={x(celsius)}
              height="16"
              fill="var(--glass)"
              stroke="var(--brass)"
            />
            {riseK !== null && (
              <path
                d={`M${x(celsius - riseK)} ${y + 20} v22`}
                stroke="var(--ink)"
                strokeWidth="1.5"
                strokeDasharray="3 3"
              />
            )}
            <text x={WIDE} y={y + 36} fontSize="13" textAnchor="end" fill="var(--ink)">
              {celsius.toFixed(1)} °C
            </text>
          </g>
        );
      })}
    </svg>
  );
}
