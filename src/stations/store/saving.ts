import * as z from 'zod/mini';
import type { Production } from '@/core/document/production';
import type { PendingEdit } from './history';

export interface Newer {
  revision: number;
  document: Production;
}

const storedSchema = z.object({
  revision: z.number(),
  document: z.unknown(),
  lastEditIds: z.array(z.string()),
});

/** The production as it is stored now; null when the server does not answer with one. */
export async function fetchStored(id: string): Promise<(Newer & { lastEditIds: string[] }) | null> {
  try {
    const answer = await fetch(`/api/productions/${id}`, { cache: 'no-store' });
    return storedSchema.parse(await answer.json()) as Newer & { lastEditIds: string[] };
  } catch {
    return null;
  }
}

export type SendOutcome =
  | { kind: 'saved'; revision: number }
  | { kind: 'stale'; newer: Newer }
  | { kind: 'refused'; message: string }
  | { kind: 'unanswered'; message: string };

const savedSchema = z.object({ revision: z.number() });
const problemSchema = z.object({
  title: z.string(),
  problems: z._default(z.array(z.object({ path: z.string(), message: z.string() })), []),
  newer: z.optional(z.object({ revision: z.number(), document: z.unknown() })),
});

/** Sends edits made on a revision; every way it can go is an outcome, none throws. */
export async function sendEdits(
  id: string,
  baseRevision: number,
  edits: readonly PendingEdit[],
): Promise<SendOutcome> {
  try {
    const answer = await fetch(`/api/productions/${id}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        baseRevision,
        edits: edits.map(({ id: editId, label, patches }) => ({ id: editId, label, patches })),
      }),
    });
    const json: unknown = await answer.json();
    if (answer.ok) return { kind: 'saved', revision: savedSchema.parse(json).revision };
    return refusal(answer.status, problemSchema.parse(json));
  } catch {
    return { kind: 'unanswered', message: 'The server does not answer.' };
  }
}

function refusal(status: number, problem: z.infer<typeof problemSchema>): SendOutcome {
  if (status === 409 && problem.newer)
    return { kind: 'stale', newer: problem.newer as unknown as Newer };
  const [first] = problem.problems;
  const message = first ? `${problem.title} ${first.path}: ${first.message}` : problem.title;
  return status >= 500 ? { kind: 'unanswered', message } : { kind: 'refused', message };
}
