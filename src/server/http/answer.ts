import type { Problem } from '@/core/result';
import { UnreadableProduction } from '../productions/stored';
import { FOREIGN_HOST, isOwnHost } from './hosts';
import { StorageProblem } from '../storage/problem';

/** RFC 9457 problem details, with the fields at fault in `problems`. */
export function problemAnswer(
  status: number,
  title: string,
  problems: Problem[] = [],
  extra: Record<string, unknown> = {},
): Response {
  return Response.json(
    { type: 'about:blank', status, title, problems, ...extra },
    { status, headers: { 'content-type': 'application/problem+json' } },
  );
}

/** Runs a handler for a request by our own name; a broken store becomes a clear 503 and the server lives on. */
export async function answering(
  request: Request,
  handle: () => Promise<Response>,
): Promise<Response> {
  try {
    if (!isOwnHost(request.headers.get('host'))) return problemAnswer(421, FOREIGN_HOST);
    return await handle();
  } catch (error) {
    if (error instanceof StorageProblem) return problemAnswer(503, error.message);
    if (error instanceof Error && error.name === 'HandBusy') {
      const answer = problemAnswer(503, error.message);
      answer.headers.set('retry-after', '5');
      return answer;
    }
    if (error instanceof UnreadableProduction)
      return problemAnswer(422, error.message, error.problems);
    console.error(error);
    return problemAnswer(
      503,
      'Nothing was stored: the data folder did not answer. Try again; your work is still in this browser.',
    );
  }
}
