'use client';
import type { Production } from '@/core/document/production';
import type { Thing } from '@/core/set/things';
import type { Setup } from '@/core/set/setup';
import { isAsked, optionLabel } from '@/core/record/field';
import { show, showText, type UnitSystem } from '@/core/quantity';
import { useProduction } from '../store/context';
import { fieldsOf, namedBy } from './fieldsOf';

const words = (document: Production, thing: Thing, units: UnitSystem): string => {
  const said = fieldsOf(document, thing)
    .filter((field) => isAsked(field, thing as unknown as Record<string, unknown>))
    .map((field) => {
      const value = (thing as unknown as Record<string, unknown>)[field.field];
      const shown =
        field.kind === 'quantity'
          ? showText(show(value as number, field.dimension, units))
          : optionLabel(field, value);
      return `${field.label.toLowerCase()} ${shown}`;
    });
  return [namedBy(document, thing) ?? [], said].flat().join(' · ');
};

/** The plan in words: everything that stands there, and where. */
export function SetTable({
  setup,
  units,
  onPick,
}: {
  setup: Setup;
  units: UnitSystem;
  onPick: (id: string) => void;
}) {
  const document = useProduction((state) => state.document);
  return (
    <div className="h-full overflow-y-auto p-3">
      <table className="w-full text-[14px]">
        <caption className="sr-only">Everything that stands in {setup.name}</caption>
        <thead>
          <tr className="border-b border-line text-left text-ink-soft">
            <th scope="col" className="py-1 pr-3 font-normal">
              Thing
            </th>
            <th scope="col" className="py-1 font-normal">
              Where it stands and what it is
            </th>
          </tr>
        </thead>
        <tbody>
          {setup.things.map((thing) => (
            <tr key={thing.id} className="border-b border-line align-top">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                <button
                  type="button"
                  className="text-left underline decoration-line-strong underline-offset-4"
                  onClick={() => onPick(thing.id)}
                >
                  {thing.name}
                </button>
              </th>
              <td className="py-1 text-ink-soft">{words(document, thing, units)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
