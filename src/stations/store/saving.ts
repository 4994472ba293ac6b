import * as z from 'zod/mini';
import { applyCommands, type Batch, type Command, type FieldRef } from '@/core/document/edit';
import type { Production } from '@/core/document/production';

export interface Newer {
  revision: number;
  document: Production;
}

/** An edit the store does not take. */
export interface RefusedEdit {
  id: string;
  message: string;
  at: FieldRef | null;
}

type SendOutcome =
  /** `newer` is the state of all, where others' edits stand beside these */
  | { kind: 'saved'; revision: number; refused: RefusedEdit[]; newer: Newer | null }
  | { kind: 'stale'; newer: Newer }
  /** the request as a whole is not taken, and nobody says which edit is at fault */
  | { kind: 'rejected'; message: string }
  /** `shut`: there is no use in asking again soon */
  | { kind: 'unanswered'; message: string; shut?: boolean };

const problemSchema = z.object({
  path: z.string(),
  message: z.string(),
  at: z.optional(z.unknown()),
});
/** As what was done since, which is done here, or whole. */
const newerSchema = z.object({
  revision: z.number(),
  document: z.optional(z.unknown()),
  since: z.optional(z.array(z.unknown())),
});
const stateSchema = z.object({ revision: z.number(), document: z.unknown() });
const savedSchema = z.object({
  revision: z.number(),
  refused: z.array(z.object({ id: z.string(), problems: z.array(problemSchema) })),
  newer: z.optional(newerSchema),
});
const refusalSchema = z.object({
  title: z.string(),
  problems: z._default(z.array(problemSchema), []),
  revision: z.optional(z.number()),
  refused: z.optional(savedSchema.shape.refused),
  newer: z.optional(newerSchema),
});

/** A server that takes longer is treated as one that does not answer; the edits are sent again. */
const PATIENCE_MS = 20_000;

async function post(method: string, url: string, body: unknown): Promise<[Response, unknown]> {
  const answer = await fetch(url, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(PATIENCE_MS),
  });
  return [answer, await answer.json()];
}

/** What others did is done on what this window knew; asked for whole where it does not fit. */
async function brought(
  id: string,
  known: Newer,
  { revision, document, since }: z.infer<typeof newerSchema>,
): Promise<Newer> {
  if (!since) return { revision, document: document as Production };
  const done = applyCommands(known.document, since as Command[]);
  if (done.ok) return { revision, document: done.value.document };
  const answer = await fetch(`/api/productions/${id}`, {
    signal: AbortSignal.timeout(PATIENCE_MS),
  });
  return stateSchema.parse(await answer.json()) as Newer;
}

/** Sends edits made on a revision; every way it can go is an outcome, none throws. */
export async function sendEdits(
  id: string,
  client: string,
  known: Newer,
  batches: readonly Batch[],
): Promise<SendOutcome> {
  try {
    const [answer, json] = await post('PATCH', `/api/productions/${id}`, {
      client,
      baseRevision: known.revision,
      follows: true,
      edits: batches.map(({ id: edit, label, commands, inverse }) => ({
        id: edit,
        label,
        commands,
        inverse,
      })),
    });
    const bring = (newer: z.infer<typeof newerSchema>) => brought(id, known, newer);
    return answer.ok
      ? await taken(savedSchema.parse(json), bring)
      : await refusal(answer.status, refusalSchema.parse(json), bring);
  } catch {
    return { kind: 'unanswered', message: 'The server does not answer.' };
  }
}

type Bring = (newer: z.infer<typeof newerSchema>) => Promise<Newer>;

const taken = async (
  { revision, refused, newer }: z.infer<typeof savedSchema>,
  bring: Bring,
): Promise<SendOutcome> => ({
  kind: 'saved',
  revision,
  newer: newer ? await bring(newer) : null,
  refused: refused.map(({ id, problems }) => ({
    id,
    message: problems[0] ? problems[0].message : 'It does not fit the document.',
    at: (problems[0]?.at as FieldRef | undefined) ?? null,
  })),
});

async function refusal(
  status: number,
  problem: z.infer<typeof refusalSchema>,
  bring: Bring,
): Promise<SendOutcome> {
  if (status === 409 && problem.newer) return { kind: 'stale', newer: await bring(problem.newer) };
  if (status === 422 && problem.refused && problem.revision !== undefined)
    return taken({ ...problem, revision: problem.revision, refused: problem.refused }, bring);
  const [first] = problem.problems;
  const message = first?.path ? `${problem.title} ${first.path}: ${first.message}` : problem.title;
  if (status === 404)
    return {
      kind: 'unanswered',
      message: 'This production was deleted elsewhere; take it out of the bin to go on.',
    };
  // Shown out, or allowed less than before: it is let in again by hand, if at all.
  if (status === 401 || status === 403) return { kind: 'unanswered', message, shut: true };
  return status === 400 || status === 413 || status === 422
    ? { kind: 'rejected', message }
    : { kind: 'unanswered', message };
}

const PING_MS = 4000;

/** Whether there is anybody at the other end, whatever is said. */
export async function serverAnswers(id: string): Promise<boolean> {
  try {
    await fetch(`/api/productions/${id}?after=${Number.MAX_SAFE_INTEGER}`, {
      signal: AbortSignal.timeout(PING_MS),
    });
    return true;
  } catch {
    return false;
  }
}

/** The state of the store when it is newer than a revision; null when it is not, or nobody says. */
export async function fetchNewer(id: string, known: Newer): Promise<Newer | null> {
  try {
    const answer = await fetch(`/api/productions/${id}?after=${known.revision}&follows`, {
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    if (answer.status !== 200) return null;
    return await brought(id, known, newerSchema.parse(await answer.json()));
  } catch {
    return null;
  }
}

const sinceSchema = z.object({
  revision: z.number(),
  document: z.unknown(),
  taken: z.array(z.string()),
  movedOn: z.boolean(),
});

interface Since extends Newer {
  /** ids of the asked edits that are in it */
  taken: string[];
  /** others have saved since */
  movedOn: boolean;
}

/** What became of edits nobody acknowledged; null when the server does not say. */
export async function fetchSince(
  id: string,
  client: string,
  revision: number,
  edits: readonly string[],
): Promise<Since | null> {
  try {
    const [answer, json] = await post('POST', `/api/productions/${id}/since`, {
      client,
      revision,
      edits,
    });
    return answer.ok ? (sinceSchema.parse(json) as Since) : null;
  } catch {
    return null;
  }
}
