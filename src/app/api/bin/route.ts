import { answering } from '@/server/http/answer';
import { currentProductions } from '@/server/productions/current';

/** Deleted productions that can still be taken back. */
export const GET = (request: Request) =>
  answering(request, async () => Response.json(await (await currentProductions()).inBin()));
