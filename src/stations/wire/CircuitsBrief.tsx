'use client';
import { useMemo } from 'react';
import type { Build } from '@/core/document/production';
import { circuitLoads } from '@/core/evaluate/circuitLoads';
import type { Wire } from '@/core/power/wire';
import { amps, threeFigures } from '@/core/quantity';
import { SeverityMark } from '@/ui/Severity';
import { useProduction } from '../store/context';
import { useWorkplace } from '../shell/useWorkplace';
import { Row } from './Row';

const watts = (value: number) => `${threeFigures(value)} W`;

interface CircuitsBriefProps {
  build: Build;
  wire: Wire;
  /** between this light and the circuits */
  children?: React.ReactNode;
}

/** What this light takes, and every circuit of the production with what hangs on it. */
export function CircuitsBrief({ build, wire, children }: CircuitsBriefProps) {
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  const loads = useMemo(() => circuitLoads(document, derivations), [document, derivations]);
  return (
    <section aria-label="Currents and circuits">
      <h2 className="text-lg">What flows</h2>
      <Currents wire={wire} />
      <div className="mt-4">{children}</div>
      <h2 className="mt-4 text-lg">Every circuit</h2>
      <ul className="mt-1 grid gap-2 text-[13px]">
        {loads.map(({ circuit, limitA, totalA, over, builds }) => (
          <li
            key={circuit.id}
            className={circuit.id === build.circuitId ? 'bg-brass-wash p-1.5' : 'p-1.5'}
          >
            <span className="flex items-baseline gap-2">
              <span className="font-semibold">{circuit.name}</span>
              <span className="figure flex-1">
                {amps(totalA)} of {amps(limitA)}
              </span>
              <SeverityMark severity={over ? 'stop' : 'ok'} bare />
            </span>
            <span aria-hidden className="my-1 block h-1.5 border border-line-strong bg-paper">
              <span
                className={`block h-full ${over ? 'bg-stop' : 'bg-brass'}`}
                style={{ width: `${Math.min(100, (100 * totalA) / limitA)}%` }}
              />
            </span>
            <span className="text-ink-soft">
              {builds.length === 0
                ? 'no light hangs here'
                : builds.map(({ name }) => name).join(', ')}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-3 text-[13px] text-ink-soft">
        Worked out, not metered: I = Σ P/(V·pf), drop 2·r·Σ L·I, all lights fully up; what else is
        plugged in nobody knows but you. Your local code and an electrician have the last word.
      </p>
    </section>
  );
}

const Currents = ({ wire }: { wire: Wire }) => (
  <table className="rows tight mt-1 w-full text-[13px]">
    <tbody>
      <Row label="Now, as dimmed">
        {watts(wire.nowW)}, {amps(wire.nowA)}
      </Row>
      <Row label="Everything fully up">
        {watts(wire.fullW)}, {amps(wire.fullA)} at {wire.circuit.voltageV} V
      </Row>
      <Row label="Lost on the way to the last lamp">
        {wire.dropV === null
          ? '–'
          : `${threeFigures(wire.dropV)} V, ${threeFigures((100 * wire.dropV) / wire.circuit.voltageV)} %`}
      </Row>
    </tbody>
  </table>
);
