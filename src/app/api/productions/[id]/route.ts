import * as z from 'zod';
import { answering, problemAnswer } from '@/server/http/answer';
import { isForeign, withBody } from '@/server/http/body';
import { currentProductions } from '@/server/productions/current';
import type { Beside } from '@/server/productions/stored';
import { saveSchema } from '@/server/productions/saveRequest';
import { visitorOf } from '@/server/share/visitor';

type Params = { params: Promise<{ id: string }> };

const missing = () => problemAnswer(404, 'There is no such production.');

const afterSchema = z.coerce.number().int().min(0);

/** What all have made together: as what was done, for a window that can do it itself, or whole. */
const shown = ({ revision, document, since }: Beside, follows: boolean) =>
  follows && since ? { revision, since } : { revision, document };

/**
 * As it is stored; with `?after=N` nothing (204) while no revision newer than N is there, and with
 * `follows` what was done since in its place, where that is known.
 */
export const GET = (request: Request, { params }: Params) =>
  answering(request, async () => {
    const { id } = await params;
    const productions = await currentProductions();
    const asked = new URL(request.url).searchParams;
    if (!asked.has('after')) {
      const stored = await productions.find(id);
      return stored ? Response.json(stored) : missing();
    }
    const after = afterSchema.safeParse(asked.get('after'));
    if (!after.success) return problemAnswer(400, '“after” is a revision: a whole number.');
    const newer = await productions.newerThan(id, after.data);
    if (newer === 'missing') return missing();
    return newer
      ? Response.json(shown(newer, asked.has('follows')))
      : new Response(null, { status: 204 });
  });

/**
 * Saves edits; those that cannot be taken are named, 422 when that is all of them. Where others have
 * saved meanwhile the answer brings the state of all together, or, with 409, theirs to choose from.
 */
export const PATCH = (request: Request, { params }: Params) =>
  answering(request, () =>
    withBody(request, saveSchema, async (given) => {
      const outcome = await (
        await currentProductions()
      ).save((await params).id, given, visitorOf(request.headers));
      if (outcome.kind === 'missing') return missing();
      if (outcome.kind === 'stale')
        return problemAnswer(409, 'It was changed elsewhere in the meantime.', [], {
          newer: outcome.newer,
        });
      const { revision, refused, beside } = outcome;
      const newer = beside && shown(beside, given.follows);
      if (refused.length < given.edits.length) return Response.json({ revision, refused, newer });
      const problems = refused.flatMap((edit) => edit.problems);
      return problemAnswer(422, 'This change is not taken; nothing has changed.', problems, {
        revision,
        refused,
        newer,
      });
    }),
  );

export const DELETE = (request: Request, { params }: Params) =>
  answering(request, async () => {
    if (isForeign(request)) return problemAnswer(403, 'This request comes from another site.');
    const gone = await (await currentProductions()).bin((await params).id);
    return gone ? Response.json({ ok: true }) : missing();
  });
