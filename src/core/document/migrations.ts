import { ACCESSORIES } from '../accessories';
import { FORMS } from '../forms';
import type { ParameterMigrations } from '../forms/form';
import { assert } from '../result';
import { DOCUMENT_VERSION } from './production';
import { toVersion6 } from './version6/document';
import { toVersion7 } from './version7/document';
import { toVersion8 } from './version8/document';
import { toVersion9 } from './version9/document';
import { toVersion10 } from './version10/document';
import { toVersion11 } from './version11/document';
import { toVersion12 } from './version12/document';
import { toVersion13 } from './version13/document';

/** Lifts a document from one version to the next; index 0 lifts version 1 to 2. */
type Migration = (document: Record<string, unknown>) => Record<string, unknown>;

/** Numbered and gapless: one entry for each version before the newest. */
export const MIGRATIONS: readonly Migration[] = [
  toVersion2,
  toVersion3,
  toVersion4,
  toVersion5,
  toVersion6,
  toVersion7,
  toVersion8,
  toVersion9,
  toVersion10,
  toVersion11,
  toVersion12,
  toVersion13,
];

type Json = Record<string, unknown>;
/**
 * Lifts the objects of a list; anything else is left for the schema to refuse.
 * @param named gives every object an id after this stem and its place in the list
 */
const lifted = (value: unknown, lift: (item: Json) => Json, named?: string): unknown =>
  Array.isArray(value)
    ? value.map((item: unknown, k) =>
        item && typeof item === 'object'
          ? { ...(named ? { id: `${named}-${k + 1}` } : {}), ...lift(item as Json) }
          : item,
      )
    : value;

/** Version 2: units beside bulbs, off-cuts and the worth of stock on hand, accessories of a build. */
function toVersion2(document: Json): Json {
  const shelf = (document.shelf ?? {}) as Json;
  const part = (old: Json): Json => ({
    onHandCounts: false,
    ...(old.role === 'sheet' ? { grain: false, offCuts: [] } : {}),
    ...(old.role === 'cloth' ? { massKgPerM2: 0.15 } : {}),
    ...(old.role === 'hardware' ? { kind: 'other' } : {}),
    ...old,
  });
  return {
    ...document,
    version: 2,
    shelf: {
      ...shelf,
      units: [],
      bulbs: lifted(shelf.bulbs, (bulb) => ({ onHandCounts: false, ...bulb })),
      parts: lifted(shelf.parts, part),
    },
    builds: lifted(document.builds, (build) => ({ accessories: [], ...build })),
  };
}

/** Version 3: barn doors stand at an angle, a bounced lamp at a distance from its surface. */
function toVersion3(document: Json): Json {
  const doors = { openedRad: Math.PI / 4 };
  const given = (holder: Json, more: Json): Json => ({
    ...holder,
    parameters: { ...more, ...((holder.parameters ?? {}) as Json) },
  });
  return {
    ...document,
    version: 3,
    builds: lifted(document.builds, (build) => ({
      ...(build.form === 'work-light' ? given(build, { ...doors, bounceDistanceM: 1 }) : build),
      accessories: lifted(build.accessories, (accessory) =>
        accessory.kind === 'barn-doors' ? given(accessory, doors) : accessory,
      ),
    })),
  };
}

/** Version 4: spectra, tape's copper and leads, light that is there anyway, sign-offs. */
function toVersion4(document: Json): Json {
  const shelf = (document.shelf ?? {}) as Json;
  const leads = { leadLengthM: 1, leadMm2: 0.75, connector: 'soldered' };
  const parameters = (build: Json) => (build.parameters ?? {}) as Json;
  return {
    ...document,
    version: 4,
    shots: lifted(document.shots, (shot) => ({ roomLights: [], ...shot })),
    shelf: {
      ...shelf,
      bulbs: lifted(shelf.bulbs, (bulb) => ({ spectrum: null, ...bulb })),
      units: lifted(shelf.units, (unit) => ({
        spectrum: null,
        ...(unit.category === 'strip' ? { load: 'string', loopOhmPerM: null } : {}),
        ...unit,
      })),
    },
    builds: lifted(document.builds, (build) => ({
      signOffs: [],
      ...build,
      // Every form with tape names its supply.
      ...('supplyPartId' in parameters(build) && 'feed' in parameters(build)
        ? { parameters: { ...leads, ...parameters(build) } }
        : {}),
    })),
  };
}

/**
 * Version 5: what later stations keep, builds that are ideas, sign-offs with an id. Parameters are
 * lifted by their own form or accessory.
 */
function toVersion5(document: Json): Json {
  const own = (holder: Json, migrations: ParameterMigrations | undefined): Json => {
    const lift = migrations?.[5];
    const { parameters } = holder;
    return lift && parameters && typeof parameters === 'object'
      ? { ...holder, parameters: lift(parameters as Json) }
      : holder;
  };
  return {
    setups: [],
    makings: [],
    sessions: [],
    pictures: [],
    ...document,
    version: 5,
    shots: lifted(document.shots, (shot) => ({ ...shot, roomLights: unlike(shot.roomLights) })),
    builds: lifted(document.builds, (build) => ({
      standing: 'in use',
      ...own(build, FORMS.get(String(build.form))?.migrations),
      signOffs: lifted(build.signOffs, (signOff) => signOff, 'look'),
      accessories: lifted(build.accessories, (accessory) =>
        own(accessory, ACCESSORIES.get(String(accessory.kind))?.migrations),
      ),
    })),
  };
}

/** Ids of a list made unlike one another; before version 5 nobody looked. */
function unlike(value: unknown): unknown {
  const seen = new Set<unknown>();
  return lifted(value, (item) => {
    let { id } = item;
    for (let k = 2; seen.has(id); k++) id = `${String(item.id).slice(0, 36)}-${k}`;
    seen.add(id);
    return { ...item, id };
  });
}

export function migrate(
  document: Record<string, unknown>,
  fromVersion: number,
): Record<string, unknown> {
  assert(MIGRATIONS.length === DOCUMENT_VERSION - 1, 'one migration for each older version');
  return MIGRATIONS.slice(fromVersion - 1).reduce((lifted, lift) => lift(lifted), document);
}
