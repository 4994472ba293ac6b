'use client';
import { Dialog } from '@/ui/Dialog';
import { TextField } from '@/ui/fields/TextField';
import { FEATURES, FIXTURE_RECORD, type Feature, type Fixture } from '@/core/verdict/fixture';
import { FixtureFile } from './FixtureFile';
import { RecordFields } from '../records/RecordFields';
import { useEdits } from '../store/useEdits';

/** A fixture's data sheet, typed in: what the build is judged against. */
export default function FixtureDialog({
  fixture,
  onClose,
}: {
  fixture: Fixture;
  onClose: () => void;
}) {
  const edits = useEdits();
  const change = (label: string, set: (target: Fixture) => void) =>
    edits.record('fixture', fixture.id, `${label} of ${fixture.name}`, (target) => {
      set(target);
      target.origin = 'yours';
    });
  const toggle = (feature: Feature, has: boolean) =>
    change('features', (target) => {
      target.features = target.features.filter((each) => each !== feature);
      if (has) target.features.push(feature);
    });
  return (
    <Dialog title={fixture.name} open onClose={onClose} place="side">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        <div className="col-span-2">
          <TextField
            label="Plain description, no brand needed"
            value={fixture.name}
            most={120}
            onCommit={(name) => change('name', (target) => void (target.name = name))}
          />
        </div>
        <RecordFields fields={FIXTURE_RECORD.fields} record={fixture} onChange={change} />
      </div>
      <FixtureFile fixture={fixture} onChange={change} />
      <fieldset className="mt-4">
        <legend className="font-semibold">What it does that a home-made light may not</legend>
        {(Object.keys(FEATURES) as Feature[]).map((feature) => (
          <label key={feature} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={fixture.features.includes(feature)}
              onChange={(event) => toggle(feature, event.target.checked)}
            />
            It {FEATURES[feature]}
          </label>
        ))}
      </fieldset>
    </Dialog>
  );
}
