'use client';
import { STANDINGS, type Build } from '@/core/document/production';
import { Dialog } from '@/ui/Dialog';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { CountField } from '@/ui/fields/CountField';
import { TextField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

const named = (list: readonly { id: string; name: string }[]) =>
  list.map(({ id, name }) => ({ value: id, label: name }));

const NO_SHOT = '';

/** Name, shot, circuit and copies of a build: what it is, not how it is made. */
export default function BuildDialog({ build, onClose }: { build: Build; onClose: () => void }) {
  const edits = useEdits();
  const shots = useProduction((state) => state.document.shots);
  const circuits = useProduction((state) => state.document.circuits);
  const change = (label: string, set: (target: Build) => void) =>
    edits.record('build', build.id, `${label} of ${build.name}`, set);
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
          value={build.shotId ?? NO_SHOT}
          options={[...named(shots), { value: NO_SHOT, label: 'no shot' }]}
          onCommit={(id) =>
            change('shot', (target) => {
              target.shotId = id === NO_SHOT ? null : (id as Build['shotId']);
            })
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
        <ChoiceField
          label="It is"
          value={build.standing}
          options={STANDINGS.map((value) => ({ value, label: value }))}
          help="an idea is not switched on with the others"
          onCommit={(standing) => change('standing', (target) => void (target.standing = standing))}
        />
        <CountField
          label="Copies made at once"
          value={build.copies}
          min={1}
          max={100}
          whole
          onCommit={(copies) => change('copies', (target) => void (target.copies = copies))}
        />
      </div>
    </Dialog>
  );
}
