'use client';
import type { Spread } from '@/core/units/spread';
import { BASES } from '@/core/electrics/caps';
import { BULB_KINDS, SOURCED_FIELDS, type Bulb, type SourcedField } from '@/core/units/bulb';
import { labelFindings } from '@/core/units/sanity';
import { useDevice } from '@/ui/device';
import { Dialog } from '@/ui/Dialog';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { MoneyField, TextField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { FindingNotes } from './FindingNotes';
import { MeasuredFiles } from './MeasuredFiles';
import { BULB_FIELDS } from './bulbFields';

const same = <V extends string>(values: readonly V[]) =>
  values.map((value) => ({ value, label: value }));

const KINDS: Record<Bulb['kind'], string> = {
  led: 'LED',
  'led-filament': 'LED filament',
  corn: 'LED corn or stick',
  cfl: 'compact fluorescent',
  halogen: 'halogen',
  incandescent: 'incandescent',
};
const SPREADS: Record<Spread['class'], string> = {
  omni: 'all round',
  forward: 'mostly forward (plastic dome)',
  side: 'mostly sideways (stick)',
  lambert: 'flat, cosine',
  tube: 'round a tube, along its length',
  reflector: 'reflector, by beam angle',
  measured: 'measured, from a file',
};
const FLICKER: Record<Bulb['flicker'], string> = {
  steady: 'steady driver',
  mains: 'follows the mains',
  unknown: 'not known',
};
const DIMMABLE: Record<Bulb['dimmable'], string> = { yes: 'yes', no: 'no', unknown: 'not known' };
const FROM = {
  label: 'read from the label',
  typical: 'typical of the class',
  metered: 'metered',
  user: 'my own reckoning',
} as const;

const choices = <V extends string>(words: Record<V, string>) =>
  (Object.entries(words) as [V, string][]).map(([value, label]) => ({ value, label }));

interface BulbEditorProps {
  bulb: Bulb;
  onClose: () => void;
  onDuplicate: () => void;
  onDelete: () => void;
}

/** One bulb's label, field by field, with what the label hides said beside it. */
export default function BulbEditor({ bulb, onClose, onDuplicate, onDelete }: BulbEditorProps) {
  const edits = useEdits();
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  const findings = labelFindings(bulb);
  const change = (label: string, set: (target: Bulb) => void) =>
    edits.record('bulb', bulb.id, `${label} of ${bulb.name}`, set);
  const origins = new Set(SOURCED_FIELDS.map((field) => bulb.origins[field] ?? 'label'));
  return (
    <Dialog title={bulb.name} open onClose={onClose} place="side">
      <FindingNotes findings={findings} />
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        <div className="col-span-2">
          <TextField
            label="Name"
            value={bulb.name}
            most={120}
            onCommit={(name) => change('name', (target) => void (target.name = name))}
          />
        </div>
        <ChoiceField
          label="Kind"
          value={bulb.kind}
          options={BULB_KINDS.map((value) => ({ value, label: KINDS[value] }))}
          onCommit={(kind) => change('kind', (target) => void (target.kind = kind))}
        />
        <ChoiceField
          label="Base"
          value={bulb.base}
          options={same(BASES)}
          onCommit={(base) => change('base', (target) => void (target.base = base))}
        />
        {BULB_FIELDS.map(({ field, ...rest }) => (
          <QuantityField
            key={field}
            {...rest}
            value={bulb[field]}
            system={units}
            problem={
              findings.find(
                ({ where, severity }) => where.field === `bulb.${field}` && severity === 'look',
              )?.title
            }
            onCommit={(value) => change(rest.label, (target) => setField(target, field, value))}
          />
        ))}
        <MoneyField
          label="Price of a pack"
          valueMinor={bulb.priceMinor}
          currency={currency}
          onCommit={(minor) => change('price', (target) => void (target.priceMinor = minor ?? 0))}
        />
        <ChoiceField
          label="Spread"
          value={bulb.spread.class}
          options={choices(SPREADS).filter(
            ({ value }) => value !== 'measured' || bulb.spread.class === 'measured',
          )}
          onCommit={(kind) =>
            change('spread', (target) => void (target.spread = spreadOf(kind, target.spread)))
          }
        />
        {bulb.spread.class === 'reflector' && (
          <QuantityField
            label="Beam angle, °"
            value={bulb.spread.beamAngleDeg}
            dimension="count"
            assumedUnit=""
            step={1}
            min={2}
            max={170}
            system={units}
            onCommit={(angle) =>
              change(
                'beam angle',
                (target) =>
                  void (target.spread = { class: 'reflector', beamAngleDeg: angle ?? 60 }),
              )
            }
          />
        )}
        <ChoiceField
          label="Dimmable"
          value={bulb.dimmable}
          options={choices(DIMMABLE)}
          onCommit={(dimmable) => change('dimmable', (target) => void (target.dimmable = dimmable))}
        />
        <ChoiceField
          label="Flicker"
          value={bulb.flicker}
          options={choices(FLICKER)}
          onCommit={(flicker) => change('flicker', (target) => void (target.flicker = flicker))}
        />
        <ChoiceField
          label="Figures come from"
          value={origins.size === 1 ? [...origins][0]! : 'label'}
          options={choices(FROM)}
          help={origins.size > 1 ? 'mixed; choosing sets all' : undefined}
          onCommit={(origin) =>
            change('origin', (target) =>
              SOURCED_FIELDS.forEach((field) => (target.origins[field] = origin)),
            )
          }
        />
      </div>
      <MeasuredFiles
        spread={bulb.spread}
        spectrum={bulb.spectrum}
        onSpread={({ spread, luminousFluxLm }) =>
          change('distribution', (target) => {
            target.spread = spread;
            target.luminousFluxLm = Math.round(luminousFluxLm);
            target.origins.luminousFluxLm = 'metered';
          })
        }
        onSpectrum={(spectrum) => change('spectrum', (target) => void (target.spectrum = spectrum))}
      />
      <p className="mt-5 flex gap-3">
        <button type="button" className="press" onClick={onDuplicate}>
          Duplicate
        </button>
        <button type="button" className="press" onClick={onDelete}>
          Delete
        </button>
      </p>
    </Dialog>
  );
}

/** A measured spread comes from a file and stays until another is chosen. */
function spreadOf(kind: Spread['class'], now: Spread): Spread {
  if (kind === now.class || kind === 'measured') return now;
  return kind === 'reflector' ? { class: 'reflector', beamAngleDeg: 60 } : { class: kind };
}

/** A figure typed here is the user's, not the label's or the class's any more. */
function setField(
  target: Bulb,
  field: (typeof BULB_FIELDS)[number]['field'],
  value: number | null,
) {
  Object.assign(target, { [field]: value });
  if ((SOURCED_FIELDS as readonly string[]).includes(field))
    target.origins[field as SourcedField] = 'user';
}
