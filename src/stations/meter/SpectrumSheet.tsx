'use client';
import { useState } from 'react';
import { MOST_TEXT_BYTES } from '@/core/reading/decode';
import { cutText } from '@/core/schema';
import type { Session } from '@/core/meter/session';
import type { MeasuredSpectrum } from '@/core/units/spectrum';
import { oneOf } from '@/core/units/effective';
import type { Unit } from '@/core/units/unit';
import { ask } from '@/workers/pool';
import { FileField } from '@/ui/fields/FileField';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import type { Meter } from './useMeter';

/** A spectrum out of a spectrometer's file: its colour, beside what the label says. */
export function SpectrumSheet({ session, meter }: { session: Session; meter: Meter }) {
  const unit = useProduction(({ document }) =>
    document.shelf.units.find(({ id }) => id === session.unitId),
  );
  const document = useProduction((state) => state.document);
  const edits = useEdits();
  const [problem, setProblem] = useState<string | null>(null);
  const spectrum = session.spectrum?.curve ?? null;
  const isSimulated = session.spectrum?.simulated ?? false;
  const put = (next: NonNullable<Session['spectrum']>) =>
    setProblem(meter.set(session, `spectrum ${next.file}`, { spectrum: next }));
  const simulate = async (id: string) => {
    const curve = await ask(async (api) => api.simulatedSpectrum(document, id, session.id), {
      priority: 'soon',
    }).catch((error: Error) => error);
    if (curve instanceof Error) return setProblem(curve.message);
    if (curve) put({ curve, file: 'simulated spectrometer', simulated: true });
  };
  const open = async (file: File) => {
    const bytes = new Uint8Array(await file.slice(0, MOST_TEXT_BYTES + 1).arrayBuffer());
    const found = await ask(async (api) => api.spectrum(bytes, file.name), {
      priority: 'soon',
    }).catch((error: Error) => error);
    if (found instanceof Error) return setProblem(found.message);
    if (!found.ok) return setProblem(found.problems[0]!.message);
    put({ curve: found.value, file: cutText(file.name, 120), simulated: false });
  };
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_270px] gap-5 max-lg:h-auto max-lg:grid-cols-1">
      <div className="flex min-h-0 flex-col gap-3">
        {spectrum ? (
          <Curve spectrum={spectrum} />
        ) : (
          <p className="max-w-xl p-2">
            Hold the spectrometer where the light falls, save its file as CSV or TM-27, and put it
            in here.
          </p>
        )}
        {session.closedAt === null && (
          <FileField
            label="Spectrum from a CSV or TM-27 file"
            accept=".csv,.txt,.spdx,.xml"
            onFile={(file) => void open(file)}
          />
        )}
        {session.closedAt === null && unit && (
          <p>
            <button type="button" className="press" onClick={() => void simulate(unit.id)}>
              Simulated spectrometer
            </button>
          </p>
        )}
        {problem && (
          <p role="alert" className="text-stop">
            {problem}
          </p>
        )}
      </div>
      <div className="min-h-0 space-y-3 overflow-y-auto text-[14px]">
        {spectrum && (
          <Figures
            spectrum={spectrum}
            unit={unit}
            from={isSimulated ? 'Simulated' : `From ${session.spectrum!.file}`}
          />
        )}
        {isSimulated && (
          <p className="text-[13px] text-ink-soft">Simulated readings teach the shelf nothing.</p>
        )}
        {spectrum && unit && !isSimulated && (
          <button
            type="button"
            className="press"
            onClick={() =>
              void edits.record('unit', unit.id, `metered spectrum of ${unit.name}`, (draft) => {
                draft.spectrum = spectrum;
              })
            }
          >
            Keep as what {unit.name} sends
          </button>
        )}
      </div>
    </div>
  );
}

function Figures({
  spectrum,
  unit,
  from,
}: {
  spectrum: MeasuredSpectrum;
  unit: Unit | undefined;
  from: string;
}) {
  const { answer } = useEngine((engine) => engine.spectrumFigures(spectrum), [spectrum]);
  if (!answer) return <p role="status">Working its colour out…</p>;
  const said = unit && oneOf(unit);
  return (
    <div data-cct={answer.cctK.toFixed(0)}>
      <p className="text-[13px] text-ink-soft">{from}</p>
      <p className="figure text-[26px] leading-tight">{Math.round(answer.cctK)} K</p>
      <p>
        Ra <span className="figure">{Math.round(answer.ra)}</span>, Duv{' '}
        <span className="figure">{answer.duv.toFixed(4)}</span> (
        {Math.abs(answer.duv) < 0.001
          ? 'on the black body’s line'
          : answer.duv > 0
            ? 'greenish'
            : 'pinkish'}
        )
      </p>
      {said && (
        <p>
          The shelf says {Math.round(said.cctK.value)} K and Ra {Math.round(said.criRa.value)}:{' '}
          {Math.abs(Math.round(1e6 / answer.cctK - 1e6 / said.cctK.value))} mired{' '}
          {answer.cctK < said.cctK.value ? 'warmer' : 'cooler'} than that.
        </p>
      )}
    </div>
  );
}

/** Power by wavelength, against its peak. */
function Curve({ spectrum: { wavelengthsNm, power } }: { spectrum: MeasuredSpectrum }) {
  const [from, to] = [380, 780];
  const most = Math.max(...power);
  const x = (nm: number) => 30 + (600 * (nm - from)) / (to - from);
  const seen = wavelengthsNm.flatMap((nm, k) =>
    nm >= from && nm <= to ? [[nm, power[k]!] as const] : [],
  );
  return (
    <svg
      viewBox="0 0 640 300"
      className="max-h-[420px] w-full"
      role="img"
      aria-label={`Spectrum, ${wavelengthsNm.length} readings from ${wavelengthsNm[0]} to ${wavelengthsNm.at(-1)} nm`}
      data-spectrum
    >
      <path d="M30 270 H630" stroke="var(--ink)" />
      {[400, 500, 600, 700].map((nm) => (
        <g key={nm}>
          <path d={`M${x(nm)} 10 V270`} stroke="var(--line)" />
          <text x={x(nm)} y="292" fontSize="20" textAnchor="middle" fill="var(--ink-soft)">
            {nm} nm
          </text>
        </g>
      ))}
      <path
        d={seen
          .map(
            ([nm, each], k) =>
              `${k ? 'L' : 'M'}${x(nm).toFixed(1)} ${(270 - (250 * each) / most).toFixed(1)}`,
          )
          .join(' ')}
        fill="none"
        stroke="var(--brass)"
        strokeWidth="2.5"
      />
    </svg>
  );
}
