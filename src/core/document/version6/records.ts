import { CIRCUIT_RECORD } from '../../location/circuit';
import { SITE_RECORD } from '../../location/site';
import { PART_RECORDS } from '../../materials/part';
import { UNIT_RECORDS } from '../../units/unit';
import { isPlainObject } from '../edit/address';

/**
 * Version 6: bulbs stand among the other units, every figure of a record tells its own origin, and what one
 * has reckoned oneself is called “yours”. What was not marked counted as read from the label; it says so now.
 */
export type Json = Record<string, unknown>;

/** Figures that had an origin before version 6. */
const SOURCED = ['wattsW', 'luminousFluxLm', 'cctK', 'criRa', 'powerFactor'];
/** What tape calls them. */
const OF_TAPE: Readonly<Record<string, string>> = {
  wattsW: 'wattsPerM',
  luminousFluxLm: 'lumensPerM',
};
/** What the one origin of a layer spoke for. */
const OF_LAYER = ['transmittance', 'backReflectance', 'spreadDeg', 'shiftMired', 'limitC'];

export const originNow = (origin: unknown): unknown => (origin === 'user' ? 'yours' : origin);

/** What version 6 asks beyond version 5: nobody has answered yet. */
const asked = (starts: object | undefined, names: readonly string[]): Json =>
  Object.fromEntries(Object.entries(starts ?? {}).filter(([name]) => names.includes(name))) as Json;
const NEW_IN_UNITS = ['supplyToV', 'protection', 'weather', 'fedAt'];
const NEW_IN_PARTS = ['protection', 'lossW', 'earthContact'];
const NEW_IN_CIRCUITS = ['rcd', 'earthPin', 'place'];

export const liftCircuit = (circuit: Json): Json => ({
  ...asked(CIRCUIT_RECORD.starts, NEW_IN_CIRCUITS),
  ...circuit,
});

export function liftUnit(unit: Json): Json {
  const { origins, ...given } = unit;
  const starts = (UNIT_RECORDS as Record<string, { starts: object }>)[String(unit.category)]
    ?.starts;
  const rest = { ...asked(starts, NEW_IN_UNITS), ...given };
  const field = (name: string) => (unit.category === 'strip' ? (OF_TAPE[name] ?? name) : name);
  const said = isPlainObject(origins) ? origins : {};
  const silent = SOURCED.filter((name) => !(name in said) && typeof unit[field(name)] === 'number');
  return {
    ...rest,
    origins: Object.fromEntries([
      ...Object.entries(said).map(([name, origin]) => [field(name), originNow(origin)]),
      ...silent.map((name) => [field(name), 'label']),
    ]),
  };
}

export function liftBulb({ onHandCount, ...bulb }: Json): Json {
  return liftUnit({ category: 'bulb', onHand: onHandCount, ...bulb });
}

export function liftPart({ origin, ...part }: Json): Json {
  const starts = (PART_RECORDS as Record<string, { starts: object }>)[String(part.role)]?.starts;
  return {
    ...asked(starts, NEW_IN_PARTS),
    ...part,
    origins: origin === undefined ? {} : originsOfLayer(origin),
  };
}
export const originsOfLayer = (origin: unknown): Json =>
  Object.fromEntries(OF_LAYER.map((name) => [name, originNow(origin)]));

/** Where it stands nobody has said; several supplies fed a part each, as the application always told. */
export function liftBuild(build: Json): Json {
  const { parameters } = build;
  const tape = isPlainObject(parameters) && 'supplyPartId' in parameters && 'feed' in parameters;
  return {
    site: SITE_RECORD.starts,
    ...build,
    ...(Array.isArray(build.signOffs)
      ? { signOffs: each(build.signOffs, (signOff) => ({ copy: 1, seen: {}, ...signOff })) }
      : {}),
    ...(tape ? { parameters: { outputs: 'separate', ...parameters } } : {}),
  };
}

export const liftFixture = (fixture: Json): Json => ({
  ...fixture,
  origin: originNow(fixture.origin),
});

/** Objects of a list lifted; anything else is left for the schema to refuse. */
export const each = (list: unknown, lift: (item: Json) => Json): unknown =>
  Array.isArray(list)
    ? list.map((item) => (isPlainObject(item) ? lift(item) : (item as unknown)))
    : list;

export const idsOf = (list: unknown): string[] =>
  Array.isArray(list)
    ? list.flatMap((item) => (isPlainObject(item) && typeof item.id === 'string' ? [item.id] : []))
    : [];
