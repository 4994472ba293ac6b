import * as z from 'zod';
import { MOST_DOCUMENT_BYTES } from '@/core/document/read';
import { READOUT_RUN } from '@/core/light/transport/run';
import { answering, problemAnswer } from '@/server/http/answer';
import { withBody } from '@/server/http/body';
import { ask } from '@/server/hands/ask';
import { rateLimit } from '@/server/http/rate';

/** A run of this many photons holds the server for about a second. */
const MOST_PHOTONS = 1_000_000;

const requestSchema = z.object({
  document: z.unknown(),
  buildId: z.string().max(64),
  gridCells: z.number().int().min(2).max(64).optional(),
  /** the estimate of light instead of the simulated one, and nothing of the Glow station */
  instant: z.boolean().optional(),
  /** of the simulation; as many as the screen follows unless it is said */
  photons: z.number().int().min(1).max(MOST_PHOTONS).optional(),
  seed: z.number().int().min(0).max(2_147_483_647).optional(),
});

const simulations = rateLimit(60, 60_000);

/** The same readouts as on screen, for scripts: document in, numbers out, nothing stored. */
export const POST = (request: Request) =>
  answering(request, () =>
    withBody(
      request,
      requestSchema,
      async ({ document, buildId, gridCells, instant, photons, seed }) => {
        const waitS = instant ? 0 : simulations.waitS();
        if (waitS > 0) {
          const answer = problemAnswer(429, `Too many simulations at once: wait ${waitS} seconds.`);
          answer.headers.set('retry-after', String(waitS));
          return answer;
        }
        const run = { photons: photons ?? READOUT_RUN.photons, seed: seed ?? READOUT_RUN.seed };
        const found = await ask('evaluate', {
          json: document,
          buildId,
          gridCells,
          run: instant ? null : run,
          orEstimate: photons === undefined,
        });
        if (found.ok) return Response.json(found.value);
        return problemAnswer(422, 'This cannot be worked out.', found.problems);
      },
      MOST_DOCUMENT_BYTES,
    ),
  );
