'use client';
import { CIRCUIT_RECORD } from '@/core/location/circuit';
import { circuitIdSchema } from '@/core/ids';
import { SITE_RECORD } from '@/core/location/site';
import { changeRecord } from '@/core/document/edit';
import { moveToCircuit, setParameters } from '@/core/document/records';
import { mapBuild } from '@/core/document/references';
import { UNIT_RECORDS } from '@/core/units/unit';
import type { Build } from '@/core/document/production';
import type { Finding } from '@/core/findings/finding';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { TrayField } from '../build/TrayField';
import type { BuildForm } from '../build/useBuildForm';
import { RecordFieldInput } from '../records/RecordFieldInput';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

interface AnswerFieldProps {
  /** `circuit.rcd`, `site.lead`, `unit.fedAt`, `circuit` itself, or a parameter of the light */
  name: string;
  build: Build;
  form: BuildForm;
  findings: readonly Finding[];
}

const OWNERS = { circuit: CIRCUIT_RECORD, site: SITE_RECORD } as const;
const isOwner = (name: string | undefined): name is keyof typeof OWNERS =>
  name === 'circuit' || name === 'site';

/** The field a finding asks about, answered where it is asked; nothing where it is asked elsewhere. */
export function AnswerField({ name, build, form, findings }: AnswerFieldProps) {
  const edits = useEdits();
  const circuit = useProduction((state) =>
    state.document.circuits.find(({ id }) => id === build.circuitId),
  );
  const [owner, own] = name.split('.');
  if (name === 'circuit') return <CircuitAnswer build={build} />;
  if (isOwner(owner) && own) {
    const field = OWNERS[owner].fields.find((each) => each.field === own);
    const record: Record<string, unknown> | undefined = owner === 'site' ? build.site : circuit;
    if (!field || !record) return null;
    const label = owner === 'circuit' ? `${field.label}, ${circuit?.name}` : field.label;
    return (
      <RecordFieldInput
        field={{ ...field, label }}
        value={record[own]}
        onChange={(value) =>
          edits.make(
            `${field.label.toLowerCase()} of ${build.name}`,
            setParameters(build.id, { [name]: value } as Build['parameters']),
          )
        }
      />
    );
  }
  if (owner === 'unit' && own) return <UnitAnswer field={own} build={build} />;
  const field = form.fields.find(({ parameter }) => parameter === name);
  return field ? <TrayField field={field} form={form} findings={findings} /> : null;
}

/** Which circuit it is plugged into. */
function CircuitAnswer({ build }: { build: Build }) {
  const edits = useEdits();
  const circuits = useProduction((state) => state.document.circuits);
  return (
    <ChoiceField
      label="Plugged into"
      value={build.circuitId as string}
      options={circuits.map(({ id, name }) => ({ value: id as string, label: name }))}
      onCommit={(id) =>
        edits.make(`circuit of ${build.name}`, moveToCircuit(build.id, circuitIdSchema.parse(id)))
      }
    />
  );
}

/** What a label was not read for, asked of the first unit of the light that has such a field. */
function UnitAnswer({ field: own, build }: { field: string; build: Build }) {
  const edits = useEdits();
  const units = useProduction((state) => state.document.shelf.units);
  const ids = new Set<string>();
  mapBuild(build, (ref, id) => {
    if (ref === 'unit') ids.add(id);
    return id;
  });
  const unit = units.find((each) => ids.has(each.id) && own in each);
  const field = unit && UNIT_RECORDS[unit.category].fields.find((each) => each.field === own);
  if (!unit || !field) return null;
  return (
    <RecordFieldInput
      field={{ ...field, label: `${field.label}, ${unit.name}` }}
      value={(unit as Record<string, unknown>)[own]}
      onChange={(value) =>
        edits.make(
          `${field.label.toLowerCase()} of ${unit.name}`,
          changeRecord({ kind: 'unit', id: unit.id }, (draft) => {
            Object.assign(draft, { [own]: value });
          }),
        )
      }
    />
  );
}
