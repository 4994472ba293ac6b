'use client';
import type { Session, SessionKind } from '@/core/meter/session';
import { QuantityField } from '@/ui/fields/QuantityField';
import { TextField } from '@/ui/fields/TextField';
import { useDevice } from '@/ui/device';
import { HandField } from '../make/HandField';
import { PlaneSetup } from './PlaneSetup';
import type { Meter } from './useMeter';

/** How it was metered: what a reading depends on beside the light. */
export function SessionSetup({ session, meter }: { session: Session; meter: Meter }) {
  const { units } = useDevice();
  const set = (label: string, values: Partial<Session>) => meter.set(session, label, values);
  const { instrument } = session;
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(120px,1fr))] items-start gap-x-4 gap-y-2 border-b border-line pb-3">
      <TextField
        label="Name"
        value={session.name}
        most={80}
        onCommit={(name) => void set('name of a session', { name })}
      />
      {LIT.includes(session.kind) && (
        <QuantityField
          system={units}
          label="Lamp to meter"
          value={session.distanceM}
          dimension="length"
          assumedUnit="m"
          step={0.1}
          min={0.05}
          max={100}
          onCommit={(distanceM) => (distanceM === null ? null : set('distance', { distanceM }))}
        />
      )}
      {session.kind === 'points' && <PlaneSetup session={session} meter={meter} />}
      {session.kind === 'electric' && (
        <QuantityField
          system={units}
          label="Length of the tape"
          value={session.sizeM}
          dimension="length"
          assumedUnit="m"
          step={0.5}
          min={0.001}
          max={20}
          onCommit={(sizeM) => (sizeM === null ? null : set('length of the tape', { sizeM }))}
        />
      )}
      {session.kind !== 'layer' && (session.kind !== 'sweep' || session.buildId !== null) && (
        <QuantityField
          system={units}
          label="Up to, %"
          value={session.level * 100}
          dimension="count"
          assumedUnit=""
          step={5}
          min={0}
          max={100}
          onCommit={(percent) => (percent === null ? null : set('level', { level: percent / 100 }))}
        />
      )}
      {session.kind === 'sweep' && (
        <>
          <QuantityField
            system={units}
            label="Across what glows"
            value={session.sizeM}
            dimension="length"
            assumedUnit="cm"
            step={0.01}
            min={0.001}
            max={20}
            onCommit={(sizeM) => (sizeM === null ? null : set('size', { sizeM }))}
          />
          <label className="text-sm text-ink-soft">
            Every
            <select
              className="field text-ink"
              value={session.stepDeg}
              onChange={(event) => void set('step', { stepDeg: Number(event.target.value) })}
            >
              {STEPS.map((step) => (
                <option key={step} value={step}>
                  {step}°
                </option>
              ))}
            </select>
          </label>
          <label className="text-sm text-ink-soft">
            Round
            <select
              className="field text-ink"
              value={`${session.toDeg} ${session.planes}`}
              onChange={(event) => {
                const [toDeg, planes] = event.target.value.split(' ').map(Number);
                void set('how far round', { toDeg: toDeg!, planes: planes! });
              }}
            >
              <option value="90 1">half, level</option>
              <option value="90 2">half, both ways</option>
              <option value="180 1">all, level</option>
              <option value="180 2">all, both ways</option>
            </select>
          </label>
        </>
      )}
      <QuantityField
        system={units}
        label="Lamp on for, min"
        value={session.warmMin}
        dimension="count"
        assumedUnit=""
        step={5}
        min={0}
        max={10_000}
        emptyText="not known"
        onCommit={(warmMin) => set('warm-up', { warmMin })}
      />
      <TextField
        label="Meter used"
        value={instrument.name}
        most={80}
        mayBeEmpty
        onCommit={(name) => void set('meter', { instrument: { ...instrument, name } })}
      />
      <QuantityField
        system={units}
        label="Its class, ± %"
        value={instrument.classShare * 100}
        dimension="count"
        assumedUnit=""
        step={1}
        min={0}
        max={100}
        onCommit={(percent) =>
          percent === null
            ? null
            : set('class of the meter', {
                instrument: { ...instrument, classShare: percent / 100 },
              })
        }
      />
      <HandField />
    </div>
  );
}
/** Kinds in which light falls from a lamp onto a meter at a distance. */
const LIT: readonly SessionKind[] = ['points', 'sweep', 'layer'];
const STEPS = [2.5, 5, 10, 15, 30];
