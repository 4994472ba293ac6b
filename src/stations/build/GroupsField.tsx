'use client';
import { Plus, X } from 'lucide-react';
import type { Field } from '@/core/forms/form';
import { MOST_GROUPS } from '@/core/forms/kit/parameters';
import { oneOf } from '@/core/units/effective';
import type { Category } from '@/core/units/unit';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useProduction } from '../store/context';
import { unitsOf } from './shelfOptions';
import type { BuildForm } from './useBuildForm';

/** As a build's parameters hold it. */
interface Group {
  bulbId: string | null;
  level: number;
}

interface GroupsFieldProps {
  form: BuildForm;
  field: Extract<Field, { kind: 'groups' }>;
}

/** Which bulb sits in every socket, every other socket and so on, and how far each is dimmed. */
export function GroupsField({ form, field: { parameter, category } }: GroupsFieldProps) {
  const groups = form.values[parameter] as unknown as Group[];
  const put = (next: Group[]) => form.commit({ [parameter]: next as never });
  return (
    <div className="col-span-full flex flex-wrap items-end gap-x-5 gap-y-2">
      {groups.map((group, at) => (
        <OneGroup
          key={at}
          group={group}
          at={at}
          of={groups.length}
          category={category}
          onChange={(over) =>
            put(groups.map((each, index) => (index === at ? { ...each, ...over } : each)))
          }
          onRemove={() => put(groups.filter((_, index) => index !== at))}
        />
      ))}
      {groups.length < MOST_GROUPS && (
        <button
          type="button"
          className="press flex items-center gap-1"
          onClick={() => put([...groups, { ...groups.at(-1)! }])}
        >
          <Plus size={15} aria-hidden /> Mix in a bulb
        </button>
      )}
    </div>
  );
}

interface OneGroupProps {
  group: Group;
  at: number;
  of: number;
  category: Category;
  onChange: (over: Partial<Group>) => void;
  onRemove: () => void;
}

function OneGroup({ group, at, of, category, onChange, onRemove }: OneGroupProps) {
  const { units } = useDevice();
  const shelf = useProduction((state) => state.document.shelf.units);
  const letter = String.fromCharCode(65 + at);
  const bulb = shelf.find(({ id }) => id === group.bulbId);
  const flux = bulb && oneOf(bulb).luminousFluxLm.value * group.level;
  return (
    <fieldset className="flex min-w-0 items-end gap-2">
      <legend className="sr-only">Group {letter}</legend>
      <div className="w-72 max-w-[60vw]">
        <ChoiceField
          label={of > 1 ? `Bulb ${letter}, socket ${at + 1} of every ${of}` : 'Bulb'}
          value={group.bulbId ?? ''}
          options={[{ value: '', label: 'not chosen' }, ...unitsOf(category, { units: shelf })]}
          onCommit={(id) => onChange({ bulbId: id === '' ? null : id })}
        />
      </div>
      <div className="w-28">
        <QuantityField
          label={flux ? `Level, ${Math.round(flux)} lm` : 'Level'}
          value={group.level}
          dimension="ratio"
          assumedUnit="%"
          step={0.01}
          min={0}
          max={1}
          system={units}
          onCommit={(level) => onChange({ level: level ?? 1 })}
        />
      </div>
      {of > 1 && (
        <button
          type="button"
          className="press !px-2"
          aria-label={`Take out group ${letter}`}
          onClick={onRemove}
        >
          <X size={15} aria-hidden />
        </button>
      )}
    </fieldset>
  );
}
