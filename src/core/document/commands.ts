import type { ShotId } from '../ids';
import type { Build, Production } from './production';

/** Draft changes that need more than setting one field. All mutate an Immer draft in place. */

/** Takes a bulb, unit or part off the shelf; builds that used it are left with an empty place. */
export function removeFromShelfInPlace(
  draft: Production,
  kind: keyof Production['shelf'],
  id: string,
): void {
  const list = draft.shelf[kind] as { id: string }[];
  const at = list.findIndex((each) => each.id === id);
  if (at >= 0) list.splice(at, 1);
  for (const build of draft.builds) {
    clearIdInPlace(build.parameters, id);
    for (const { parameters } of build.accessories) clearIdInPlace(parameters, id);
  }
}

/** Parameters are plain JSON here; ids are unique, so every value equal to the id is a reference. */
function clearIdInPlace(node: unknown, id: string): void {
  if (typeof node !== 'object' || node === null) return;
  const holder = node as Record<string, unknown>;
  for (const [key, value] of Object.entries(holder)) {
    if (value === id) holder[key] = null;
    else clearIdInPlace(value, id);
  }
}

/** Takes a shot away together with the builds made for it. */
export function removeShotInPlace(draft: Production, id: ShotId): void {
  draft.shots = draft.shots.filter((shot) => shot.id !== id);
  draft.builds = draft.builds.filter((build) => build.shotId !== id);
}

/** "Ring", "Ring 2", "Ring 3": the first name of its kind that is free. */
export function freeName(wanted: string, taken: readonly { name: string }[]): string {
  const names = new Set(taken.map(({ name }) => name));
  const stem = wanted.replace(/ \d+$/, '');
  for (let number = 1; ; number++) {
    const name = number === 1 ? wanted : `${stem} ${number}`;
    if (!names.has(name)) return name;
  }
}

/** Sets parameters of a build; `id.name` is the parameter of the accessory with that id. */
export function setParameterInPlace(
  draft: Production,
  buildId: string,
  parameters: Build['parameters'],
): void {
  const build = draft.builds.find(({ id }) => id === buildId);
  if (!build) return;
  for (const [name, value] of Object.entries(parameters)) {
    const [owner, own] = name.split('.');
    const accessory = own && build.accessories.find(({ id }) => id === owner);
    if (accessory) accessory.parameters[own] = value;
    else if (!own) build.parameters[name] = value;
  }
}
