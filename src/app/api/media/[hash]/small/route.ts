import { mediaHashSchema } from '@/core/document/picture';
import { currentMedia } from '@/server/media/current';
import { MOST_SMALL_BYTES } from '@/server/media/store';
import { answering, problemAnswer } from '@/server/http/answer';
import { isForeign, limitedBytes } from '@/server/http/body';

type Params = { params: Promise<{ hash: string }> };

const missing = () => problemAnswer(404, 'There is no such small copy.');
const hashIn = async (params: Params['params']) =>
  mediaHashSchema.safeParse((await params).hash).data ?? null;

/** The small copy for lists; the picture itself where there is none. */
export const GET = (request: Request, { params }: Params) =>
  answering(request, async () => {
    const hash = await hashIn(params);
    if (!hash) return missing();
    const store = await currentMedia();
    const small = await store.readSmall(hash);
    if (small)
      return new Response(small, {
        headers: {
          'content-type': 'image/webp',
          'cache-control': 'private, max-age=86400',
          'content-security-policy': "default-src 'none'; sandbox",
        },
      });
    return (await store.find(hash))
      ? new Response(null, { status: 307, headers: { location: `/api/media/${hash}` } })
      : missing();
  });

/** Takes a small copy, made where the picture was put in. */
export const PUT = (request: Request, { params }: Params) =>
  answering(request, async () => {
    if (isForeign(request)) return problemAnswer(403, 'This request comes from another site.');
    const hash = await hashIn(params);
    if (!hash) return missing();
    const bytes = await limitedBytes(request, MOST_SMALL_BYTES);
    if (!bytes)
      return problemAnswer(413, `A small copy has at most ${MOST_SMALL_BYTES / 1000} kB.`);
    const taken = await (await currentMedia()).putSmall(hash, bytes);
    if (taken.ok) return Response.json({ ok: true });
    const { code, message } = taken.problems[0]!;
    return problemAnswer(code === 'missing' ? 404 : 415, message, taken.problems);
  });
