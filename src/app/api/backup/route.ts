import { writeArchive } from '@/server/backup/archive';
import { answering } from '@/server/http/answer';
import { currentStore } from '@/server/storage/current';

/** Everything this store holds, as a zip that is written as it is read. For whoever sits at the bench. */
export const GET = (request: Request) =>
  answering(request, async () => {
    const { db } = await currentStore();
    const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
    writeArchive(db, writable, true).catch((error) => writable.abort(error).catch(() => undefined));
    return new Response(readable, {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': 'attachment; filename="lantern-jar-backup.zip"',
      },
    });
  });
