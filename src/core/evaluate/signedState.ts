import { ACCESSORIES } from '../accessories';
import type { Build, Production } from '../document/production';
import { mapBuild, shelfRecord } from '../document/references';
import { eightDigits, fnv } from '../fnv';
import { FORMS } from '../forms';
import type { Field, Ref } from '../forms/form';
import { CIRCUIT_RECORD } from '../location/circuit';
import { SITE_RECORD } from '../location/site';
import { PART_RECORDS } from '../materials/part';
import { editText } from '../quantity';
import type { RecordField } from '../record/field';
import { UNIT_RECORDS } from '../units/unit';
import type { Derivations } from './derive';

/** JSON with the keys of every object in one order, so that equal things read alike. */
function canonicalJson(node: unknown): string {
  if (Array.isArray(node)) return `[${node.map(canonicalJson).join(',')}]`;
  if (typeof node !== 'object' || node === null) return JSON.stringify(node) ?? 'null';
  const entries = Object.entries(node)
    .filter(([, value]) => value !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, value]) => `${JSON.stringify(key)}:${canonicalJson(value)}`).join(',')}}`;
}

/** A second basis, so that two sums of 32 bits stand for one of 64. */
const OTHER_BASIS = 0x2f0b4c47;

const hash = (text: string): string => eightDigits(fnv(text)) + eightDigits(fnv(text, OTHER_BASIS));

/** One mark for any JSON, whatever the order of its keys. */
export const canonicalHash = (node: unknown): string => hash(canonicalJson(node));

/** One thing that somebody who signs has looked at. */
interface SeenPoint {
  /** stable while its words change */
  key: string;
  what: string;
  words: string;
  exact: unknown;
}

const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1)}…` : text;

/** A value as a person would read it off. */
function inWords(field: Field | RecordField, value: unknown, name: (id: string) => string): string {
  if (value === null || value === undefined) return 'none';
  switch (field.kind) {
    case 'quantity':
      return typeof value === 'number' ? editText(value, field.dimension, 'metric') : '?';
    case 'choice':
      return (
        (field.options as readonly { value: unknown; label: string }[]).find(
          (option) => option.value === value,
        )?.label ?? String(value)
      );
    case 'part':
    case 'unit':
      return name(value as string);
    case 'groups':
      return (value as { bulbId: string | null; level: number }[])
        .map(
          ({ bulbId, level }) =>
            `${bulbId ? name(bulbId) : 'none'} at ${Math.round(level * 100)} %`,
        )
        .join(', ');
    default:
      return canonicalJson(value);
  }
}

type Values = Readonly<Record<string, unknown>>;

/** Fields of a record or of parameters, one point each. */
const pointsOf = (
  stem: string,
  owner: string,
  fields: readonly (Field | RecordField)[],
  values: Values,
  name: (id: string) => string = (id) => id,
): SeenPoint[] =>
  fields.flatMap((field) => {
    const own = 'parameter' in field ? field.parameter : field.field;
    const value = values[own];
    if ('unsaid' in field && (value === undefined || value === field.unsaid)) return [];
    return [
      {
        key: `${stem}.${own}`,
        what: owner === '' ? field.label : `${owner}: ${field.label}`,
        words: inWords(field, value, name),
        exact: value,
      },
    ];
  });

/** What a record says of a thing itself: neither money nor what lies in the shed. */
const ofTheThing = (fields: readonly RecordField[]): RecordField[] =>
  fields.filter(({ role }) => role === 'figure' || role === 'kind');

function recordPoints(document: Production, ref: Ref, id: string): SeenPoint[] {
  const record = shelfRecord(document, ref, id) as (Values & { name: string }) | null;
  if (!record) return [];
  const definition =
    ref === 'unit'
      ? UNIT_RECORDS[record.category as keyof typeof UNIT_RECORDS]
      : PART_RECORDS[record.role as keyof typeof PART_RECORDS];
  return pointsOf(`${ref}:${id}`, `“${record.name}”`, ofTheThing(definition.fields), record);
}

/** A neighbour's current to a tenth of an ampere: finer than any breaker is. */
const roundedA = (amps: number): number => Math.round(amps * 10) / 10;

function neighbourPoints(document: Production, build: Build, derive: Derivations): SeenPoint[] {
  const { voltageV } = derive.circuit(document, build);
  return document.builds
    .filter(
      (other) =>
        other.id !== build.id && other.circuitId === build.circuitId && other.standing === 'in use',
    )
    .map((other) => ({ other, drawn: roundedA(derive.amps(document, other, voltageV)) }))
    .filter(({ drawn }) => drawn > 0)
    .map(({ other, drawn }) => ({
      key: `beside:${other.id}`,
      what: `“${other.name}” on the same circuit`,
      words: `${drawn} A`,
      exact: drawn,
    }));
}

