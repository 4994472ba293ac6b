'use client';
import { Settings2 } from 'lucide-react';
import { Popover } from 'radix-ui';
import type { Build, Production } from '@/core/document/production';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { TextField } from '@/ui/fields/TextField';
import { useProduction, useProductionStore } from '../store/context';

const named = (list: readonly { id: string; name: string }[]) =>
  list.map(({ id, name }) => ({ value: id, label: name }));

/** Name, shot, circuit and copies of a build: what it is, not how it is made. */
export function BuildHead({ build }: { build: Build }) {
  const store = useProductionStore();
  const { units } = useDevice();
  const shots = useProduction((state) => state.document.shots);
  const circuits = useProduction((state) => state.document.circuits);
  const change = (label: string, set: (target: Production['builds'][number]) => void) =>
    store.getState().change(`${label} of ${build.name}`, (draft) => {
      const target = draft.builds.find(({ id }) => id === build.id);
      if (target) set(target);
    });
  const shot = shots.find(({ id }) => id === build.shotId);
  const circuit = circuits.find(({ id }) => id === build.circuitId);
  return (
    <Popover.Root>
      <Popover.Trigger className="press flex max-w-[330px] items-center gap-1.5 text-[13px]">
        <Settings2 size={15} aria-hidden />
        <span className="truncate">
          For {shot?.name}, on {circuit?.name}
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          className="z-30 grid w-80 gap-3 border border-line-strong bg-sheet p-4 shadow-xl"
        >
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
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
