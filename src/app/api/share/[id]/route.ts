import * as z from 'zod';
import { RIGHTS } from '@/core/document/rights';
import { answering, problemAnswer } from '@/server/http/answer';
import { isForeign, withBody } from '@/server/http/body';
import { currentDesk } from '@/server/share/current';

type Params = { params: Promise<{ id: string }> };

const missing = () => problemAnswer(404, 'There is no such device.');

/** Lets a device do more, or less. */
export const PATCH = (request: Request, { params }: Params) =>
  answering(request, () =>
    withBody(request, z.object({ right: z.enum(RIGHTS) }), async ({ right }) => {
      const done = await currentDesk()?.allow((await params).id, right);
      return done ? Response.json({ ok: true }) : missing();
    }),
  );

/** Shows a device out; what it shows from then on is worth nothing. */
export const DELETE = (request: Request, { params }: Params) =>
  answering(request, async () => {
    if (isForeign(request)) return problemAnswer(403, 'This request comes from another site.');
    const done = await currentDesk()?.revoke((await params).id);
    return done ? Response.json({ ok: true }) : missing();
  });
