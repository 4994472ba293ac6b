import type * as z from 'zod/mini';
import { partSchema } from '../materials/part';
import type { Problem } from '../result';
import { unitSchema } from '../units/unit';
import { fixtureSchema } from '../verdict/fixture';
import { circuitSchema } from '../location/circuit';
import { findRecord, isInner, listPlace, type Command, type FieldRef, type ListKind } from './edit';
import { makingSchema } from './making';
import { pictureSchema } from './picture';
import { buildSchema, type Build, type Production } from './production';
import { buildParameterProblems, referenceProblems, validateProduction } from './read';
import { sessionSchema } from '../meter/session';
import { setupSchema } from '../set/setup';
import { shotSchema } from '../location/shot';
import { wording } from './wording';

const SCHEMAS: Record<ListKind, z.ZodMiniType> = {
  circuit: circuitSchema,
  shot: shotSchema,
  unit: unitSchema,
  part: partSchema,
  fixture: fixtureSchema,
  build: buildSchema,
  setup: setupSchema,
  making: makingSchema,
  session: sessionSchema,
  picture: pictureSchema,
};

/**
 * What is wrong with the records a change touched, before anybody is asked to keep it. The whole
 * document is checked where it is stored; this answers at the field, within a keystroke.
 */
export function touchedProblems(
  document: Production,
  commands: readonly Command[],
): (Problem & { at: FieldRef })[] {
  const seen = new Set<string>();
  return commands.flatMap((command) => {
    const ref = isInner(command.kind) ? listPlace(command)!.owner! : command;
    const key = `${ref.kind} ${ref.id}`;
    if (ref.kind === 'production' || seen.has(key)) return [];
    seen.add(key);
    const record = findRecord(document, ref);
    return record ? recordProblems(ref.kind as ListKind, record) : [];
  });
}

/**
 * Whether a sound document is one still after some commands: as reading all of it would say, for a part of
 * the work where they only change records that stay.
 */
export function stillSound(document: Production, commands: readonly Command[]): boolean {
  const lists = commands.some(
    ({ kind, do: what }) =>
      kind === 'production' || (!isInner(kind) && (what === 'add' || what === 'remove')),
  );
  if (lists) return validateProduction(document).ok;
  return (
    touchedProblems(document, commands).length === 0 && referenceProblems(document).length === 0
  );
}

function recordProblems(kind: ListKind, record: object): (Problem & { at: FieldRef })[] {
  const { id } = record as { id: string };
  const read = SCHEMAS[kind].safeParse(record, wording);
  const found: Problem[] = read.success
    ? kind === 'build'
      ? buildParameterProblems(record as Build, '')
      : []
    : read.error.issues.map((issue) => ({
        code: issue.code,
        path: issue.path.join('.'),
        message: issue.message,
      }));
  return found.map((problem) => ({
    ...problem,
    at: { kind, id, path: problem.path.split('.').filter(Boolean) },
  }));
}
