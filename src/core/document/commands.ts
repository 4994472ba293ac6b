import type { BulbId, ShotId } from '../ids';
import type { Build, Production } from './production';

/** Draft changes that need more than setting one field. All mutate an Immer draft in place. */

/** Takes a bulb off the shelf; builds that used it are left with an empty place. */
export function removeBulbInPlace(draft: Production, id: BulbId): void {
  draft.shelf.bulbs = draft.shelf.bulbs.filter((bulb) => bulb.id !== id);
  for (const build of draft.builds) clearIdInPlace(build.parameters, id);
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

export function setParameterInPlace(
  draft: Production,
  buildId: string,
  parameters: Build['parameters'],
): void {
  const build = draft.builds.find(({ id }) => id === buildId);
  if (build) Object.assign(build.parameters, parameters);
}
