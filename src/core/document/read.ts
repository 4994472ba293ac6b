import type * as z from 'zod/mini';
import { ACCESSORIES } from '../accessories';
import { FORMS, readParameters } from '../forms';
import { accept, refuse, type Problem, type Result } from '../result';
import { migrate } from './migrations';
import { DOCUMENT_FORMAT, DOCUMENT_VERSION, productionSchema, type Production } from './production';
import { wording } from './wording';

/** Reads a document from text: JSON, format, version, shape, references, in that order. */
export function readDocumentText(text: string): Result<Production> {
  let json: unknown;
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

function referenceProblems(document: Production): Problem[] {
  const shots = new Set<string>(document.shots.map(({ id }) => id));
  const circuits = new Set<string>(document.circuits.map(({ id }) => id));
  const fixtures = new Set<string>(document.fixtures.map(({ id }) => id));
  const dangling = document.builds.flatMap((build, index): Problem[] => {
    const at = (field: string, id: string, what: string): Problem => ({
      code: 'dangling',
      path: `builds.${index}.${field}`,
      message: `“${build.name}” names a ${what} “${id}” that is not in the document.`,
    });
    return [
      ...(shots.has(build.shotId) ? [] : [at('shotId', build.shotId, 'shot')]),
      ...(circuits.has(build.circuitId) ? [] : [at('circuitId', build.circuitId, 'circuit')]),
      ...(build.fixtureId === null || fixtures.has(build.fixtureId)
        ? []
        : [at('fixtureId', build.fixtureId, 'fixture')]),
    ];
  });
  return [...dangling, ...doubledIds(document)];
}

function doubledIds(document: Production): Problem[] {
  const lists: [string, readonly { id: string }[]][] = [
    ['circuits', document.circuits],
    ['shots', document.shots],
    ['shelf.bulbs', document.shelf.bulbs],
    ['shelf.units', document.shelf.units],
    ['shelf.parts', document.shelf.parts],
    ['fixtures', document.fixtures],
    ['builds', document.builds],
    ...document.builds.map(({ accessories }, index): [string, readonly { id: string }[]] => [
      `builds.${index}.accessories`,
      accessories,
    ]),
  ];
  return lists.flatMap(([path, list]) => {
    const seen = new Set<string>();
    return list.flatMap(({ id }, index): Problem[] => {
      const again = seen.has(id);
      seen.add(id);
      return again
        ? [
            {
              code: 'double_id',
              path: `${path}.${index}.id`,
              message: `The id “${id}” is used twice.`,
            },
          ]
        : [];
    });
  });
}

/** Parameters of known forms and accessories must be of the right types; unknown forms are kept untouched. */
function parameterProblems(document: Production): Problem[] {
  return document.builds.flatMap((build, index) => {
    const at = `builds.${index}`;
    return [
      ...typeProblems(FORMS.get(build.form), build.parameters, `${at}.parameters`),
      ...build.accessories.flatMap(({ kind, parameters }, k) =>
        typeProblems(ACCESSORIES.get(kind), parameters, `${at}.accessories.${k}.parameters`),
      ),
    ];
  });
}

function typeProblems(
  owner: Parameters<typeof readParameters>[0] | undefined,
  parameters: unknown,
  path: string,
): Problem[] {
  const read = owner && readParameters(owner, parameters, wording);
  if (!read || read.ok) return [];
  return read.problems.map((problem) => ({ ...problem, path: `${path}.${problem.path}` }));
}
