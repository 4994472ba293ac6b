'use client';
import type { BuildParameters } from '@/core/document/production';
import { choosing } from '@/core/forms/brings';
import type { Field } from '@/core/forms/form';
import { TAKES } from '@/core/materials/takes';
import type { Finding } from '@/core/findings/finding';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useProduction } from '../store/context';
import { GroupsField } from './GroupsField';
import { partsFor, unitsOf } from './shelfOptions';
import type { BuildForm } from './useBuildForm';

interface TrayFieldProps {
  field: Field;
  form: BuildForm;
  findings: readonly Finding[];
}

const wantsOf = (field: Field): string | undefined =>
  field.kind === 'part' && field.takes ? `Takes ${TAKES[field.takes].wants}.` : undefined;

/** A parameter as its kind of field; the tray knows kinds, never a form. */
export function TrayField({ field, form, findings }: TrayFieldProps) {
  const { units } = useDevice();
  const shelf = useProduction((state) => state.document.shelf);
  const value = form.values[field.parameter];
  const stop = findings.find(
    ({ severity, where }) => severity === 'stop' && where.field === field.parameter,
  );
  const problem = stop?.title ?? null;
  const commit = (next: string | number | null) => form.commit({ [field.parameter]: next });
  switch (field.kind) {
    case 'quantity':
      return (
        <QuantityField
          {...field}
          {...form.rangeOf(field)}
          value={value as number}
          system={units}
          whole={field.dimension === 'count'}
          problem={problem}
          onCommit={commit}
        />
      );
    case 'choice':
      return (
        <ChoiceField
          label={field.label}
          value={value as string | number}
          options={field.options}
          help={field.help}
          problem={problem}
          onCommit={commit}
        />
      );
    case 'part':
    case 'unit': {
      const offered =
        field.kind === 'part' ? partsFor(field, shelf) : unitsOf(field.category, shelf);
      return (
        <ChoiceField
          label={field.label}
          value={(value as string | null) ?? ''}
          options={[{ value: '', label: 'not chosen' }, ...offered]}
          help={field.help ?? wantsOf(field)}
          problem={problem}
          onCommit={(id) =>
            form.commit(choosing(field, id === '' ? null : id, shelf) as BuildParameters)
          }
        />
      );
    }
    case 'groups':
      return <GroupsField form={form} field={field} />;
  }
}
