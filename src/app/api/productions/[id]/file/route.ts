import { answering, problemAnswer } from '@/server/http/answer';
import { currentMedia } from '@/server/media/current';
import { productionZip } from '@/server/media/zip';
import { currentProductions } from '@/server/productions/current';
import { UnreadableProduction } from '@/server/productions/stored';

const slug = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]+/g, '-');

const attached = (body: BodyInit, type: string, name: string) =>
  new Response(body, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` },
  });

/**
 * The whole production as a file: JSON, or with `?as=zip` the same with its photographs. One that this
 * version cannot read comes as it lies in the store.
 */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(request, async () => {
    const { id } = await params;
    const productions = await currentProductions();
    try {
      const stored = await productions.find(id);
      if (!stored) return problemAnswer(404, 'There is no such production.');
      const { document } = stored;
      const name = `${slug(document.name)}_production`;
      return new URL(request.url).searchParams.get('as') === 'zip'
        ? attached(productionZip(document, await currentMedia()), 'application/zip', `${name}.zip`)
        : attached(JSON.stringify(document, null, 2), 'application/json', `${name}.json`);
    } catch (error) {
      if (!(error instanceof UnreadableProduction)) throw error;
      return attached(JSON.stringify(error.raw, null, 2), 'application/json', `${slug(id)}.json`);
    }
  });
