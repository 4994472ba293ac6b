import { ACCESSORIES } from '../../accessories';
import { FORMS } from '../../forms';
import type { FormDefinition, ParameterMigrations } from '../../forms/form';
import { isPlainObject } from '../edit/address';
import { each, type Json } from '../version6/records';

/**
 * Version 7: what a builder needs at the saw. Forms and accessories ask more (what a fitting takes, which bolts,
 * covers and plates to cut); boards and bars may say what a cut takes, and round left-overs are kept as well.
 */
interface Owner {
  defaults: () => unknown;
  migrations?: ParameterMigrations;
}

/** What is new has its first value; what an older design meant differently its form lifts; what is gone is left out. */
function liftParameters(owner: Owner | undefined, parameters: unknown): unknown {
  if (!owner || !isPlainObject(parameters)) return parameters;
  const lift = owner.migrations?.[7] ?? ((same: Json) => same);
  const starts = owner.defaults() as Json;
  const lifted = lift(parameters);
  return Object.fromEntries(
    Object.entries(starts).map(([name, start]) => [name, name in lifted ? lifted[name] : start]),
  );
}

export const liftAccessory = (accessory: Json): Json => ({
  ...accessory,
  parameters: liftParameters(ACCESSORIES.get(String(accessory.kind)), accessory.parameters),
});

export const liftBuild = (build: Json): Json => ({
  ...build,
  parameters: liftParameters(FORMS.get(String(build.form)), build.parameters),
  accessories: each(build.accessories, liftAccessory),
});

export const liftPart = (part: Json): Json =>
  part.role === 'sheet' || part.role === 'stick' ? { kerfM: null, ...part } : part;

/** Parameters set as a whole name no form: of those that take them after lifting, the one most of whose names they have is whose they are. */
export function liftAnyParameters(parameters: unknown, owners: Iterable<FormDefinition>): unknown {
  if (!isPlainObject(parameters)) return parameters;
  let best: { share: number; lifted: unknown } = { share: MOSTLY, lifted: parameters };
  for (const owner of owners) {
    const names = Object.keys(owner.defaults() as Json);
    const share = names.filter((name) => name in parameters).length / names.length;
    if (share <= best.share) continue;
    const lifted = liftParameters(owner, parameters);
    if (owner.parameters.safeParse(lifted).success) best = { share, lifted };
  }
  return best.lifted;
}
/** Forms have come to ask for more since. */
const MOSTLY = 0.5;

export function toVersion7(document: Json): Json {
  const shelf = isPlainObject(document.shelf) ? document.shelf : {};
  return {
    ...document,
    version: 7,
    shelf: { ...shelf, parts: each(shelf.parts, liftPart) },
    builds: each(document.builds, liftBuild),
  };
}
