import { answering, problemAnswer } from '@/server/http/answer';
import { currentProductions } from '@/server/productions/current';

/** The whole production as a file. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(async () => {
    const stored = await (await currentProductions()).find((await params).id);
    if (!stored) return problemAnswer(404, 'There is no such production.');
    const name = stored.document.name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
    return new Response(JSON.stringify(stored.document, null, 2), {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="${name}_production.json"`,
      },
    });
  });
