'use client';
import type { Build } from '@/core/document/production';
import { SEVERITIES, type Finding } from '@/core/findings/finding';
import { show, showText, threeFigures, amps } from '@/core/quantity';
import { schematicView } from '@/core/power/schematic';
import { wireFindings, type Wire } from '@/core/power/wire';
import { useDevice } from '@/ui/device';
import { QUIET_VIEW, ViewDrawing } from '@/ui/drawing/ViewDrawing';
import type { AtHand } from '../build/WithBuild';
import { FindingItem } from '../shell/FindingItem';
import { Row } from './Row';

const watts = (value: number) => `${threeFigures(value)} W`;

/** The wiring from behind, what flows in it, and every check about it. */
export default function MainsSheet({ build, readouts }: AtHand) {
  const { wire } = readouts;
  const { units } = useDevice();
  const behind = readouts.drawing?.views.find(({ id }) => id === 'wiring');
  const quiet = {
    lengthText: (metres: number) => showText(show(metres, 'length', units)),
    ...QUIET_VIEW,
  };
  return (
    <div className="grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] gap-5 max-lg:grid-cols-1">
      <section>
        <figure>
          <div className="h-[158px]">
            <ViewDrawing view={schematicView(wire)} textSize={25} {...quiet} />
          </div>
          {behind && (
            <div className="h-[220px]">
              <ViewDrawing view={behind} textSize={44} {...quiet} />
            </div>
          )}
          <figcaption className="text-center text-[13px] text-ink-soft">
            What is joined to what, and where it runs, seen from behind.
          </figcaption>
        </figure>
        <Currents wire={wire} />
        <p className="mt-2 text-[13px] text-ink-soft">
          Worked out, not metered: I = Σ P/(V·pf), drop 2·r·Σ L·I; each figure’s origin stands under
          the Power rung.
        </p>
        <p className="mt-2 text-[13px] text-ink-soft">
          Work unplugged. Lamps in parallel, cord to cord; strain relief at every entry; metal
          housings earthed; terminals covered. Cord on a drum carries about half: uncoil it. Your
          local code and an electrician have the last word.
        </p>
      </section>
      <Checked build={build} findings={readouts.findings} />
    </div>
  );
}

const Currents = ({ wire }: { wire: Wire }) => (
  <table className="rows mt-2 w-full text-sm">
    <tbody>
      <Row label="Now, as dimmed">
        {watts(wire.nowW)}, {amps(wire.nowA)}
      </Row>
      <Row label="Everything fully up">
        {watts(wire.fullW)}, {amps(wire.fullA)} at {wire.circuit.voltageV} V,{' '}
        {wire.circuit.frequencyHz} Hz
      </Row>
      <Row label={`On “${wire.circuit.name}”, a ${wire.circuit.ratedA} A breaker`}>
        {amps(wire.fullA + wire.othersA)} of {amps(wire.limitA)}
      </Row>
      <Row label="Cord">
        {wire.cord ? `${wire.cord.name}: carries ${amps(wire.cord.limitA)}` : 'none chosen'}
      </Row>
      <Row label="Lost on the way to the last lamp">
        {wire.dropV === null
          ? '–'
          : `${threeFigures(wire.dropV)} V, ${threeFigures((100 * wire.dropV) / wire.circuit.voltageV)} %`}
      </Row>
      <Row label="Plug">
        {wire.plug
          ? `${wire.plug.name}: ${wire.plug.ratedA} A${wire.plug.fuseA === null ? ', no fuse in it' : `, fuse ${wire.plug.fuseA} A`}`
          : 'none chosen'}
      </Row>
    </tbody>
  </table>
);

function Checked({ build, findings }: { build: Build; findings: readonly Finding[] }) {
  const checks = wireFindings(findings);
  return (
    <section>
      <h2 className="text-lg">Checked</h2>
      {SEVERITIES.map((severity) => (
        <ul key={severity}>
          {checks
            .filter((finding) => finding.severity === severity)
            .map((finding) => (
              <FindingItem key={finding.id} finding={finding} build={build} />
            ))}
        </ul>
      ))}
    </section>
  );
}
