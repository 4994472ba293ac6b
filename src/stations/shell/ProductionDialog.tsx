'use client';
import { nanoid } from 'nanoid';
import { Plus, X } from 'lucide-react';
import { CIRCUIT_RECORD, type Circuit } from '@/core/location/circuit';
import { freeName } from '@/core/document/records';
import type { Production } from '@/core/document/production';
import { circuitIdSchema } from '@/core/ids';
import { REGION_IDS, REGIONS, type RegionId } from '@/core/electrics/region';
import { Dialog } from '@/ui/Dialog';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { TextField } from '@/ui/fields/TextField';
import { RecordFields } from '../records/RecordFields';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

const REGION_CHOICES = REGION_IDS.map((value) => ({ value, label: REGIONS[value].name }));

/** What the whole production shares: its name, its money and the circuits its lights hang on. */
export default function ProductionDialog({ onClose }: { onClose: () => void }) {
  const edits = useEdits();
  const document = useProduction((state) => state.document);
  const change = (label: string, set: (draft: Production) => void) =>
    edits.record('production', document.id, label, set);
  const add = () => {
    const { circuits } = document;
    const id = circuitIdSchema.parse(nanoid(8));
    const name = freeName('Circuit', circuits);
    const added: Circuit = { ...circuits.at(-1)!, id, name, otherLoadW: 0 };
    edits.add('circuit', added, 'add a circuit');
  };
  return (
    <Dialog title="Production and circuits" open onClose={onClose} place="side">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        <div className="col-span-2">
          <TextField
            label="Name"
            value={document.name}
            most={120}
            onCommit={(name) => change('production name', (draft) => void (draft.name = name))}
          />
        </div>
        <ChoiceField
          label={`Prices in ${document.currency}`}
          value={document.taxIncluded ? 'with' : 'without'}
          options={[
            { value: 'with', label: 'tax included' },
            { value: 'without', label: 'tax not included' },
          ]}
          onCommit={(tax) => change('tax', (draft) => void (draft.taxIncluded = tax === 'with'))}
        />
      </div>
      <h3 className="mt-5 text-lg">Circuits</h3>
      <p className="text-sm text-ink-soft">
        One breaker and every socket behind it. Read its rating on the breaker, and count what else
        is plugged in.
      </p>
      <ul>
        {document.circuits.map((circuit) => (
          <li key={circuit.id} className="border-b border-line py-3">
            <CircuitFields circuit={circuit} />
          </li>
        ))}
      </ul>
      <button type="button" className="press mt-3 flex items-center gap-1" onClick={add}>
        <Plus size={15} aria-hidden /> Add a circuit
      </button>
    </Dialog>
  );
}

function CircuitFields({ circuit }: { circuit: Circuit }) {
  const edits = useEdits();
  const used = useProduction((state) =>
    state.document.builds.some(({ circuitId }) => circuitId === circuit.id),
  );
  const only = useProduction((state) => state.document.circuits.length === 1);
  const change = (label: string, set: (target: Circuit) => void) =>
    edits.record('circuit', circuit.id, `${label} of ${circuit.name}`, set);
  const move = (region: RegionId) =>
    change('mains', (target) => {
      const { voltageV, frequencyHz, breakersA } = REGIONS[region];
      Object.assign(target, { region, voltageV, frequencyHz, ratedA: breakersA.at(-1) });
    });
  const remove = () => edits.remove('circuit', circuit, `delete ${circuit.name}`);
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-1.5">
      <TextField
        label="Circuit"
        value={circuit.name}
        most={80}
        onCommit={(name) => change('name', (target) => void (target.name = name))}
      />
      <ChoiceField label="Mains" value={circuit.region} options={REGION_CHOICES} onCommit={move} />
      <RecordFields fields={CIRCUIT_RECORD.fields} record={circuit} onChange={change} />
      {!only && (
        <button
          type="button"
          className="press flex w-fit items-center gap-1 text-sm"
          disabled={used}
          title={used ? 'A build hangs on it' : undefined}
          onClick={remove}
        >
          <X size={14} aria-hidden /> Delete<span className="sr-only"> {circuit.name}</span>
        </button>
      )}
    </div>
  );
}
