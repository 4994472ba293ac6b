'use client';
import type { Production } from '@/core/document/production';
import type { Field } from '@/core/forms/form';
import { sortedFor, TAKES, unfit } from '@/core/materials/takes';
import type { Finding } from '@/core/findings/finding';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useProduction } from '../store/context';
import { GroupsField } from './GroupsField';
import type { BuildForm } from './useBuildForm';

interface TrayFieldProps {
  field: Field;
  form: BuildForm;
  findings: readonly Finding[];
}

type Shelf = Production['shelf'];

/** Parts for a place, what is owned first; those that do not fit stand last, with why. */
const partsFor = ({ role, takes }: Extract<Field, { kind: 'part' }>, { parts }: Shelf) =>
  sortedFor(
    parts.filter((part) => part.role === role),
    takes,
  ).map((part) => {
    const why = unfit(takes, part);
    const owned = part.onHand > 0 ? ' · on hand' : '';
    return {
      value: part.id as string,
      label: why ? `${part.name} (${why})` : `${part.name}${owned}`,
      disabled: why !== null,
    };
  });

const unitsFor = ({ category }: Extract<Field, { kind: 'unit' }>, { units }: Shelf) =>
  units
    .filter((unit) => unit.category === category)
    .toSorted((a, b) => Number(b.onHand > 0) - Number(a.onHand > 0))
    .map(({ id, name, onHand }) => ({
      value: id as string,
      label: onHand > 0 ? `${name} · on hand` : name,
    }));

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
      const offered = field.kind === 'part' ? partsFor(field, shelf) : unitsFor(field, shelf);
      return (
        <ChoiceField
          label={field.label}
          value={(value as string | null) ?? ''}
          options={[{ value: '', label: 'not chosen' }, ...offered]}
          help={field.help ?? wantsOf(field)}
          problem={problem}
          onCommit={(id) => commit(id === '' ? null : id)}
        />
      );
    }
    case 'groups':
      return <GroupsField form={form} field={field} />;
  }
}
