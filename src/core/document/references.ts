import { ACCESSORIES } from '../accessories';
import { FORMS } from '../forms';
import type { Field, Ref } from '../forms/form';
import type { Build, Production, BuildParameters } from './production';

/** What becomes of a reference: another id, or null for an empty place. */
type MapReference = (ref: Ref, id: string) => string | null;

/**
 * Parameters with every reference their definitions tell of put through `map`. Values are never
 * searched: a part called like a choice is no reference.
 */
function mapParameters(
  fields: readonly Field[],
  parameters: BuildParameters,
  map: MapReference,
): BuildParameters {
  const next = { ...parameters };
  for (const field of fields) {
    if (!('ref' in field)) continue;
    const { parameter, ref } = field;
    const value = parameters[parameter];
    if (field.kind === 'groups') {
      if (Array.isArray(value)) next[parameter] = value.map((group) => mapGroup(group, map));
    } else if (typeof value === 'string') next[parameter] = map(ref, value);
  }
  return next;
}

function mapGroup(group: BuildParameters[string], map: MapReference): BuildParameters[string] {
  if (typeof group !== 'object' || group === null || Array.isArray(group)) return group;
  const { bulbId } = group;
  return typeof bulbId === 'string' ? { ...group, bulbId: map('unit', bulbId) } : group;
}

/** Fields of a build's form; none for a form this version does not know, which is left untouched. */
const formFields = (build: Pick<Build, 'form'>): readonly Field[] =>
  FORMS.get(build.form)?.fields ?? [];

/** A build with the shelf records it names put through `map`, accessories included. */
export const mapBuild = <B extends Pick<Build, 'form' | 'parameters' | 'accessories'>>(
  build: B,
  map: MapReference,
): B => ({
  ...build,
  parameters: mapParameters(formFields(build), build.parameters, map),
  accessories: build.accessories.map((accessory) => ({
    ...accessory,
    parameters: mapParameters(
      ACCESSORIES.get(accessory.kind)?.fields ?? [],
      accessory.parameters,
      map,
    ),
  })),
});

/** Shelf records a build names, each once, as `kind:id`. */
export function shelfReferences(
  build: Pick<Build, 'form' | 'parameters' | 'accessories'>,
): ReadonlySet<`${Ref}:${string}`> {
  const found = new Set<`${Ref}:${string}`>();
  mapBuild(build, (ref, id) => {
    found.add(`${ref}:${id}`);
    return id;
  });
  return found;
}

const LIST_OF: Record<Ref, keyof Production['shelf']> = {
  unit: 'units',
  part: 'parts',
};

export const shelfRecord = ({ shelf }: Production, ref: Ref, id: string) =>
  (shelf[LIST_OF[ref]] as readonly { id: string; name: string }[]).find((each) => each.id === id) ??
  null;

/** References of builds to shelf records that are not there, as they stand in a foreign file. */
export const openReferences = (document: Production): { build: Build; ref: Ref; id: string }[] =>
  document.builds.flatMap((build) =>
    [...shelfReferences(build)].flatMap((each) => {
      const [ref, id] = each.split(':') as [Ref, string];
      return shelfRecord(document, ref, id) ? [] : [{ build, ref, id }];
    }),
  );
