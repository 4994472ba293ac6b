'use client';
import { ELECTRIC_NAMES, type ElectricFigure } from '@/core/meter/electric';
import { ELECTRIC, type ElectricId, type Session } from '@/core/meter/session';
import { electricOf, isSimulated, nextPlace } from '@/core/meter/working';
import { show, showText, threeFigures } from '@/core/quantity';
import { simulatedFigure } from '@/core/meter/simulated';
import { tapeCopper, tapeWattsPerM } from '@/core/units/effective';
import type { UnitOf } from '@/core/units/unit';
import { useDevice } from '@/ui/device';
import { useState } from 'react';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { BuildCautions } from './BuildCautions';
import { Deviation } from './Deviation';
import { FigureIn } from './FigureIn';
import { PasteReadings } from './PasteReadings';
import { ReadingList } from './ReadingList';
import { useSessionBuild } from './useSessionBuild';
import type { Meter } from './useMeter';

/** Which of a light's forecasts a reading is held against. */
const ASKED: Partial<Record<ElectricId, string>> = {
  nearV: 'volts-near',
  farV: 'volts-far',
  mainsA: 'current',
};

/** What supplies keep their volts to, and labels their watts, as standard shares [common practice]. */
const [VOLTS_SHARE, LABEL_SHARE] = [0.02, 0.1];

/** Volts at both ends of a tape and what runs into it; amps and watts of a light at its plug. */
export function ElectricSheet({ session, meter }: { session: Session; meter: Meter }) {
  const { units } = useDevice();
  const unit = useProduction(({ document }) =>
    document.shelf.units.find(({ id }) => id === session.unitId),
  );
  const readouts = useSessionBuild(session.buildId);
  const edits = useEdits();
  const [what, setWhat] = useState<ElectricId | null>(null);
  const next = nextPlace(session);
  const asked = what ?? (next?.kind === 'electric' ? next.what : 'mainsA');
  const result = electricOf(session, session.unitId ? session.sizeM : null);
  const strip = unit?.category === 'strip' ? unit : null;
  const power = readouts?.rungs.find(({ id }) => id === 'power');
  const forecast = (id: ElectricId): number | null =>
    id === 'mainsW'
      ? (power?.value ?? null)
      : (readouts?.asked.find((each) => each.id === ASKED[id])?.expected ?? null);
  const truth = strip ? (tapeTruth(strip, session.sizeM)[asked] ?? null) : forecast(asked);
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_270px] gap-5 max-lg:h-auto max-lg:grid-cols-1">
      <div className="flex min-h-0 flex-col gap-4">
        <TapeDrawing read={result.read} light={session.unitId === null} />
        {session.closedAt === null && (
          <div className="grid gap-2" data-next={asked}>
            <label className="text-[14px]">
              Read{' '}
              <select
                className="field !w-auto"
                value={asked}
                onChange={(event) => setWhat(event.target.value as ElectricId)}
              >
                {ELECTRIC.map((id) => (
                  <option key={id} value={id}>
                    {ELECTRIC_NAMES[id].name}
                  </option>
                ))}
              </select>
            </label>
            <FigureIn
              key={asked}
              label={ELECTRIC_NAMES[asked].name}
              unit={ELECTRIC_NAMES[asked].unit}
              dimension={
                asked.endsWith('V')
                  ? 'voltage'
                  : asked.endsWith('A')
                    ? 'current'
                    : asked === 'mainsW'
                      ? 'power'
                      : 'fNumber'
              }
              most={asked === 'powerFactor' ? 1 : 5000}
              onRead={(value) => {
                const refused = meter.read(
                  session,
                  { kind: 'electric', what: asked },
                  value,
                  false,
                );
                if (!refused) setWhat(null);
                return refused;
              }}
            >
              {truth !== null && (
                <button
                  type="button"
                  className="press"
                  onClick={() => {
                    const value = simulatedFigure(
                      session,
                      `${asked} ${Object.keys(session.readings).length}`,
                      truth,
                    );
                    if (!meter.read(session, { kind: 'electric', what: asked }, value, true))
                      setWhat(null);
                  }}
                >
                  Simulated meter
                </button>
              )}
            </FigureIn>
          </div>
        )}
      </div>
      <div className="min-h-0 space-y-3 overflow-y-auto text-[14px] max-lg:overflow-visible">
        {session.closedAt === null && <Live />}
        {session.closedAt === null && session.buildId && (
          <BuildCautions buildId={session.buildId} />
        )}
        <p className="text-[13px] text-ink-soft">
          {isSimulated(session) ? 'Simulated readings' : 'Metered'}
        </p>
        {(Object.entries(result.read) as [ElectricId, ElectricFigure][]).map(([id, figure]) => {
          const said = forecast(id);
          return (
            <div key={id} data-electric={id}>
              {ELECTRIC_NAMES[id].name}:{' '}
              <span className="figure">
                {figureText(figure.value)} {ELECTRIC_NAMES[id].unit} ±{' '}
                {Number((2 * figure.deviation).toPrecision(2))}
              </span>
              {said !== null && said > 0 && figure.value > 0 && (
                <Deviation
                  measured={figure.value}
                  forecast={said}
                  share={Math.hypot(
                    figure.deviation / figure.value,
                    id.endsWith('V') ? VOLTS_SHARE : LABEL_SHARE,
                  )}
                  unit={ELECTRIC_NAMES[id].unit}
                  origin="computed"
                  lookAt={
                    id === 'farV'
                      ? 'the copper of the tape, then at its joints'
                      : 'what is dark, or drawn beside it'
                  }
                />
              )}
            </div>
          );
        })}
        {result.tapeW !== null && (
          <p>
            The tape itself takes <span className="figure">{threeFigures(result.tapeW)} W</span>
            {session.unitId && `, ${threeFigures(result.tapeW / session.sizeM)} W a metre`}.
          </p>
        )}
        {result.loopOhmPerM && strip && (
          <div data-loop={result.loopOhmPerM.value.toFixed(4)}>
            <p>
              Copper out and back:{' '}
              <span className="figure">
                {threeFigures(result.loopOhmPerM.value)} Ω/m ±{' '}
                {threeFigures(2 * result.loopOhmPerM.deviation)}
              </span>{' '}
              over {showText(show(session.sizeM, 'length', units))};{' '}
              {strip.loopOhmPerM === null ? 'typical of its width' : 'the shelf says'}{' '}
              {threeFigures(tapeCopper(strip).value)}.
            </p>
            {isSimulated(session) ? null : (
              <button
                type="button"
                className="press mt-1"
                onClick={() =>
                  void edits.record(
                    'unit',
                    strip.id,
                    `metered copper of ${strip.name}`,
                    (draft) => {
                      if (draft.category !== 'strip') return;
                      draft.loopOhmPerM = Number(result.loopOhmPerM!.value.toPrecision(3));
                      draft.origins.loopOhmPerM = 'metered';
                    },
                  )
                }
              >
                Keep as its copper
              </button>
            )}
          </div>
        )}
        {result.notes.map((words) => (
          <p key={words} className="border-l-4 border-look pl-2">
            {words}
          </p>
        ))}
        <ReadingList session={session} meter={meter} />
        {session.closedAt === null && <PasteReadings session={session} meter={meter} />}
      </div>
    </div>
  );
}

