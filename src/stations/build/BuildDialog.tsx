'use client';
import type { Build, Production } from '@/core/document/production';
import { useDevice } from '@/ui/device';
import { Dialog } from '@/ui/Dialog';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { TextField } from '@/ui/fields/TextField';
import { useProduction, useProductionStore } from '../store/context';

const named = (list: readonly { id: string; name: string }[]) =>
  list.map(({ id, name }) => ({ value: id, label: name }));

/** Name, shot, circuit and copies of a build: what it is, not how it is made. */
export default function BuildDialog({ build, onClose }: { build: Build; onClose: () => void }) {
  const store = useProductionStore();
  const { units } = useDevice();
  const shots = useProduction((state) => state.document.shots);
  const circuits = useProduction((state) => state.document.circuits);
  const change = (label: string, set: (target: Production['builds'][number]) => void) =>
    store.getState().change(`${label} of ${build.name}`, (draft) => {
      const target = draft.builds.find(({ id }) => id === build.id);
      if (target) set(target);
    });
  return (
    <Dialog title={build.name} open onClose={onClose}>
      <div className="grid grid-cols-2 gap-4 max-md:grid-cols-1">
        <TextField
          label="Name"
          value={build.name}
          most={80}
          onCommit={(name) => change('name', (target) => void (target.name = name))}
        />
        <ChoiceField
          label="Shot"
          value={build.shotId as string}
          options={named(shots)}
          onCommit={(id) =>
            change('shot', (target) => void (target.shotId = id as Build['shotId']))
          }
        />
        <ChoiceField
          label="Circuit"
          value={build.circuitId as string}
          options={named(circuits)}
          onCommit={(id) =>
            change('circuit', (target) => void (target.circuitId = id as Build['circuitId']))
          }
        />
        <QuantityField
          label="Copies made at once"
          value={build.copies}
          dimension="count"
          assumedUnit=""
          step={1}
          min={1}
          max={100}
          whole
          system={units}
          onCommit={(copies) => change('copies', (target) => void (target.copies = copies ?? 1))}
        />
      </div>
    </Dialog>
  );
}