/** What a hot lamp shines at, and how near. */
function shotPoints(document: Production, build: Build, derive: Derivations): SeenPoint[] {
  const hot = derive.resolve(document, build)?.resolved.groups.some(({ unit }) => unit.filament);
  if (!hot) return [];
  const { distanceM, use } = derive.shot(document, build);
  return [
    {
      key: 'shot.distanceM',
      what: 'Light to subject',
      words: editText(distanceM, 'length', 'metric'),
      exact: distanceM,
    },
    { key: 'shot.use', what: 'What is lit', words: use, exact: use },
  ];
}

/** A light that was opened and mended is another one than was looked over, whichever copy it was. */
function mendedPoints({ makings }: Production, build: Build): SeenPoint[] {
  const mended = makings
    .filter(({ buildId }) => buildId === build.id)
    .flatMap(({ log }) => log.filter(({ kind }) => kind === 'fault'));
  if (mended.length === 0) return [];
  return [
    {
      key: 'mended',
      what: 'Faults found and mended',
      words: String(mended.length),
      exact: mended.map(({ id }) => id).sort(),
    },
  ];
}

/** The design as it is made: form, parameters, what it carries and is made of, what it hangs on and how it stands. */
export function designPoints(document: Production, build: Build, derive: Derivations): SeenPoint[] {
  return cutPoints(ownPoints(document, build, derive));
}

/**
 * Everything a sign-off is given for: the design with its counts worked out, every record of the shelf in it
 * (money and stock aside), how it stands, the circuit, and what else loads it. Another bulb behind the same
 * name, a thinner cord or a kettle on the breaker make another state; a note, a price or a change in the
 * order of fields does not.
 */
export function signedPoints(document: Production, build: Build, derive: Derivations): SeenPoint[] {
  return cutPoints([
    ...ownPoints(document, build, derive),
    ...neighbourPoints(document, build, derive),
    ...shotPoints(document, build, derive),
    ...mendedPoints(document, build),
  ]);
}

const cutPoints = (points: readonly SeenPoint[]): SeenPoint[] =>
  points.map((point) => ({ ...point, what: cut(point.what, 120), words: cut(point.words, 80) }));

function ownPoints(document: Production, build: Build, derive: Derivations): SeenPoint[] {
  const { form, accessories, copies, site } = build;
  const parameters = (derive.resolve(document, build)?.parameters ??
    build.parameters) as Build['parameters'];
  const seen = new Set<string>();
  const records: SeenPoint[] = [];
  const names = new Map<string, string>();
  mapBuild({ form, parameters, accessories }, (ref, id) => {
    if (!seen.has(`${ref}:${id}`)) {
      seen.add(`${ref}:${id}`);
      names.set(id, shelfRecord(document, ref, id)?.name ?? id);
      records.push(...recordPoints(document, ref, id));
    }
    return id;
  });
  const name = (id: string) => names.get(id) ?? id;
  const definition = FORMS.get(form);
  const circuit = derive.circuit(document, build);
  const { region, voltageV, frequencyHz } = circuit;
  return [
    { key: 'form', what: 'Form', words: definition?.name ?? form, exact: form },
    { key: 'copies', what: 'Copies', words: String(copies), exact: copies },
    ...pointsOf('own', '', definition?.fields ?? [], parameters, name),
    ...accessories.flatMap(({ id, kind, parameters: own }) => {
      const accessory = ACCESSORIES.get(kind);
      const owner = accessory?.name ?? kind;
      return [
        { key: `with:${id}`, what: owner, words: 'carried', exact: kind },
        ...pointsOf(`with:${id}`, owner, accessory?.fields ?? [], own, name),
      ];
    }),
    ...records,
    {
      key: 'mains',
      what: 'Mains',
      words: `${voltageV} V, ${frequencyHz} Hz`,
      exact: [region, voltageV, frequencyHz],
    },
    ...pointsOf('circuit', 'Circuit', CIRCUIT_RECORD.fields, circuit),
    ...pointsOf('site', '', SITE_RECORD.fields, site),
  ];
}

/** A hash of everything a sign-off is given for. */
export function signedState(document: Production, build: Build, derive: Derivations): string {
  const points = signedPoints(document, build, derive)
    .map(({ key, exact }) => [key, exact ?? null] as const)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return canonicalHash(points);
}

type Seen = Build['signOffs'][number]['seen'];

/** The points as a sign-off keeps them, so that what changed can be told in words. */
export const seenOf = (points: readonly SeenPoint[]): Seen =>
  Object.fromEntries(points.map(({ key, what, words }) => [key, { what, words }]));

/** What is other than when it was signed, a line each. */
export function changedSince(seen: Seen, points: readonly SeenPoint[]): string[] {
  const now = new Map(points.map((point) => [point.key, point]));
  const gone = Object.entries(seen)
    .filter(([key]) => !now.has(key))
    .map(([, { what, words }]) => `${what}: was ${words}, is gone`);
  const other = points.flatMap(({ key, what, words }) => {
    const before = seen[key];
    if (!before) return [`${what}: new, ${words}`];
    return before.words === words ? [] : [`${what}: ${before.words} → ${words}`];
  });
  return [...other, ...gone];
}