/** What a tape would show that is as its label says, fed at one end. */
function tapeTruth(strip: UnitOf<'strip'>, lengthM: number): Partial<Record<ElectricId, number>> {
  const { voltageV } = strip;
  const amps = (tapeWattsPerM(strip) * lengthM) / voltageV;
  const drop = (amps * tapeCopper(strip).value * lengthM) / 2;
  return { nearV: voltageV, farV: Math.max(0, voltageV - drop), tapeA: amps };
}

/** Four figures: of two voltages the difference counts. */
const figureText = (value: number): string => String(Number(value.toPrecision(4)));

const Live = () => (
  <div className="border-l-4 border-look pl-2 text-[13.5px]" data-cautions="live">
    <p>
      Measure on the low-voltage side only: behind the supply. Mains is read through a plug-in meter
      and never with probes: leave anything else to somebody qualified. On an outlet with RCD
      (GFCI).
    </p>
  </div>
);

/** The strip with its two ends, or a plug and a light; figures stand where they are read. */
function TapeDrawing({
  read,
  light,
}: {
  read: Partial<Record<ElectricId, ElectricFigure>>;
  light: boolean;
}) {
  const text = (id: ElectricId) =>
    read[id] ? `${figureText(read[id].value)} ${ELECTRIC_NAMES[id].unit}` : '–';
  return (
    <svg
      viewBox="0 0 640 180"
      className="max-h-64 w-full"
      role="img"
      aria-label={
        light
          ? `A light at its plug: ${text('mainsA')}, ${text('mainsW')}`
          : `A tape: ${text('nearV')} where it is fed, ${text('tapeA')} into it, ${text('farV')} at its far end`
      }
    >
      {light ? (
        <>
          <rect
            x="30"
            y="60"
            width="60"
            height="60"
            rx="8"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="2"
          />
          <circle cx="50" cy="90" r="4" fill="var(--ink)" />
          <circle cx="70" cy="90" r="4" fill="var(--ink)" />
          <path
            d="M90 90 C200 90 220 40 330 60 S480 90 540 90"
            fill="none"
            stroke="var(--ink)"
            strokeWidth="4"
          />
          <circle
            cx="570"
            cy="90"
            r="34"
            fill="var(--glass)"
            stroke="var(--brass)"
            strokeWidth="2"
          />
          <text x="60" y="150" fontSize="24" textAnchor="middle" fill="var(--ink)">
            {text('mainsA')}
          </text>
          <text x="60" y="40" fontSize="24" textAnchor="middle" fill="var(--ink)">
            {text('mainsW')}
          </text>
        </>
      ) : (
        <>
          <rect
            x="90"
            y="70"
            width="480"
            height="34"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="2"
          />
          {Array.from({ length: 16 }, (_, k) => (
            <rect
              key={k}
              x={102 + 30 * k}
              y="80"
              width="16"
              height="14"
              fill="var(--glass)"
              stroke="var(--brass)"
            />
          ))}
          <path d="M20 78 H90 M20 96 H90" stroke="var(--ink)" strokeWidth="3" />
          <text x="90" y="50" fontSize="24" textAnchor="middle" fill="var(--ink)">
            {text('nearV')}
          </text>
          <text x="50" y="130" fontSize="24" textAnchor="middle" fill="var(--ink)">
            {text('tapeA')}
          </text>
          <text x="570" y="50" fontSize="24" textAnchor="middle" fill="var(--ink)">
            {text('farV')}
          </text>
          <path
            d="M90 56 V70 M570 56 V70 M50 114 V98"
            stroke="var(--ink-soft)"
            strokeDasharray="3 3"
          />
        </>
      )}
    </svg>
  );
}
