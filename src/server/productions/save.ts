import * as z from 'zod';
import { applyCommands, commandSchema, refOfPath, type Command } from '@/core/document/edit';
import {
  DOCUMENT_FORMAT,
  DOCUMENT_VERSION,
  signOffSchema,
  type Production,
} from '@/core/document/production';
import { validateProduction } from '@/core/document/read';
import { refusedSignOff } from '@/core/evaluate/signing';
import { accept, type Problem, type Result } from '@/core/result';
import type { ProductionRepository, TakenEdit } from './repository';
import type { Stored } from './stored';

/** Edits in one request; a browser with more sends them in several. */
const MOST_EDITS = 500;

const shortText = (most: number) => z.string().min(1).max(most);

export const saveSchema = z.object({
  /** the window that made the edits, so that it does not conflict with itself */
  client: shortText(40),
  baseRevision: z.number().int().min(1),
  edits: z
    .array(
      z.object({
        id: shortText(40),
        label: z.string().max(200),
        commands: z.array(commandSchema as unknown as z.ZodType<Command>).max(5000),
      }),
    )
    .min(1)
    .max(MOST_EDITS),
});
export type SaveRequest = z.infer<typeof saveSchema>;
type SentEdit = SaveRequest['edits'][number];

/** An edit the store cannot take, with what is wrong and where in the document. */
export interface RefusedEdit {
  id: string;
  problems: (Problem & { at?: ReturnType<typeof refOfPath> })[];
}

export type SaveOutcome =
  | { kind: 'saved'; revision: number; refused: RefusedEdit[] }
  | { kind: 'stale'; newer: Stored }
  | { kind: 'missing' };

/**
 * Puts edits on the revision they were made from. Each is taken or refused by itself: what is wrong
 * with one costs the others nothing.
 */
export async function saveEdits(
  repository: ProductionRepository,
  find: (id: string) => Promise<Stored | null>,
  id: string,
  { client, baseRevision, edits }: SaveRequest,
): Promise<SaveOutcome> {
  const stored = await find(id);
  if (!stored) return { kind: 'missing' };
  const ids = edits.map((edit) => edit.id);
  const { since, known } = await repository.taken(id, baseRevision, ids);
  if (movedOn(stored.revision, baseRevision, since, client))
    return { kind: 'stale', newer: stored };
  const fresh = edits.filter((edit) => !known.has(edit.id));
  const { document, taken, refused } = takeEdits(stored.document, fresh);
  if (taken.length === 0) return { kind: 'saved', revision: stored.revision, refused };
  const noted = taken.map((edit) => ({ id: edit.id, client }));
  if (await repository.replace(id, stored.revision, document, noted))
    return { kind: 'saved', revision: stored.revision + 1, refused };
  const newer = await find(id);
  return newer ? { kind: 'stale', newer } : { kind: 'missing' };
}

/** Whether other hands than this window's have saved since a revision. */
export function movedOn(
  revision: number,
  baseRevision: number,
  since: readonly TakenEdit[],
  client: string,
): boolean {
  if (revision === baseRevision) return false;
  const own = new Set(since.filter((edit) => edit.client === client).map((edit) => edit.revision));
  // Every revision in between has to be accounted for by edits of this window.
  return revision < baseRevision || own.size !== revision - baseRevision;
}

function takeEdits(document: Production, edits: readonly SentEdit[]) {
  const whole = tryEdits(document, edits);
  if (whole.ok) return { document: whole.value, taken: edits, refused: [] };
  // Something is wrong with one of them: find out with which.
  let now = document;
  const taken: SentEdit[] = [];
  const refused: RefusedEdit[] = [];
  for (const edit of edits) {
    const one = tryEdits(now, [edit]);
    if (one.ok) {
      now = one.value;
      taken.push(edit);
    } else refused.push({ id: edit.id, problems: one.problems });
  }
  return { document: now, taken, refused };
}

function tryEdits(
  document: Production,
  edits: readonly SentEdit[],
): { ok: true; value: Production } | { ok: false; problems: RefusedEdit['problems'] } {
  let now = document;
  for (const { commands } of edits) {
    const done = applyCommands(now, commands);
    if (!done.ok) return done;
    now = done.value.document;
    const unsigned = signOffProblems(now, commands);
    if (unsigned.length > 0) return { ok: false, problems: unsigned };
  }
  const checked = checkChanged(now, document);
  if (checked.ok) return checked;
  return {
    ok: false,
    problems: checked.problems.map((problem) => ({ ...problem, at: refOfPath(now, problem.path) })),
  };
}

/** Sign-offs that nobody can have given for what stands there. */
const signOffProblems = (now: Production, commands: readonly Command[]): RefusedEdit['problems'] =>
  commands.flatMap((command) => {
    if (command.do !== 'add' || command.kind !== 'signOff' || command.of === undefined) return [];
    const read = signOffSchema.safeParse(command.record);
    const message = read.success ? refusedSignOff(now, command.of, read.data) : null;
    if (message === null) return [];
    const at = { kind: 'build' as const, id: command.of, path: ['signOffs'] };
    return [{ code: 'not_signed', path: 'signOffs', message, at }];
  });

/** Saves keep format, version and id: those are the store's, not the user's, to change. */
function checkChanged(now: Production, before: Production): Result<Production> {
  if (now === before) return accept(now);
  const fixed = { id: before.id, format: DOCUMENT_FORMAT, version: DOCUMENT_VERSION } as const;
  return validateProduction({ ...now, ...fixed });
}
