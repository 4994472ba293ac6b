import { mediaHashSchema } from '@/core/document/picture';
import { currentMedia } from '@/server/media/current';
import { answering, problemAnswer } from '@/server/http/answer';
import { isForeign } from '@/server/http/body';

type Params = { params: Promise<{ hash: string }> };

const missing = () => problemAnswer(404, 'There is no such picture.');
const hashIn = async (params: Params['params']) =>
  mediaHashSchema.safeParse((await params).hash).data ?? null;

/** The picture as it was put in. Its name is its content, so it never changes. */
export const GET = (request: Request, { params }: Params) =>
  answering(request, async () => {
    const hash = await hashIn(params);
    const store = await currentMedia();
    const found = hash && (await store.find(hash));
    if (!found) return missing();
    return new Response(store.read(found.hash), {
      headers: {
        'content-type': found.type,
        'content-length': String(found.sizeBytes),
        'cache-control': 'private, max-age=31536000, immutable',
        'content-security-policy': "default-src 'none'; sandbox",
        'cross-origin-resource-policy': 'same-origin',
      },
    });
  });

const STATUS: Record<string, number> = { too_big: 413, no_picture: 415 };

/** Takes a picture's bytes as the body, streamed; the name has to be their SHA-256. */
export const PUT = (request: Request, { params }: Params) =>
  answering(request, async () => {
    if (isForeign(request)) return problemAnswer(403, 'This request comes from another site.');
    const hash = await hashIn(params);
    if (!hash) return problemAnswer(400, 'A picture is put under the SHA-256 of its bytes.');
    if (!request.body) return problemAnswer(400, 'Send the picture’s bytes as the body.');
    const taken = await (await currentMedia()).put(hash, request.body);
    if (taken.ok) return Response.json(taken.value, { status: 201 });
    const { code, message } = taken.problems[0]!;
    return problemAnswer(STATUS[code] ?? 400, message, taken.problems);
  });
