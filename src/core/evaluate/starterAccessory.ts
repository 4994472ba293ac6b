import type { AccessoryDefinition } from '../accessories/accessory';
import { accessorySchema, type Accessory } from '../accessories/carried';
import type { Build, Production } from '../document/production';
import { choosing } from '../forms/brings';
import type { Field } from '../forms/form';
import type { Part } from '../materials/part';
import { isOwned, unfit } from '../materials/takes';
import { evaluate } from './evaluate';

/** Parts tried at a place before the first is taken as it is. */
const MOST_TRIES = 14;

/** What is owned first, then what is cheapest; a price nobody knows comes last. */
const byOwnedThenPrice = (a: Part, b: Part): number =>
  Number(isOwned(b)) - Number(isOwned(a)) ||
  (a.priceMinor ?? Infinity) - (b.priceMinor ?? Infinity) ||
  0;

const candidates = (field: Field, { shelf }: Production): Part[] =>
  field.kind !== 'part' || field.optional
    ? []
    : shelf.parts
        .filter((part) => part.role === field.role && unfit(field.takes, part) === null)
        .toSorted(byOwnedThenPrice);

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
  const stopsWith = (parameters: unknown): number => {
    const carried = { ...build, accessories: [...build.accessories, made(parameters)] };
    const builds = document.builds.map((each) => (each.id === build.id ? carried : each));
    const found = evaluate({ ...document, builds }, build.id, { gridCells: 2 });
    if (!found.ok) return Infinity;
    return found.value.findings.filter(({ severity }) => severity === 'stop').length;
  };
  const defaults = accessory.defaults() as Record<string, unknown>;
  const begun = accessory.fields.reduce((parameters, field) => {
    const [first, ...others] = candidates(field, document).slice(0, MOST_TRIES);
    if (!first) return parameters;
    const withPart = (part: Part) => ({
      ...parameters,
      ...choosing(field, part.id, document.shelf),
    });
    const tried = [first, ...others].map(withPart);
    const best = { parameters: tried[0]!, stops: stopsWith(tried[0]!) };
    for (const each of tried.slice(1)) {
      if (best.stops === 0) break;
      const stops = stopsWith(each);
      if (stops < best.stops) Object.assign(best, { parameters: each, stops });
    }
    return best.parameters;
  }, defaults);
  return made(begun);
}
