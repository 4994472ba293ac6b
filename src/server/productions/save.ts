import * as z from 'zod';
import {
  applyCommands,
  commandSchema,
  mergeBatches,
  refOfPath,
  type Command,
} from '@/core/document/edit';
import {
  DOCUMENT_FORMAT,
  DOCUMENT_VERSION,
  signOffSchema,
  type Production,
} from '@/core/document/production';
import { validateProduction } from '@/core/document/read';
import { notAllowed } from '@/core/document/rights';
import { refusedSignOff } from '@/core/evaluate/signing';
import { accept, type Problem, type Result } from '@/core/result';
import type { Device } from '../share/devices';
import type { ProductionRepository, TakenEdit } from './repository';
import type { Stored } from './stored';

/** Edits in one request; a browser with more sends them in several. */
const MOST_EDITS = 500;

const shortText = (most: number) => z.string().min(1).max(most);

const commands = z.array(commandSchema as unknown as z.ZodType<Command>).max(5000);

export const saveSchema = z.object({
  /** the window that made the edits, so that it does not conflict with itself */
  client: shortText(40),
  baseRevision: z.number().int().min(1),
  edits: z
    .array(
      z.object({
        id: shortText(40),
        label: z.string().max(200),
        commands,
        /** what takes them back: tells what they found, so that others' edits can be told from them */
        inverse: commands.optional(),
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
  /** `newer` where others' edits stand beside these */
  | { kind: 'saved'; revision: number; refused: RefusedEdit[]; newer?: Stored }
  | { kind: 'stale'; newer: Stored }
  | { kind: 'missing' };

/** Another server may save between reading and writing; more often than this in a row it is a question. */
const ATTEMPTS = 8;

/**
 * Puts edits on what is stored. Each is taken or refused by itself: what is wrong with one costs the
 * others nothing. Where others have saved meanwhile, what touches nothing of theirs is put beside it.
 * @param by  the device they come from; null for the bench itself
 */
export async function saveEdits(
  repository: ProductionRepository,
  find: (id: string) => Promise<Stored | null>,
  id: string,
  given: SaveRequest,
  by: Device | null,
): Promise<SaveOutcome> {
  return inTurn(id, async () => {
    let outcome: SaveOutcome | null = null;
    for (let attempt = 0; outcome === null && attempt < ATTEMPTS; attempt++)
      outcome = await saveOnce(repository, find, id, given, by);
    if (outcome) return outcome;
    const newer = await find(id);
    return newer ? { kind: 'stale', newer } : { kind: 'missing' };
  });
}

/** Null when another server saved between reading and writing. */
async function saveOnce(
  repository: ProductionRepository,
  find: (id: string) => Promise<Stored | null>,
  id: string,
  { client, baseRevision, edits }: SaveRequest,
  by: Device | null,
): Promise<SaveOutcome | null> {
  const stored = await find(id);
  if (!stored) return { kind: 'missing' };
  const ids = edits.map((edit) => edit.id);
  const { since, known } = await repository.taken(id, baseRevision, ids);
  const beside = movedOn(stored.revision, baseRevision, since, client);
  const fresh = edits.filter((edit) => !known.has(edit.id));
  const { allowed, refused: barred } = sorted(fresh, by);
  const fitted = beside ? besideOthers(stored.document, allowed) : allowed;
  if (!fitted) return { kind: 'stale', newer: stored };
  const { document, taken, refused: wrong } = takeEdits(stored.document, fitted);
  const refused = [...barred, ...wrong];
  const answer = (now: Stored): SaveOutcome => ({
    kind: 'saved',
    revision: now.revision,
    refused,
    ...(beside ? { newer: now } : {}),
  });
  if (taken.length === 0) return answer(stored);
  const noted = taken.map(({ id: edit, label }) => ({
    id: edit,
    client,
    label,
    who: by?.name ?? '',
  }));
  return (await repository.replace(id, stored.revision, document, noted))
    ? answer({ revision: stored.revision + 1, document })
    : null;
}

/** Saves of one production go one after another, so that none is made for nothing. */
const turns = new Map<string, Promise<unknown>>();
async function inTurn<T>(id: string, work: () => Promise<T>): Promise<T> {
  const before = turns.get(id) ?? Promise.resolve();
  const mine = before.then(work, work);
  const settled = mine.catch(() => undefined);
  turns.set(id, settled);
  try {
    return await mine;
  } finally {
    if (turns.get(id) === settled) turns.delete(id);
  }
}

/** What a device may do, and what not. */
function sorted(edits: readonly SentEdit[], by: Device | null) {
  if (!by) return { allowed: edits, refused: [] };
  const refused = edits.flatMap(({ id, commands }): RefusedEdit[] => {
    const message = notAllowed(by.right, commands);
    return message ? [{ id, problems: [{ code: 'not_allowed', path: '', message }] }] : [];
  });
  const barred = new Set(refused.map(({ id }) => id));
  return { allowed: edits.filter(({ id }) => !barred.has(id)), refused };
}

/** Edits as they fit beside what others have saved; null where one touches theirs, or nobody can tell. */
function besideOthers(newer: Production, edits: readonly SentEdit[]): SentEdit[] | null {
  const batches = edits.map(({ inverse, ...edit }) => ({ ...edit, inverse: inverse ?? [] }));
  if (edits.some(({ inverse, commands }) => !inverse && commands.length > 0)) return null;
  const merged = mergeBatches(batches, newer);
  if (merged.clashes.length > 0) return null;
  const fitted = new Map(merged.batches.map((batch) => [batch.id, batch.commands]));
  // One that came to nothing, because it is so already, is taken too.
  return edits.map((edit) => ({ ...edit, commands: fitted.get(edit.id) ?? [] }));
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
