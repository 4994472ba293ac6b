import * as z from 'zod';
import { MOST_DOCUMENT_BYTES } from '@/core/document/read';
import { answering, problemAnswer } from '@/server/http/answer';
import { withBody } from '@/server/http/body';
import { ask } from '@/server/hands/ask';
import { currentProductions } from '@/server/productions/current';
import { createSchema } from '@/server/productions/service';

export const GET = (request: Request) =>
  answering(request, async () => Response.json(await (await currentProductions()).list()));

/** Makes a new production, or imports a whole document as one. */
const requestSchema = z.union([z.object({ document: z.unknown() }).strict(), createSchema]);

/** Documents of more bytes than this, a dozen times the sample's, are read by the hand. */
const LARGE_BYTES = 2_000_000;
const byHand = (json: unknown) => ask('readDocument', { json });

const taking =
  (large: boolean) =>
  async (given: z.infer<typeof requestSchema>): Promise<Response> => {
    const productions = await currentProductions();
    if (!('document' in given))
      return Response.json({ id: await productions.create(given) }, { status: 201 });
    const imported = await productions.import(given.document, large ? byHand : undefined);
    if (imported.ok) return Response.json({ id: imported.value }, { status: 201 });
    return problemAnswer(
      422,
      'This document is not taken; nothing has changed.',
      imported.problems,
    );
  };

export const POST = (request: Request) =>
  answering(request, () => {
    // A body whose length is not told beforehand may be of any.
    const bytes = Number(request.headers.get('content-length') ?? Infinity);
    return withBody(request, requestSchema, taking(bytes > LARGE_BYTES), MOST_DOCUMENT_BYTES);
  });
