import { answering, problemAnswer } from '@/server/http/answer';
import { isForeign, withBody } from '@/server/http/body';
import { currentProductions } from '@/server/productions/current';
import { saveSchema } from '@/server/productions/save';

type Params = { params: Promise<{ id: string }> };

const missing = () => problemAnswer(404, 'There is no such production.');

export const GET = (request: Request, { params }: Params) =>
  answering(request, async () => {
    const stored = await (await currentProductions()).find((await params).id);
    return stored ? Response.json(stored) : missing();
  });

/**
 * Saves edits on top of the revision they were made from; those that cannot be taken are named, 422
 * when that is all of them. 409 brings the newer state along.
 */
export const PATCH = (request: Request, { params }: Params) =>
  answering(request, () =>
    withBody(request, saveSchema, async (given) => {
      const outcome = await (await currentProductions()).save((await params).id, given);
      if (outcome.kind === 'missing') return missing();
      if (outcome.kind === 'stale')
        return problemAnswer(409, 'It was changed elsewhere in the meantime.', [], {
          newer: outcome.newer,
        });
      const { revision, refused } = outcome;
      if (refused.length < given.edits.length) return Response.json({ revision, refused });
      const problems = refused.flatMap((edit) => edit.problems);
      return problemAnswer(422, 'This change is not taken; nothing has changed.', problems, {
        revision,
        refused,
      });
    }),
  );

export const DELETE = (request: Request, { params }: Params) =>
  answering(request, async () => {
    if (isForeign(request)) return problemAnswer(403, 'This request comes from another site.');
    const gone = await (await currentProductions()).bin((await params).id);
    return gone ? Response.json({ ok: true }) : missing();
  });
