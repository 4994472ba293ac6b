'use client';
import { useState } from 'react';
import { SHOT_RECORD, type Shot } from '@/core/location/shot';
import { USES, USE_NAMES } from '@/core/location/use';
import { removeShot } from '@/core/document/records';
import { lazyPanel } from '@/ui/lazyPanel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { TextField } from '@/ui/fields/TextField';
import { useSession } from '../shell/Workbench';
import { RecordFields } from '../records/RecordFields';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { ShotAnswer } from './ShotAnswer';
import { ShotLights } from './ShotLights';
import { ShotPlan } from './ShotPlan';

const GROUPS: Readonly<Record<string, readonly string[]>> = {
  Place: ['distanceM', 'coverageWidthM', 'coverageHeightM', 'budgetMinor'],
  Camera: ['isoSpeed', 'fNumber', 'frameRateHz', 'shutterAngleDeg', 'calibrationLxS'],
  Look: ['offsetStops', 'softnessDeg', 'evennessStops', 'cctK'],
};

const DeleteShot = lazyPanel(() => import('./DeleteShot'));

/** Everything about one shot, and what it follows that the light must give. */
export function ShotSheet({ shot }: { shot: Shot }) {
  const edits = useEdits();
  const { say } = useSession();
  const change = (label: string, set: (target: Shot) => void) =>
    edits.record('shot', shot.id, `${label} of ${shot.name}`, set);
  const own = useProduction(
    (state) => state.document.builds.filter(({ shotId }) => shotId === shot.id).length,
  );
  const [asking, setAsking] = useState(false);
  const remove = (builds: 'stay' | 'go') => {
    edits.make(`delete ${shot.name}`, removeShot(shot.id, builds));
    say(`Deleted ${shot.name}. Undo brings it back.`);
  };
  return (
    <div className="flex min-h-full flex-col gap-2">
      <div className="grid grid-cols-[minmax(0,1fr)_150px_minmax(0,1.3fr)_auto] items-end gap-4 max-md:grid-cols-1">
        <NameUseNote shot={shot} onChange={change} />
        <button
          type="button"
          className="press"
          onClick={() => (own === 0 ? remove('stay') : setAsking(true))}
        >
          Delete
        </button>
      </div>
      <div className="grid grid-cols-3 gap-x-6 gap-y-3 max-md:grid-cols-1">
        {Object.entries(GROUPS).map(([group, wanted]) => (
          <fieldset
            key={group}
            className="grid content-start gap-1 border-t-2 border-line-strong pt-1.5"
          >
            <legend className="float-left mb-1 w-full font-display text-[17px] font-semibold">
              {group}
            </legend>
            <RecordFields
              fields={SHOT_RECORD.fields.filter(({ field }) => wanted.includes(field))}
              record={shot}
              onChange={change}
            />
          </fieldset>
        ))}
      </div>
      <div className="grid flex-1 grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] gap-5 2xl:grid-cols-[minmax(0,1fr)_minmax(0,1.6fr)] border-t-2 border-line-strong pt-2 max-md:grid-cols-1">
        <ShotAnswer shot={shot} />
        <ShotPlan shot={shot} />
      </div>
      <ShotLights shot={shot} />
      {asking && (
        <DeleteShot
          name={shot.name}
          builds={own}
          onClose={() => setAsking(false)}
          onDelete={remove}
        />
      )}
    </div>
  );
}

interface NameUseNoteProps {
  shot: Shot;
  onChange: (label: string, set: (target: Shot) => void) => void;
}

function NameUseNote({ shot, onChange }: NameUseNoteProps) {
  return (
    <>
      <TextField
        label="Shot"
        value={shot.name}
        most={80}
        onCommit={(name) => onChange('name', (target) => void (target.name = name))}
      />
      <ChoiceField
        label="It lights"
        value={shot.use}
        options={USES.map((value) => ({ value, label: USE_NAMES[value] }))}
        onCommit={(use) => onChange('use', (target) => void (target.use = use))}
      />
      <TextField
        label="Note"
        value={shot.note}
        most={2000}
        mayBeEmpty
        onCommit={(note) => onChange('note', (target) => void (target.note = note))}
      />
    </>
  );
}
