import { answering } from '@/server/http/answer';
import { withBody } from '@/server/http/body';
import { currentProductions } from '@/server/productions/current';
import { ownShelfSchema } from '@/server/productions/ownShelf';

/** What the owner of this store has at home, beside all productions. */
export const GET = (request: Request) =>
  answering(request, async () => Response.json(await (await currentProductions()).ownShelf()));

export const PUT = (request: Request) =>
  answering(request, () =>
    withBody(request, ownShelfSchema, async (own) => {
      await (await currentProductions()).keepOwnShelf(own);
      return Response.json({ kept: own.shelf.units.length + own.shelf.parts.length });
    }),
  );
