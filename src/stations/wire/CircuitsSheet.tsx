'use client';
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import { useMemo } from 'react';
import { moveToCircuit } from '@/core/document/records';
import { circuitLoads, type CircuitLoad } from '@/core/evaluate/circuitLoads';
import type { Build } from '@/core/document/production';
import { amps } from '@/core/quantity';
import { SeverityMark } from '@/ui/Severity';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { useWorkplace } from '../shell/useWorkplace';

/** Every breaker with what hangs on it; a light is dragged, or sent by its list, to another. */
export default function CircuitsSheet() {
  const document = useProduction((state) => state.document);
  const edits = useEdits();
  const { say } = useSession();
  const { derivations } = useWorkplace();
  const loads = useMemo(() => circuitLoads(document, derivations), [document, derivations]);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor),
  );
  const move = (buildId: string, circuitId: string) => {
    const build = document.builds.find(({ id }) => id === buildId);
    const circuit = document.circuits.find(({ id }) => id === circuitId);
    if (!build || !circuit || build.circuitId === circuit.id) return;
    edits.make(`plug ${build.name} into ${circuit.name}`, moveToCircuit(build.id, circuit.id));
    say(`${build.name} now hangs on ${circuit.name}.`);
  };
  const drop = ({ active, over }: DragEndEvent) => {
    if (over) move(String(active.id), String(over.id));
  };
  return (
    <DndContext id="circuits" sensors={sensors} onDragEnd={drop}>
      <p className="mb-3 text-[13px] text-ink-soft">
        With every light fully up. What else is plugged in there, nobody knows but you: enter it
        under “Production and circuits”.
      </p>
      <div className="grid gap-4">
        {loads.map((load) => (
          <CircuitBar key={load.circuit.id} load={load} circuits={loads} onMove={move} />
        ))}
      </div>
    </DndContext>
  );
}

interface CircuitBarProps {
  load: CircuitLoad;
  circuits: readonly CircuitLoad[];
  onMove: (buildId: string, circuitId: string) => void;
}

function CircuitBar({ load, circuits, onMove }: CircuitBarProps) {
  const { circuit, limitA, otherA, builds, totalA, over } = load;
  const { setNodeRef, isOver } = useDroppable({ id: circuit.id });
  const whole = Math.max(limitA, totalA);
  const share = (value: number) => `${(100 * value) / whole}%`;
  return (
    <section
      ref={setNodeRef}
      data-circuit={circuit.id}
      className={`border border-line p-3 ${isOver ? 'bg-brass-wash' : ''}`}
    >
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-base">
        {circuit.name}
        <span className="figure text-sm" data-load>
          {amps(totalA)} of {amps(limitA)}
        </span>
        <SeverityMark severity={over ? 'stop' : 'ok'} />
        <span className="text-[13px] font-normal text-ink-soft">
          {circuit.ratedA} A breaker, {circuit.voltageV} V. {load.limitSource}
        </span>
      </h2>
      <div className="relative my-2 h-4 border border-line-strong bg-paper" aria-hidden>
        <div className="flex h-full">
          <div className="h-full bg-line-strong" style={{ width: share(otherA) }} />
          {builds.map(({ id, amps: own }, k) => (
            <div
              key={id}
              className={`h-full border-r border-paper ${over ? 'bg-stop' : k % 2 ? 'bg-brass/70' : 'bg-brass'}`}
              style={{ width: share(own) }}
            />
          ))}
        </div>
        {over && (
          <div
            className="absolute inset-y-0 border-l-2 border-ink"
            style={{ left: share(limitA) }}
          />
        )}
      </div>
      <ul className="flex flex-wrap gap-2">
        {otherA > 0 && (
          <li className="px-2 py-1 text-[13px]">
            other load <span className="figure">{amps(otherA)}</span>
          </li>
        )}
        {builds.map((build) => (
          <Chip
            key={build.id}
            build={build}
            circuitId={circuit.id}
            circuits={circuits}
            onMove={onMove}
          />
        ))}
        {builds.length === 0 && <li className="text-[13px] text-ink-soft">No light hangs here.</li>}
      </ul>
    </section>
  );
}

interface ChipProps extends Pick<CircuitBarProps, 'circuits' | 'onMove'> {
  build: CircuitLoad['builds'][number];
  circuitId: Build['circuitId'];
}

function Chip({ build, circuitId, circuits, onMove }: ChipProps) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: build.id });
  return (
    <li
      ref={setNodeRef}
      data-chip={build.id}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      className={`flex items-center gap-1.5 border border-line-strong bg-raised py-0.5 pr-1 text-[13px] ${transform ? 'relative z-10' : ''}`}
    >
      <button
        type="button"
        {...listeners}
        {...attributes}
        aria-label={`Drag ${build.name} to another circuit`}
        className="cursor-grab touch-none px-1 py-1"
      >
        <GripVertical size={14} aria-hidden />
      </button>
      {build.name}
      {build.copies > 1 && ` × ${build.copies}`}
      <span className="figure">
        {build.standing === 'in use' ? amps(build.amps) : build.standing}
      </span>
      <select
        aria-label={`Circuit of ${build.name}`}
        className="w-[108px] border border-line bg-paper px-1"
        value={circuitId}
        onChange={(event) => onMove(build.id, event.target.value)}
      >
        {circuits.map(({ circuit }) => (
          <option key={circuit.id} value={circuit.id}>
            {circuit.name}
          </option>
        ))}
      </select>
    </li>
  );
}
