import { FORMS } from '../../forms';
import { isPlainObject } from '../edit/address';
import {
  each,
  idsOf,
  liftBuild,
  liftBulb,
  liftCircuit,
  liftFixture,
  liftPart,
  liftUnit,
  type Json,
} from './records';

/** New ids for bulbs that were called like another unit: the two lists had names of their own. */
function renamedBulbs({ bulbs, units }: Json): ReadonlyMap<string, string> {
  const taken = new Set([...idsOf(bulbs), ...idsOf(units)]);
  const ofUnits = new Set(idsOf(units));
  const renamed = new Map<string, string>();
  for (const id of idsOf(bulbs)) {
    if (!ofUnits.has(id)) continue;
    let name = `${id.slice(0, 50)}-bulb`;
    for (let k = 2; taken.has(name); k++) name = `${id.slice(0, 50)}-bulb-${k}`;
    taken.add(name);
    renamed.set(id, name);
  }
  return renamed;
}

/** A build's lamp groups under the new ids. */
function renameIn(build: Json, renamed: ReadonlyMap<string, string>): Json {
  const { parameters } = build;
  if (renamed.size === 0 || !isPlainObject(parameters)) return build;
  const next = { ...parameters };
  for (const { kind, parameter } of FORMS.get(String(build.form))?.fields ?? [])
    if (kind === 'groups')
      next[parameter] = each(parameters[parameter], (group) => ({
        ...group,
        bulbId: renamed.get(String(group.bulbId)) ?? group.bulbId,
      }));
  return { ...build, parameters: next };
}

export function toVersion6(document: Json): Json {
  const { bulbs, units, ...shelf } = isPlainObject(document.shelf) ? document.shelf : {};
  const renamed = renamedBulbs({ bulbs, units });
  const lifted = each(bulbs, (bulb) => ({
    ...liftBulb(bulb),
    id: renamed.get(String(bulb.id)) ?? bulb.id,
  }));
  const others = each(units, liftUnit);
  return {
    ...document,
    version: 6,
    shelf: {
      ...shelf,
      units: Array.isArray(lifted) && Array.isArray(others) ? [...lifted, ...others] : null,
      parts: each(shelf.parts, liftPart),
    },
    fixtures: each(document.fixtures, liftFixture),
    circuits: each(document.circuits, liftCircuit),
    builds: each(document.builds, (build) => liftBuild(renameIn(build, renamed))),
  };
}
