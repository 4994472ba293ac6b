'use client';
import { CIRCUIT_RECORD } from '@/core/location/circuit';
import { SITE_RECORD } from '@/core/location/site';
import { setParameters } from '@/core/document/records';
import type { Build } from '@/core/document/production';
import type { Finding } from '@/core/findings/finding';
import { TrayField } from '../build/TrayField';
import type { BuildForm } from '../build/useBuildForm';
import { RecordFieldInput } from '../records/RecordFieldInput';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

interface AnswerFieldProps {
  /** `circuit.rcd`, `site.lead`, or a parameter of the light */
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
  const field = form.fields.find(({ parameter }) => parameter === name);
  return field ? <TrayField field={field} form={form} findings={findings} /> : null;
}
