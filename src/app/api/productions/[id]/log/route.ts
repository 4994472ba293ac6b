import { answering } from '@/server/http/answer';
import { currentProductions } from '@/server/productions/current';

/** Who did what: the newest edits first. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(request, async () =>
    Response.json(await (await currentProductions()).log((await params).id)),
  );
