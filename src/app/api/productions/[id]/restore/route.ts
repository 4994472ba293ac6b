import * as z from 'zod';
import { answering, problemAnswer } from '@/server/http/answer';
import { withBody } from '@/server/http/body';
import { currentProductions } from '@/server/productions/current';

/** Takes a production back out of the bin. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(request, () =>
    withBody(request, z.object({}), async () => {
      const back = await (await currentProductions()).takeBack((await params).id);
      return back ? Response.json({ ok: true }) : problemAnswer(404, 'It is not in the bin.');
    }),
  );
