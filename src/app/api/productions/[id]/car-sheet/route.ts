import * as z from 'zod';
import { buildIdSchema } from '@/core/ids';
import { answering, problemAnswer } from '@/server/http/answer';
import { ask } from '@/server/hands/ask';
import { unitsAsked } from '@/server/http/unitsAsked';
import { currentProductions } from '@/server/productions/current';

/** Ids parted by commas; as many as a production holds. */
const asked = z.array(z.string().max(64)).max(300);

/** What goes into the car for some lights: `?builds=a,b`; all of those in use where nothing is asked. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answering(request, async () => {
    const { id } = await params;
    const stored = await (await currentProductions()).find(id);
    if (!stored) return problemAnswer(404, 'There is no such production.');
    const { document } = stored;
    const named = new URL(request.url).searchParams.get('builds');
    const ids = asked.safeParse(named === null ? inUse(document.builds) : named.split(','));
    if (!ids.success) return problemAnswer(400, 'Name lights by their ids, parted by commas.');
    const known = ids.data.filter((each) => buildIdSchema.safeParse(each).success);
    if (!document.builds.some((build) => known.includes(build.id)))
      return problemAnswer(404, 'None of these lights is in this production.');
    const made = await ask('carSheet', { document, ids: known, units: unitsAsked(request) });
    return new Response(new Uint8Array(made), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': 'attachment; filename="car-sheet.pdf"',
      },
    });
  });

const inUse = (builds: readonly { id: string; standing: string }[]) =>
  builds.filter(({ standing }) => standing === 'in use').map(({ id }) => id);
