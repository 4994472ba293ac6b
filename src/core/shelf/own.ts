import { isOwned } from '../materials/takes';
import type { Shelf } from './shelf';

/** Things somebody owns, kept apart from any production, with the money their prices are in. */
export interface OwnShelf {
  currency: string;
  shelf: Shelf;
}

/** What of a shelf is there already. */
export const ownedOf = ({ units, parts }: Shelf): Shelf => ({
  units: units.filter(isOwned),
  parts: parts.filter(isOwned),
});

export const countOf = ({ units, parts }: Shelf): number => units.length + parts.length;

const fold = (name: string): string => name.trim().toLowerCase().replace(/\s+/g, ' ');
const kindOf = (record: Shelf['units'][number] | Shelf['parts'][number]): string =>
  'category' in record ? record.category : record.role;
/** The same thing under the same name; ids differ from one production to the next. */
const sameThing = (a: { name: string } & Parameters<typeof kindOf>[0], b: typeof a): boolean =>
  kindOf(a) === kindOf(b) && fold(a.name) === fold(b.name);

export interface Bringing {
  /** things the shelf does not know yet, under ids that are free there */
  added: Shelf;
  /** things it knows: how much of each is there now */
  onHand: { kind: 'unit' | 'part'; id: string; onHand: number }[];
}

/**
 * What changes on a shelf when somebody's own things are put on it. A known thing gets the larger amount of
 * both; prices in another money are left out, nothing is converted.
 * @param newId makes an id nobody has
 */
export function bringing(
  shelf: Shelf,
  currency: string,
  own: OwnShelf,
  newId: () => string,
): Bringing {
  const taken = new Set<string>([...shelf.units, ...shelf.parts].map(({ id }) => id));
  const onHand: Bringing['onHand'] = [];
  const sorted = <R extends Shelf['units'][number] | Shelf['parts'][number]>(
    kind: 'unit' | 'part',
    known: readonly R[],
    brought: readonly R[],
  ): R[] =>
    brought.flatMap((record): R[] => {
      const there = known.find((each) => sameThing(each, record));
      if (!there) {
        const id = taken.has(record.id) ? newId() : record.id;
        taken.add(id);
        const priceMinor = own.currency === currency ? record.priceMinor : null;
        return [{ ...record, id, priceMinor } as R];
      }
      if (record.onHand > there.onHand) onHand.push({ kind, id: there.id, onHand: record.onHand });
      return [];
    });
  const { units, parts } = ownedOf(own.shelf);
  return {
    added: {
      units: sorted('unit', shelf.units, units),
      parts: sorted('part', shelf.parts, parts),
    },
    onHand,
  };
}

/** The shelf afterwards. */
export function withOwn(shelf: Shelf, { added, onHand }: Bringing): Shelf {
  const amount = (kind: 'unit' | 'part', id: string) =>
    onHand.find((each) => each.kind === kind && each.id === id)?.onHand;
  return {
    units: [
      ...shelf.units.map((unit) => ({ ...unit, onHand: amount('unit', unit.id) ?? unit.onHand })),
      ...added.units,
    ],
    parts: [
      ...shelf.parts.map((part) => ({ ...part, onHand: amount('part', part.id) ?? part.onHand })),
      ...added.parts,
    ],
  };
}
