import { answering, problemAnswer } from '@/server/http/answer';
import { ask } from '@/server/hands/ask';
import { unitsAsked } from '@/server/http/unitsAsked';
import { currentProductions } from '@/server/productions/current';

type Params = { params: Promise<{ id: string; setupId: string }> };

/** A setup’s lighting plan for the printer: drawn to scale, lights, circuits, what to bring. */
export const GET = (request: Request, { params }: Params) =>
  answering(request, async () => {
    const { id, setupId } = await params;
    const stored = await (await currentProductions()).find(id);
    if (!stored) return problemAnswer(404, 'There is no such production.');
    const { document } = stored;
    const made = await ask('lightingPlan', { document, setupId, units: unitsAsked(request) });
    if (!made) return problemAnswer(404, 'There is no such setup in this production.');
    return new Response(new Uint8Array(made), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': 'attachment; filename="lighting-plan.pdf"',
      },
    });
  });
