import * as z from 'zod/mini';

const problemSchema = z.object({
  title: z.string(),
  problems: z._default(z.array(z.object({ path: z.string(), message: z.string() })), []),
});

interface RequestOutcome {
  ok: boolean;
  id?: string;
  message?: string;
}

/** Asks the server; a refusal becomes one readable message that names the field. */
export async function requestJson(
  method: string,
  url: string,
  body?: unknown,
): Promise<RequestOutcome> {
  try {
    const answer = await fetch(url, {
      method,
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
    const json: unknown = await answer.json();
    if (answer.ok) return { ok: true, id: z.object({ id: z.optional(z.string()) }).parse(json).id };
    const { title, problems } = problemSchema.parse(json);
    const details = problems
      .slice(0, 5)
      .map(({ path, message }) => (path ? `${path}: ${message}` : message));
    return { ok: false, message: [title, ...details].join(' ') };
  } catch {
    return { ok: false, message: 'The server does not answer. Is it still running?' };
  }
}

type Answer<T> = { ok: true; value: T } | { ok: false; message: string };

/** Asks the server for something of a known shape. */
export async function askJson<T>(
  url: string,
  schema: z.ZodMiniType<T>,
  given?: { method: string; body: unknown },
): Promise<Answer<T>> {
  try {
    const answer = await fetch(
      url,
      given && {
        method: given.method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(given.body),
      },
    );
    const json: unknown = await answer.json();
    return answer.ok
      ? { ok: true, value: schema.parse(json) }
      : { ok: false, message: problemSchema.parse(json).title };
  } catch {
    return { ok: false, message: 'The server does not answer. Is it still running?' };
  }
}
