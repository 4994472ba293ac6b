import type * as z from 'zod';
import { MOST_DEPTH, nestedTooDeep } from '@/core/jsonDepth';
import { accept, refuse, type Result } from '@/core/result';
import { problemAnswer } from './answer';

/** Largest body where no whole document comes: a hundred edits are a hundredth of it. */
const MOST_BYTES = 8_000_000;
/** Read to its end, but not kept, so that the answer arrives; past this the line is cut. */
const DRAINED_BYTES = 128_000_000;

/** A browser tells the origin of every request that changes something; it must be our own. */
export function isForeign(request: Request): boolean {
  const origin = request.headers.get('origin');
  if (origin === null) return false;
  return !URL.canParse(origin) || new URL(origin).host !== request.headers.get('host');
}

/**
 * Reads a JSON body with a limit, from this site only: the content type cannot be sent across
 * sites without asking first, and the origin must be our own.
 */
async function jsonBody(request: Request, most: number): Promise<Result<unknown>> {
  if (isForeign(request)) return refuse('foreign', 'This request comes from another site.');
  if (!request.headers.get('content-type')?.startsWith('application/json'))
    return refuse('not_json', 'Send JSON, as application/json.');
  const text = await limitedText(request, most);
  if (text === null)
    return refuse(
      'too_big',
      `That is more than ${most / 1e6} MB, which nothing of this kind needs.`,
    );
  if (nestedTooDeep(text))
    return refuse('too_deep', `That is nested more than ${MOST_DEPTH} deep, which no document is.`);
  try {
    return accept(JSON.parse(text.replace(/^\ufeff/, '')));
  } catch (error) {
    return refuse('not_json', `This is not JSON: ${(error as Error).message}.`);
  }
}

/** A body up to a bound; null when it is larger. */
export async function limitedBytes(
  request: Request,
  most: number,
): Promise<Uint8Array<ArrayBuffer> | null> {
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array();
  const parts: Uint8Array[] = [];
  let bytes = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return bytes > most ? null : new Uint8Array(Buffer.concat(parts));
    bytes += value.byteLength;
    if (bytes > DRAINED_BYTES) {
      await reader.cancel();
      return null;
    }
    if (bytes <= most) parts.push(value);
  }
}

async function limitedText(request: Request, most: number): Promise<string | null> {
  const bytes = await limitedBytes(request, most);
  return bytes && new TextDecoder().decode(bytes);
}

const STATUS: Record<string, number> = { foreign: 403, too_big: 413 };

/**
 * Body → schema → handler; every refusal is answered with the field at fault.
 * @param most  bytes of the body; doors that take a whole document say so
 */
export async function withBody<T>(
  request: Request,
  schema: z.ZodType<T>,
  handle: (given: T) => Promise<Response>,
  most = MOST_BYTES,
): Promise<Response> {
  const body = await jsonBody(request, most);
  if (!body.ok) {
    const { code, message } = body.problems[0]!;
    return problemAnswer(STATUS[code] ?? 400, message, body.problems);
  }
  const read = schema.safeParse(body.value);
  if (read.success) return handle(read.data);
  const problems = read.error.issues.map((issue) => ({
    code: issue.code,
    path: issue.path.join('.'),
    message: issue.message,
  }));
  return problemAnswer(400, 'Some of this cannot be taken as it stands.', problems);
}
