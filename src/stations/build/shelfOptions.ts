import type { Production } from '@/core/document/production';
import type { Field } from '@/core/forms/form';
import { isOwned, sortedFor, unfit } from '@/core/materials/takes';
import type { Category } from '@/core/units/unit';

type Shelf = Production['shelf'];

const named = (record: { name: string; onHand: number }): string =>
  isOwned(record) ? `${record.name} · on hand` : record.name;

/** Parts for a place, what is owned first; those that do not fit stand last, with why. */
export const partsFor = ({ role, takes }: Extract<Field, { kind: 'part' }>, { parts }: Shelf) =>
  sortedFor(
    parts.filter((part) => part.role === role),
    takes,
  ).map((part) => {
    const why = unfit(takes, part);
    return {
      value: part.id as string,
      label: why ? `${part.name} (${why})` : named(part),
      disabled: why !== null,
    };
  });

/** Lamps of a kind, what is owned first. */
export const unitsOf = (category: Category, { units }: Pick<Shelf, 'units'>) =>
  units
    .filter((unit) => unit.category === category)
    .toSorted((a, b) => Number(isOwned(b)) - Number(isOwned(a)))
    .map((unit) => ({ value: unit.id as string, label: named(unit) }));
