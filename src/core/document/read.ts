import type * as z from 'zod/mini';
import { ACCESSORIES } from '../accessories';
import { FORMS, readParameters } from '../forms';
import { MOST_DEPTH, nestedTooDeep } from '../jsonDepth';
import { accept, refuse, type Problem, type Result } from '../result';
import {
  findRecord,
  innerLists,
  LIST_KINDS,
  listOf,
  listPlace,
  type AnyRecord,
  type RecordRef,
} from './edit';
import { migrate } from './migrations';
import {
  DOCUMENT_FORMAT,
  DOCUMENT_VERSION,
  productionSchema,
  type Build,
  type Production,
} from './production';
import { wording } from './wording';

/** The largest document that is read; 300 builds, 200 setups and 5,000 readings are a tenth of it. */
export const MOST_DOCUMENT_BYTES = 64_000_000;

/** Reads a document from text: JSON, format, version, shape, references, in that order. */
export function readDocumentText(text: string): Result<Production> {
  let json: unknown;
  if (nestedTooDeep(text))
    return refuse(
      'too_deep',
      `This is not a Lantern Jar document: it is nested more than ${MOST_DEPTH} deep.`,
    );
  try {
    // A byte-order mark is forgiven.
    json = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch (error) {
    return refuse('not_json', `This is not a Lantern Jar document: ${(error as Error).message}.`);
  }
  return readDocument(json);
}

/** Validates parsed JSON as a production of any known version; changes nothing on refusal. */
export function readDocument(json: unknown): Result<Production> {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    return refuse('not_a_document', 'A document is one JSON object; this is something else.');
  const { format, version } = json as Record<string, unknown>;
  if (format !== DOCUMENT_FORMAT)
    return refuse('wrong_format', `The field “format” must read “${DOCUMENT_FORMAT}”.`, 'format');
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return refuse('wrong_version', 'The field “version” must be a whole number from 1.', 'version');
  if (version > DOCUMENT_VERSION)
    return refuse(
      'newer_version',
      `This document is version ${version}; this Lantern Jar reads up to ${DOCUMENT_VERSION}. Open it with a newer one.`,
      'version',
    );
  return validateProduction(migrate(json as Record<string, unknown>, version));
}

/** Shape and references of a production of the newest version. */
export function validateProduction(json: unknown): Result<Production> {
  const read = productionSchema.safeParse(json, wording);
  if (!read.success) return { ok: false, problems: read.error.issues.map(toProblem) };
  const problems = [...referenceProblems(read.data), ...parameterProblems(read.data)];
  return problems.length ? { ok: false, problems } : accept(read.data);
}

const toProblem = (issue: z.core.$ZodIssue): Problem => ({
  code: issue.code,
  path: issue.path.join('.'),
  message: issue.message,
});

/** Names of records that are not there, and ids used twice. */
export function referenceProblems(document: Production): Problem[] {
  const dangling = references(document).filter(({ to }) => !findRecord(document, to));
  return [
    ...dangling.map(({ to, path, name }): Problem => ({
      code: 'dangling',
      path,
      message: `“${name}” names a ${to.kind} “${to.id}” that is not in the document.`,
    })),
    ...doubledIds(document),
  ];
}

/** What records outside the shelf name, with the document path of the field that does. */
function references(document: Production): { path: string; name: string; to: RecordRef }[] {
  const { builds, pictures, makings, sessions, setups } = document;
  const named = (
    at: string,
    name: string,
    fields: Readonly<Record<string, readonly [kind: RecordRef['kind'], id: string | null]>>,
  ) =>
    Object.entries(fields).flatMap(([field, [kind, id]]) =>
      id === null ? [] : [{ path: `${at}.${field}`, name, to: { kind, id } }],
    );
  const ofBuild = (list: string, records: readonly { name: string; buildId: string | null }[]) =>
    records.flatMap(({ name, buildId }, k) =>
      named(`${list}.${k}`, name, { buildId: ['build', buildId] }),
    );
  return [
    ...builds.flatMap(({ name, shotId, circuitId, fixtureId }, k) =>
      named(`builds.${k}`, name, {
        shotId: ['shot', shotId],
        circuitId: ['circuit', circuitId],
        fixtureId: ['fixture', fixtureId],
      }),
    ),
    ...ofBuild('pictures', pictures),
    ...ofBuild('makings', makings),
    ...ofBuild('sessions', sessions),
    ...setups.flatMap(({ name, shotId, things }, k) => [
      ...named(`setups.${k}`, name, { shotId: ['shot', shotId] }),
      ...things.flatMap((thing, at) =>
        thing.kind === 'light'
          ? named(`setups.${k}.things.${at}`, thing.name, {
              buildId: ['build', thing.buildId],
              fixtureId: ['fixture', thing.fixtureId],
              unitId: ['unit', thing.unitId],
            })
          : thing.kind === 'socket'
            ? named(`setups.${k}.things.${at}`, thing.name, {
                circuitId: ['circuit', thing.circuitId],
              })
            : [],
      ),
    ]),
  ];
}

/** Every list of records with the document path to it. */
function recordLists(document: Production): [string, readonly AnyRecord[]][] {
  return LIST_KINDS.flatMap((kind) => {
    const path = listPlace({ kind })!.keys.join('.');
    const list = listOf(document, { kind })!;
    const inner = list.flatMap((record, index) =>
      innerLists(kind).map(({ list: key }): [string, readonly AnyRecord[]] => [
        `${path}.${index}.${key}`,
        record[key] as readonly AnyRecord[],
      ]),
    );
    return [[path, list], ...inner] as [string, readonly AnyRecord[]][];
  });
}

function doubledIds(document: Production): Problem[] {
  return recordLists(document).flatMap(([path, list]) => {
    const seen = new Set<string>();
    return list.flatMap(({ id }, index): Problem[] => {
      const again = seen.has(id);
      seen.add(id);
      if (!again) return [];
      const message = `The id “${id}” is used twice.`;
      return [{ code: 'double_id', path: `${path}.${index}.id`, message }];
    });
  });
}

/** Parameters of known forms and accessories must be of the right types; unknown forms are kept untouched. */
const parameterProblems = (document: Production): Problem[] =>
  document.builds.flatMap((build, index) => buildParameterProblems(build, `builds.${index}.`));

export const buildParameterProblems = (build: Build, at: string): Problem[] => [
  ...typeProblems(FORMS.get(build.form), build.parameters, `${at}parameters`),
  ...build.accessories.flatMap(({ kind, parameters }, k) =>
    typeProblems(ACCESSORIES.get(kind), parameters, `${at}accessories.${k}.parameters`),
  ),
];

function typeProblems(
  owner: Parameters<typeof readParameters>[0] | undefined,
  parameters: unknown,
  path: string,
): Problem[] {
  const read = owner && readParameters(owner, parameters, wording);
  if (!read || read.ok) return [];
  return read.problems.map((problem) => ({ ...problem, path: `${path}.${problem.path}` }));
}
