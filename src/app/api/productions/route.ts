import * as z from 'zod';
import { MOST_DOCUMENT_BYTES } from '@/core/document/read';
import { answering, problemAnswer } from '@/server/http/answer';
import { withBody } from '@/server/http/body';
import { currentProductions } from '@/server/productions/current';
import { createSchema } from '@/server/productions/service';

export const GET = (request: Request) =>
  answering(request, async () => Response.json(await (await currentProductions()).list()));

/** Makes a new production, or imports a whole document as one. */
const requestSchema = z.union([z.object({ document: z.unknown() }).strict(), createSchema]);

async function take(given: z.infer<typeof requestSchema>): Promise<Response> {
  const productions = await currentProductions();
  if (!('document' in given))
    return Response.json({ id: await productions.create(given) }, { status: 201 });
  const imported = await productions.import(given.document);
  if (imported.ok) return Response.json({ id: imported.value }, { status: 201 });
  return problemAnswer(422, 'This document is not taken; nothing has changed.', imported.problems);
}

export const POST = (request: Request) =>
  answering(request, () => withBody(request, requestSchema, take, MOST_DOCUMENT_BYTES));
