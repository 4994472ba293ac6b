'use client';
import { useState } from 'react';
import { USES, USE_NAMES, type Shot } from '@/core/location/shot';
import { removeShot } from '@/core/document/records';
import { lazyPanel } from '@/ui/lazyPanel';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { MoneyField, TextField } from '@/ui/fields/TextField';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { GROUPS, SHOT_FIELDS } from './shotFields';
import { ShotAnswer } from './ShotAnswer';
import { ShotSketch } from './ShotSketch';

const DeleteShot = lazyPanel(() => import('./DeleteShot'));

/** Everything about one shot, and what it follows that the light must give. */
export function ShotSheet({ shot }: { shot: Shot }) {
  const edits = useEdits();
  const { say } = useSession();
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
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
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-[minmax(0,1fr)_150px_minmax(0,1.3fr)_auto] items-end gap-4 max-md:grid-cols-1">
        <TextField
          label="Shot"
          value={shot.name}
          most={80}
          onCommit={(name) => change('name', (target) => void (target.name = name))}
        />
        <ChoiceField
          label="It lights"
          value={shot.use}
          options={USES.map((value) => ({ value, label: USE_NAMES[value] }))}
          onCommit={(use) => change('use', (target) => void (target.use = use))}
        />
        <TextField
          label="Note"
          value={shot.note}
          most={2000}
          mayBeEmpty
          onCommit={(note) => change('note', (target) => void (target.note = note))}
        />
        <button
          type="button"
          className="press"
          onClick={() => (own === 0 ? remove('stay') : setAsking(true))}
        >
          Delete
        </button>
      </div>
      <div className="grid grid-cols-3 gap-x-6 gap-y-3 max-md:grid-cols-1">
        {GROUPS.map((group) => (
          <fieldset
            key={group}
            className="grid content-start gap-1.5 border-t-2 border-line-strong pt-1.5"
          >
            <legend className="float-left mb-1 w-full font-display text-[17px] font-semibold">
              {group}
            </legend>
            {SHOT_FIELDS.filter((each) => each.group === group).map(({ field, ...rest }) => (
              <QuantityField
                key={field}
                {...rest}
                value={shot[field]}
                system={units}
                onCommit={(value) =>
                  change(rest.label, (target) => void (target[field] = value ?? shot[field]))
                }
              />
            ))}
            {group === 'Place' && (
              <MoneyField
                label="Budget for this light"
                valueMinor={shot.budgetMinor}
                currency={currency}
                emptyText="no limit"
                onCommit={(minor) =>
                  change('budget', (target) => void (target.budgetMinor = minor))
                }
              />
            )}
          </fieldset>
        ))}
      </div>
      <div className="grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] gap-6 border-t-2 border-line-strong pt-2 max-md:grid-cols-1">
        <ShotAnswer shot={shot} />
        <ShotSketch shot={shot} />
      </div>
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
