import { applyCommands, mergeBatches, refOfPath, type Command } from '@/core/document/edit';
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
import type { SentEdit } from './saveRequest';

/** An edit the store cannot take, with what is wrong and where in the document. */
export interface RefusedEdit {
  id: string;
  problems: (Problem & { at?: ReturnType<typeof refOfPath> })[];
}

/** What a device may do, and what not. */
export function sorted(edits: readonly SentEdit[], by: Device | null) {
  if (!by) return { allowed: edits, refused: [] };
  const refused = edits.flatMap(({ id, commands }): RefusedEdit[] => {
    const message = notAllowed(by.right, commands);
    return message ? [{ id, problems: [{ code: 'not_allowed', path: '', message }] }] : [];
  });
  const barred = new Set(refused.map(({ id }) => id));
  return { allowed: edits.filter(({ id }) => !barred.has(id)), refused };
}

/** Edits as they fit beside what others have saved; null where one touches theirs, or nobody can tell. */
export function besideOthers(newer: Production, edits: readonly SentEdit[]): SentEdit[] | null {
  const batches = edits.map(({ inverse, ...edit }) => ({ ...edit, inverse: inverse ?? [] }));
  if (edits.some(({ inverse, commands }) => !inverse && commands.length > 0)) return null;
  const merged = mergeBatches(batches, newer);
  if (merged.clashes.length > 0) return null;
  const fitted = new Map(merged.batches.map((batch) => [batch.id, batch.commands]));
  // One that came to nothing, because it is so already, is taken too.
  return edits.map((edit) => ({ ...edit, commands: fitted.get(edit.id) ?? [] }));
}

/** What became of some edits on a document. */
export interface Taken {
  document: Production;
  taken: readonly SentEdit[];
  refused: RefusedEdit[];
}

/** Edits done one after another, unchecked; null where one cannot be done. */
export function doEdits(document: Production, edits: readonly SentEdit[]): Taken | null {
  const done = applied(document, edits);
  return done.ok ? { document: done.value, taken: edits, refused: [] } : null;
}

/** Edits done and checked, each taken or refused by itself. */
export function takeEdits(document: Production, edits: readonly SentEdit[]): Taken {
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

type Tried = { ok: true; value: Production } | { ok: false; problems: RefusedEdit['problems'] };

function applied(document: Production, edits: readonly SentEdit[]): Tried {
  let now = document;
  for (const { commands } of edits) {
    const done = applyCommands(now, commands);
    if (!done.ok) return done;
    now = done.value.document;
    const unsigned = signOffProblems(now, commands);
    if (unsigned.length > 0) return { ok: false, problems: unsigned };
  }
  return { ok: true, value: now };
}

function tryEdits(document: Production, edits: readonly SentEdit[]): Tried {
  const done = applied(document, edits);
  if (!done.ok) return done;
  const now = done.value;
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
