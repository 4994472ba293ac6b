import QRCode from 'qrcode';
import * as z from 'zod';
import { RIGHTS } from '@/core/document/rights';
import { answering, problemAnswer } from '@/server/http/answer';
import { isForeign, withBody } from '@/server/http/body';
import { currentDesk } from '@/server/share/current';

const notShared = () =>
  problemAnswer(
    404,
    'This bench is not shared. Start it with ./jar demo --share or ./jar start --share.',
  );

/** Where others come to this bench, and who is in. */
export const GET = (request: Request) =>
  answering(request, async () => {
    const desk = currentDesk();
    if (!desk) return notShared();
    const { address, encrypted } = desk;
    return Response.json({ address, encrypted, devices: await desk.list() });
  });

/** Shows every device out, and makes every code worthless. */
export const DELETE = (request: Request) =>
  answering(request, async () => {
    if (isForeign(request)) return problemAnswer(403, 'This request comes from another site.');
    const desk = currentDesk();
    if (!desk) return notShared();
    await desk.close();
    return Response.json({ ok: true });
  });

const codeSchema = z.object({ right: z.enum(RIGHTS) });

/** A new code for one device, as letters and as a picture of the address that holds it. */
export const POST = (request: Request) =>
  answering(request, () =>
    withBody(request, codeSchema, async ({ right }) => {
      const desk = currentDesk();
      if (!desk) return notShared();
      const { code, until } = desk.makeCode(right);
      const picture = await QRCode.toString(`${desk.address}/pair?code=${code}`, {
        type: 'svg',
        margin: 2,
      });
      return Response.json(
        { code, until, picture },
        { status: 201, headers: { 'cache-control': 'no-store' } },
      );
    }),
  );
