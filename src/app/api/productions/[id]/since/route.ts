import { answering, problemAnswer } from '@/server/http/answer';
import { withBody } from '@/server/http/body';
import { currentProductions } from '@/server/productions/current';
import { sinceSchema } from '@/server/productions/service';

/** For a browser that comes back with edits nobody acknowledged: what became of them. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(request, () =>
    withBody(request, sinceSchema, async (given) => {
      const found = await (await currentProductions()).since((await params).id, given);
      return found ? Response.json(found) : problemAnswer(404, 'There is no such production.');
    }),
  );
