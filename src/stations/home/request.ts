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

type Answer<T> = { ok: true; value: T } | { ok: false; message: string };

/** Asks the server for something of a known shape; a refusal becomes one readable message that names the field. */
export async function askJson<T>(
  url: string,
  schema: z.ZodMiniType<T>,
  { method = 'GET', body }: { method?: string; body?: unknown } = {},
): Promise<Answer<T>> {
  try {
    const answer = await fetch(url, {
      method,
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
    const json: unknown = await answer.json();
    if (answer.ok) return { ok: true, value: schema.parse(json) };
    const { title, problems } = problemSchema.parse(json);
    const details = problems
      .slice(0, 5)
      .map(({ path, message }) => (path ? `${path}: ${message}` : message));
    return { ok: false, message: [title, ...details].join(' ') };
  } catch {
    return { ok: false, message: 'The server does not answer. Is it still running?' };
  }
}

const doneSchema = z.object({ id: z.optional(z.string()) });

/** Has the server do something. */
export async function requestJson(
  method: string,
  url: string,
  body?: unknown,
): Promise<RequestOutcome> {
  const answer = await askJson(url, doneSchema, { method, body });
  return answer.ok ? { ok: true, id: answer.value.id } : answer;
}
