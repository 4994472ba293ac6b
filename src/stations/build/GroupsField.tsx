'use client';
import { Plus, X } from 'lucide-react';
import { effectiveBulb } from '@/core/units/effective';
import { useDevice } from '@/ui/device';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useProduction } from '../store/context';
import type { BuildForm } from './useBuildForm';

interface Group {
  bulbId: string | null;
  level: number;
}

const MOST_GROUPS = 4;

/** Which bulb sits in every socket, every other socket and so on, and how far each is dimmed. */
export function GroupsField({ form, parameter }: { form: BuildForm; parameter: string }) {
  const { units } = useDevice();
  const bulbs = useProduction((state) => state.document.shelf.bulbs);
  const groups = form.values[parameter] as unknown as Group[];
  const put = (next: Group[]) => form.commit({ [parameter]: next as never });
  const change = (at: number, over: Partial<Group>) =>
    put(groups.map((group, index) => (index === at ? { ...group, ...over } : group)));
  const options = [
    { value: '', label: 'not chosen' },
    ...bulbs.map((bulb) => ({ value: bulb.id as string, label: bulb.name })),
  ];
  return (
    <div className="col-span-full flex flex-wrap items-end gap-x-5 gap-y-2">
      {groups.map((group, at) => {
        const letter = String.fromCharCode(65 + at);
        const bulb = bulbs.find(({ id }) => id === group.bulbId);
        const flux = bulb && effectiveBulb(bulb).luminousFluxLm.value * group.level;
        return (
          <fieldset key={at} className="flex min-w-0 items-end gap-2">
            <legend className="sr-only">Group {letter}</legend>
            <div className="w-72 max-w-[60vw]">
              <ChoiceField
                label={
                  groups.length > 1
                    ? `Bulb ${letter}, socket ${at + 1} of every ${groups.length}`
                    : 'Bulb'
                }
                value={group.bulbId ?? ''}
                options={options}
                onCommit={(id) => change(at, { bulbId: id === '' ? null : id })}
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
                onCommit={(level) => change(at, { level: level ?? 1 })}
              />
            </div>
            {groups.length > 1 && (
              <button
                type="button"
                className="press !px-2"
                aria-label={`Take out group ${letter}`}
                onClick={() => put(groups.filter((_, index) => index !== at))}
              >
                <X size={15} aria-hidden />
              </button>
            )}
          </fieldset>
        );
      })}
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
