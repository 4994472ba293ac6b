'use client';
import { useDevice } from '@/ui/device';
import { Dialog } from '@/ui/Dialog';
import { QuantityField } from '@/ui/fields/QuantityField';
import { MoneyField, TextField } from '@/ui/fields/TextField';
import { FEATURES, type Feature, type Fixture } from '@/core/verdict/fixture';
import type { Dimension } from '@/core/quantity';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

type Measured =
  | 'illuminanceLx'
  | 'atDistanceM'
  | 'frontWidthM'
  | 'frontHeightM'
  | 'wattsW'
  | 'cctK'
  | 'criRa'
  | 'massKg';

interface FixtureField {
  field: Measured;
  label: string;
  dimension: Dimension;
  assumedUnit: string;
  step: number;
  min: number;
  max: number;
  whole?: boolean;
  emptyText?: string;
}

const FIELDS: readonly FixtureField[] = [
  {
    field: 'illuminanceLx',
    label: 'Light it gives',
    dimension: 'illuminance',
    assumedUnit: 'lx',
    step: 50,
    min: 0.1,
    max: 10_000_000,
  },
  {
    field: 'atDistanceM',
    label: 'at this distance',
    dimension: 'length',
    assumedUnit: 'm',
    step: 0.1,
    min: 0.1,
    max: 50,
  },
  {
    field: 'frontWidthM',
    label: 'Front width',
    dimension: 'length',
    assumedUnit: 'cm',
    step: 0.01,
    min: 0.005,
    max: 10,
  },
  {
    field: 'frontHeightM',
    label: 'Front height',
    dimension: 'length',
    assumedUnit: 'cm',
    step: 0.01,
    min: 0.005,
    max: 10,
  },
  {
    field: 'wattsW',
    label: 'Power',
    dimension: 'power',
    assumedUnit: 'W',
    step: 5,
    min: 0.5,
    max: 50_000,
  },
  {
    field: 'cctK',
    label: 'Colour',
    dimension: 'colourTemperature',
    assumedUnit: 'K',
    step: 100,
    min: 1500,
    max: 15_000,
    whole: true,
  },
  {
    field: 'criRa',
    label: 'CRI',
    dimension: 'count',
    assumedUnit: '',
    step: 1,
    min: 0,
    max: 100,
    emptyText: 'not stated',
  },
  {
    field: 'massKg',
    label: 'Mass',
    dimension: 'mass',
    assumedUnit: 'kg',
    step: 0.1,
    min: 0.05,
    max: 500,
    emptyText: 'not stated',
  },
];

/** A fixture's data sheet, typed in: what the build is judged against. */
export default function FixtureDialog({
  fixture,
  onClose,
}: {
  fixture: Fixture;
  onClose: () => void;
}) {
  const edits = useEdits();
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  const change = (label: string, set: (target: Fixture) => void) =>
    edits.record('fixture', fixture.id, `${label} of ${fixture.name}`, (target) => {
      set(target);
      target.origin = 'user';
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
        {FIELDS.map(({ field, ...rest }) => (
          <QuantityField
            key={field}
            {...rest}
            value={fixture[field]}
            system={units}
            onCommit={(value) =>
              change(rest.label, (target) => void Object.assign(target, { [field]: value }))
            }
          />
        ))}
        <MoneyField
          label="Price"
          valueMinor={fixture.priceMinor}
          currency={currency}
          onCommit={(minor) => change('price', (target) => void (target.priceMinor = minor ?? 0))}
        />
        <MoneyField
          label="Hire for a day"
          valueMinor={fixture.hirePerDayMinor}
          currency={currency}
          emptyText="not for hire"
          onCommit={(minor) => change('hire', (target) => void (target.hirePerDayMinor = minor))}
        />
      </div>
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
