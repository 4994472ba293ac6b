import { fileNameSchema } from '@/server/files/fileNames';
import { ask } from '@/server/hands/ask';
import { answering, problemAnswer } from '@/server/http/answer';
import { unitsAsked } from '@/server/http/unitsAsked';
import { currentProductions } from '@/server/productions/current';

type Params = { params: Promise<{ id: string; buildId: string; file: string }> };

/** A build as a file for the saw, the till or the printer. */
export const GET = (request: Request, { params }: Params) =>
  answering(request, async () => {
    const { id, buildId, file } = await params;
    const name = fileNameSchema.safeParse(file);
    if (!name.success) return problemAnswer(404, 'There is no such file of a build.');
    const stored = await (await currentProductions()).find(id);
    const units = unitsAsked(request);
    const made =
      stored &&
      (await ask('buildFile', { document: stored.document, buildId, file: name.data, units }));
    if (!made) return problemAnswer(404, 'There is no such build, or its form is not known here.');
    if (made.refused) return problemAnswer(409, made.refused);
    const body = typeof made.body === 'string' ? made.body : new Uint8Array(made.body);
    return new Response(body, {
      headers: {
        'content-type': made.type,
        'content-disposition': `attachment; filename="${made.name}"`,
      },
    });
  });
