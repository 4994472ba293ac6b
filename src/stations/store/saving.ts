import * as z from 'zod/mini';
import type { Batch, FieldRef } from '@/core/document/edit';
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
  | { kind: 'unanswered'; message: string };

const problemSchema = z.object({
  path: z.string(),
  message: z.string(),
  at: z.optional(z.unknown()),
});
const newerSchema = z.object({ revision: z.number(), document: z.unknown() });
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

/** Sends edits made on a revision; every way it can go is an outcome, none throws. */
export async function sendEdits(
  id: string,
  client: string,
  baseRevision: number,
  batches: readonly Batch[],
): Promise<SendOutcome> {
  try {
    const [answer, json] = await post('PATCH', `/api/productions/${id}`, {
      client,
      baseRevision,
      edits: batches.map(({ id: edit, label, commands, inverse }) => ({
        id: edit,
        label,
        commands,
        inverse,
      })),
    });
    if (answer.ok) return taken(savedSchema.parse(json));
    return refusal(answer.status, refusalSchema.parse(json));
  } catch {
    return { kind: 'unanswered', message: 'The server does not answer.' };
  }
}

const taken = ({ revision, refused, newer }: z.infer<typeof savedSchema>): SendOutcome => ({
  kind: 'saved',
  revision,
  newer: (newer as Newer | undefined) ?? null,
  refused: refused.map(({ id, problems }) => ({
    id,
    message: problems[0] ? problems[0].message : 'It does not fit the document.',
    at: (problems[0]?.at as FieldRef | undefined) ?? null,
  })),
});

function refusal(status: number, problem: z.infer<typeof refusalSchema>): SendOutcome {
  if (status === 409 && problem.newer)
    return { kind: 'stale', newer: problem.newer as unknown as Newer };
  if (status === 422 && problem.refused && problem.revision !== undefined)
    return taken({ ...problem, revision: problem.revision, refused: problem.refused });
  const [first] = problem.problems;
  const message = first?.path ? `${problem.title} ${first.path}: ${first.message}` : problem.title;
  if (status === 404)
    return {
      kind: 'unanswered',
      message: 'This production was deleted elsewhere; take it out of the bin to go on.',
    };
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
export async function fetchNewer(id: string, after: number): Promise<Newer | null> {
  try {
    const answer = await fetch(`/api/productions/${id}?after=${after}`, {
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    if (answer.status !== 200) return null;
    return newerSchema.parse(await answer.json()) as Newer;
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
