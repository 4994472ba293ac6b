import type { AccessoryDefinition } from '../accessories/accessory';
import { accessorySchema, type Accessory } from '../accessories/carried';
import type { Build, Production } from '../document/production';
import { choosing } from '../forms/brings';
import type { Field } from '../forms/form';
import type { Part } from '../materials/part';
import { byOwnedThenPrice, fitting } from '../materials/takes';
import { evaluate } from './evaluate';

/** Parts tried at a place before the first is taken as it is. */
const MOST_TRIES = 14;

const candidates = (field: Field, { shelf }: Production): Part[] =>
  field.kind !== 'part' || field.optional
    ? []
    : fitting(shelf.parts, field).toSorted(byOwnedThenPrice).slice(0, MOST_TRIES);

/**
 * An accessory as it arrives on a build: every place that needs a part has one that fits, owned before bought, the
 * first with which the build has no more stops than without.
 */
export function starterAccessory(
  accessory: AccessoryDefinition,
  document: Production,
  build: Build,
  id: string,
): Accessory {
  const made = (parameters: unknown): Accessory =>
    accessorySchema.parse({ id, kind: accessory.id, parameters });
  const stopsOf = (tried: Build): number => {
    const builds = document.builds.map((each) => (each.id === build.id ? tried : each));
    const found = evaluate({ ...document, builds }, build.id, { gridCells: 2 });
    if (!found.ok) return Infinity;
    return found.value.findings.filter(({ severity }) => severity === 'stop').length;
  };
  const stopsWith = (parameters: unknown): number =>
    stopsOf({ ...build, accessories: [...build.accessories, made(parameters)] });
  const bare = stopsOf(build);
  const chosen = (parameters: Record<string, unknown>, field: Field): Record<string, unknown> => {
    let [best, least] = [parameters, Infinity];
    for (const part of candidates(field, document)) {
      if (least <= bare) break;
      const tried = { ...parameters, ...choosing(field, part.id, document.shelf) };
      const stops = stopsWith(tried);
      if (stops < least) [best, least] = [tried, stops];
    }
    return best;
  };
  return made(accessory.fields.reduce(chosen, accessory.defaults() as Record<string, unknown>));
}
