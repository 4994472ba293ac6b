import { answering } from '@/server/http/answer';
import { ask } from '@/server/hands/ask';
import { unitsAsked } from '@/server/http/unitsAsked';

/** The sheet a lamp is laid on to be gone round with a meter, on the paper of these units. */
export const GET = (request: Request) =>
  answering(
    request,
    async () =>
      new Response(new Uint8Array(await ask('compassSheet', { units: unitsAsked(request) })), {
        headers: {
          'content-type': 'application/pdf',
          'content-disposition': 'attachment; filename="compass.pdf"',
        },
      }),
  );
