'use client';
import { findReadout } from '@/core/evaluate/readouts';
import type { GlowId } from '@/core/evaluate/glow';
import type { Readout, RungId } from '@/core/evaluate/readout';
import { ORIGIN_WORDS } from '@/core/origin';
import { showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { Dialog } from '@/ui/Dialog';
import { SeverityMark } from '@/ui/Severity';
import { useProduction } from '../store/context';
import { shown, shownReadout } from './showReadout';
import { turned } from './turned';
import { Inputs } from './WorkingInputs';
import { useEngine } from './useEngine';
import { useWorkplace } from './useWorkplace';

/** The explanation behind a number, as the engine that made it tells it. */
export default function WorkingDialog({
  rung,
  onClose,
}: {
  rung: RungId | GlowId;
  onClose: () => void;
}) {
  const { readouts } = useWorkplace();
  const { units } = useDevice();
  const document = useProduction((state) => state.document);
  const writing = { system: units, currency: document.currency };
  const readout = readouts && findReadout(readouts, rung);
  if (!readout) return null;
  const { working, second, target } = readout;
  const write = (value: number, dimension = readout.dimension) =>
    showText(shown(value, dimension, writing));
  return (
    <Dialog title={`${readout.label}: the working`} open onClose={onClose} place="side">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className="figure text-3xl font-medium">
          {showText(shownReadout(readout, writing))}
        </span>
        <SeverityMark severity={readout.state} />
        <span className="text-ink-soft">{readout.words}</span>
      </p>
      {second && (
        <p className="text-ink-soft">{`${write(second.value, second.dimension)} ${second.label}`}</p>
      )}
      {target && (
        <p className="text-ink-soft">{`${target.label}: ${write(target.value, target.dimension)}`}</p>
      )}
      <h3 className="mt-4 text-ink-soft">Formula</h3>
      <p className="figure text-sm">{working.formula}</p>
      <h3 className="mt-3 text-ink-soft">With the numbers</h3>
      <p className="figure text-sm">{working.substituted}</p>
      <h3 className="mt-3 text-ink-soft">What went in</h3>
      <Inputs working={working} write={write} />
      <Knobs rung={rung} readout={readout} />
      <h3 className="mt-3 text-ink-soft">Source</h3>
      <p className="text-sm">
        {working.source}. Least sure input: {ORIGIN_WORDS[readout.origin]}.
      </p>
      {working.leavesOut && (
        <>
          <h3 className="mt-3 text-ink-soft">An estimate: it leaves out</h3>
          <p className="text-sm">{working.leavesOut}</p>
        </>
      )}
    </Dialog>
  );
}

/** What would move the figure most, found by turning every knob a little. */
function Knobs({ rung, readout }: { rung: RungId | GlowId; readout: Readout<string> }) {
  const { build } = useWorkplace();
  const { units: system } = useDevice();
  const document = useProduction((state) => state.document);
  const writing = { system, currency: document.currency };
  const { answer: knobs, busy } = useEngine(
    async (engine) => (build ? engine.sensitivities(document, build.id, rung) : []),
    [document, build, rung],
  );
  return (
    <>
      <h3 className="mt-3 text-ink-soft">What would change it most</h3>
      <p role="status" className="text-sm">
        {busy
          ? 'Turning each figure up by a tenth…'
          : knobs?.length === 0 && 'Nothing that can be turned up by a tenth.'}
      </p>
      <ul className="text-sm" aria-busy={busy}>
        {knobs?.map((knob) => (
          <li key={knob.label}>
            {knob.label}, a tenth more:{' '}
            <span className="figure">
              {showText(shownReadout({ ...readout, value: turned(readout, knob) }, writing))}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
