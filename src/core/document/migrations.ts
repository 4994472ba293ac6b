import { assert } from '../result';
import { DOCUMENT_VERSION } from './production';

/** Lifts a document from one version to the next; index 0 lifts version 1 to 2. */
export type Migration = (document: Record<string, unknown>) => Record<string, unknown>;

/** Numbered and gapless: one entry for each version before the newest. */
export const MIGRATIONS: readonly Migration[] = [toVersion2, toVersion3, toVersion4];

type Json = Record<string, unknown>;
/** Lifts the objects of a list; anything else is left for the schema to refuse. */
const lifted = (value: unknown, lift: (item: Json) => Json): unknown =>
  Array.isArray(value)
    ? value.map((item: unknown) => (item && typeof item === 'object' ? lift(item as Json) : item))
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

export function migrate(
  document: Record<string, unknown>,
  fromVersion: number,
): Record<string, unknown> {
  assert(MIGRATIONS.length === DOCUMENT_VERSION - 1, 'one migration for each older version');
  return MIGRATIONS.slice(fromVersion - 1).reduce((lifted, lift) => lift(lifted), document);
}
