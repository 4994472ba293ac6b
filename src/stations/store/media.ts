import * as z from 'zod/mini';

const problemSchema = z.object({ title: z.string() });

async function put(url: string, body: Blob): Promise<string | null> {
  try {
    const answer = await fetch(url, { method: 'PUT', body });
    if (answer.ok) return null;
    const said = problemSchema.safeParse(await answer.json().catch(() => null));
    return said.success ? said.data.title : 'The server does not take it.';
  } catch {
    return 'The server does not answer.';
  }
}

/** Sends a picture's bytes, streamed from where they lie. @returns what is wrong, null when it is kept */
export const sendMedia = (hash: string, bytes: Blob): Promise<string | null> =>
  put(`/api/media/${hash}`, bytes);

export const sendSmall = (hash: string, small: Blob): Promise<string | null> =>
  put(`/api/media/${hash}/small`, small);

export const mediaUrl = (hash: string): string => `/api/media/${hash}`;
export const smallUrl = (hash: string): string => `/api/media/${hash}/small`;
