import * as z from 'zod/mini';
import { applyCommands, commandSchema, type Command } from '@/core/document/edit';
import { DOCUMENT_VERSION, type Production } from '@/core/document/production';
import { readDocument } from '@/core/document/read';
import { accept, refuse, type Result } from '@/core/result';
import { UnreadableProduction, type Standing, type Step } from './stored';

/** A document as it lies in the table, of whatever version, with what was done since. */
export interface Lying {
  revision: number;
  document: unknown;
  documentRevision: number;
  steps: readonly Step[];
}

/** Steps to the named revision without a gap; else none: a version that knew of none wrote the document whole. */
const unbroken = (steps: readonly Step[], from: number, to: number): readonly Step[] =>
  steps.length === to - from && steps.every(({ revision }, n) => revision === from + n + 1)
    ? steps
    : [];

/** For whoever fetches what cannot be read: with what was done since, where that can be done to it. */
function asItLies(lies: unknown, steps: readonly Step[]): unknown {
  try {
    const commands = steps.flatMap((step) => step.commands);
    const done = applyCommands(lies as Production, commands);
    return done.ok ? done.value.document : { document: lies, steps };
  } catch {
    return { document: lies, steps };
  }
}

/** Commands of an older version, lifted as those of older windows are. */
function lifted(commands: readonly unknown[]): Result<Command[]> {
  const read = z.array(commandSchema).safeParse(commands);
  if (read.success) return accept(read.data);
  const { code, path, message } = read.error.issues[0]!;
  return refuse(code, message, path.join('.'));
}

/** As it stands, with how it lies. */
export interface Seen extends Standing {
  documentRevision: number;
  /** whether it lies in the table in an older version */
  lifted: boolean;
}

/** Done on the document again, as they were done the first time. @throws UnreadableProduction */
export function standing({
  revision,
  document: lies,
  documentRevision,
  steps: beside,
}: Lying): Seen {
  const raw = unbroken(beside, documentRevision, revision);
  const sure = <T>(result: Result<T>): T => {
    if (result.ok) return result.value;
    throw new UnreadableProduction(asItLies(lies, raw), result.problems);
  };
  const current = (lies as Partial<Production>).version === DOCUMENT_VERSION;
  let document = current ? (lies as Production) : sure(readDocument(lies));
  const steps = current
    ? raw
    : raw.map((step) => ({ ...step, commands: sure(lifted(step.commands)) }));
  for (const { commands } of steps) document = sure(applyCommands(document, commands)).document;
  return { revision, document, steps, documentRevision, lifted: !current };
}
