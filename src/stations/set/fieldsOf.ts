import type { Production } from '@/core/document/production';
import type { RecordField } from '@/core/record/field';
import { THINGS, type Thing } from '@/core/set/things';

const isBulb = ({ shelf }: Production, thing: Thing): boolean =>
  thing.kind === 'light' &&
  shelf.units.some(({ id, category }) => id === thing.unitId && category === 'bulb');

/** What a thing has to say: only a bare bulb takes a shade, a build brings its own front. */
export const fieldsOf = (document: Production, thing: Thing): readonly RecordField[] =>
  THINGS[thing.kind].fields.filter(({ field }) => field !== 'shade' || isBulb(document, thing));

/** What of the production a thing names, as one says it; null for what names nothing. */
export function namedBy(document: Production, thing: Thing): string | null {
  if (thing.kind === 'socket') {
    const circuit = document.circuits.find(({ id }) => id === thing.circuitId);
    return `behind ${circuit?.name ?? 'a breaker nobody knows'}`;
  }
  if (thing.kind !== 'light') return null;
  const ids: readonly (string | null)[] = [thing.buildId, thing.fixtureId, thing.unitId];
  const all = [...document.builds, ...document.fixtures, ...document.shelf.units];
  return `light of ${all.find(({ id }) => ids.includes(id))?.name ?? 'nothing: it was deleted'}`;
}
