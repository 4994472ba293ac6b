import * as z from 'zod';
import { readDocument } from '@/core/document/read';
import { evaluate } from '@/core/evaluate/evaluate';
import { answering, problemAnswer } from '@/server/http/answer';
import { withBody } from '@/server/http/body';

const requestSchema = z.object({
  document: z.unknown(),
  buildId: z.string().max(64),
  gridCells: z.number().int().min(2).max(64).optional(),
});

/** The same readouts as on screen, for scripts: document in, numbers out, nothing stored. */
export const POST = (request: Request) =>
  answering(() =>
    withBody(request, requestSchema, async ({ document, buildId, gridCells }) => {
      const read = readDocument(document);
      const found = read.ok ? evaluate(read.value, buildId, { gridCells }) : read;
      if (found.ok) return Response.json(found.value);
      return problemAnswer(422, 'This cannot be worked out.', found.problems);
    }),
  );
