'use client';
import { useState } from 'react';
import { MOST_TEXT_BYTES } from '@/core/reading/decode';
import { MOST_FILE_BYTES } from '@/core/formats/unitSpread';
import type { MeasuredSpectrum } from '@/core/units/spectrum';
import type { Unit } from '@/core/units/unit';
import { refuse, type Result } from '@/core/result';
import { ask, type Api } from '@/workers/pool';
import { FileField } from '@/ui/fields/FileField';
import { SpreadPreview } from './SpreadPreview';

/** A file read by a worker; a worker that fails is a problem like any other. */
const read = <T,>(question: (engine: Api) => Promise<Result<T>>): Promise<Result<T>> =>
  ask(question, { priority: 'soon' }).catch((error: Error) =>
    refuse<T>('engine', error.message, 'file'),
  );

interface MeasuredFilesProps {
  unit: Unit;
  onChange: (label: string, set: (target: Unit) => void) => void;
}

/** A unit's measured distribution and spectrum, from files. */
export function MeasuredFiles({ unit, onChange }: MeasuredFilesProps) {
  const { spectrum } = unit;
  // The spread of tape and tubes follows from their form.
  const spread = 'spread' in unit ? unit.spread : null;
  const [said, setSaid] = useState<{ problem: boolean; words: string } | null>(null);
  const putSpectrum = (next: MeasuredSpectrum | null) =>
    onChange('spectrum', (target) => void (target.spectrum = next));
  const bytesOf = async (file: File, most: number) =>
    new Uint8Array(await file.slice(0, most + 1).arrayBuffer());
  const openSpread = async (file: File) => {
    const bytes = await bytesOf(file, MOST_FILE_BYTES);
    const found = await read((engine) => engine.unitSpread(bytes, file.name));
    if (!found.ok) return setSaid({ problem: true, words: found.problems[0]!.message });
    const { spread: measured, luminousFluxLm } = found.value;
    onChange('distribution', (target) => {
      if (!('spread' in target)) return;
      target.spread = measured;
      target.luminousFluxLm = Math.round(luminousFluxLm);
      target.origins.luminousFluxLm = 'metered';
    });
    setSaid({ problem: false, words: found.value.notes.join('; ') });
  };
  const openSpectrum = async (file: File) => {
    const bytes = await bytesOf(file, MOST_TEXT_BYTES);
    const found = await read((engine) => engine.spectrum(bytes, file.name));
    if (!found.ok) return setSaid({ problem: true, words: found.problems[0]!.message });
    putSpectrum(found.value);
    setSaid({
      problem: false,
      words: `${found.value.wavelengthsNm.length} readings from ${found.value.wavelengthsNm[0]} to ${found.value.wavelengthsNm.at(-1)} nm`,
    });
  };
  return (
    <section className="mt-4 grid gap-2 border-t border-line pt-3">
      <h3 className="text-base">Measured</h3>
      {spread && <SpreadPreview spread={spread} />}
      {spread && (
        <FileField
          label="Distribution from an IES or EULUMDAT file"
          accept=".ies,.ldt"
          onFile={(file) => void openSpread(file)}
        />
      )}
      <FileField
        label="Spectrum from a CSV or TM-27 file"
        accept=".csv,.txt,.spdx,.xml"
        onFile={(file) => void openSpectrum(file)}
      />
      <p className="text-[13px] text-ink-soft">
        {spectrum ? 'Its spectrum is metered. ' : 'Its spectrum is what is typical of its kind. '}
        {spectrum && (
          <button type="button" className="press" onClick={() => putSpectrum(null)}>
            Back to typical
          </button>
        )}
      </p>
      {said && (
        <p
          role={said.problem ? 'alert' : 'status'}
          className={`text-[13px] ${said.problem ? 'font-semibold text-stop' : 'text-ink-soft'}`}
        >
          {said.words}
          {said.problem && ' The shelf is unchanged.'}
        </p>
      )}
    </section>
  );
}
