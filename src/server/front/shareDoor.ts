import { randomBytes } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import * as z from 'zod';
import { RIGHT_WORDS } from '@/core/document/rights';
import type { ShareDesk } from '../share/shareDesk';
import type { Device } from '../share/devices';
import { askedFor, mayAsk, sendsPicture } from '../share/doors';
import { pairPage } from './pairPage';
import { pairPolicy } from './policy';
import type { Refusal } from './refusal';

const COOKIE = 'lantern-device';
const COOKIE_LIVES_S = 30 * 24 * 3600;
const MOST_FORM_BYTES = 2000;

const formSchema = z.object({
  code: z.string().min(1).max(20),
  name: z
    .string()
    .trim()
    .min(1)
    .max(60)

    .regex(/^[^\x00-\x1f\x7f]*$/),
});

const tokenIn = ({ headers }: IncomingMessage): string | null =>
  /(?:^|; )lantern-device=([\w-]{20,100})(?:;|$)/.exec(headers.cookie ?? '')?.[1] ?? null;

async function bodyOf(request: IncomingMessage): Promise<string | null> {
  const parts: Buffer[] = [];
  let bytes = 0;
  for await (const part of request as AsyncIterable<Buffer>) {
    bytes += part.length;
    if (bytes > MOST_FORM_BYTES) return null;
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}

interface Shown {
  status: number;
  code?: string;
  name?: string;
  wrong?: string | null;
}

function show(desk: ShareDesk, response: ServerResponse, { status, code, name, wrong }: Shown) {
  const nonce = randomBytes(16).toString('base64');
  response.writeHead(status, {
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'content-security-policy': pairPolicy(nonce),
    // The code stands in this page's address. (With none at all the form would not tell its origin.)
    'referrer-policy': 'same-origin',
    'x-content-type-options': 'nosniff',
  });
  response.end(
    pairPage({
      nonce,
      code: code ?? '',
      name: name ?? '',
      wrong: wrong ?? null,
      encrypted: desk.encrypted,
    }),
  );
}

const WRONG =
  'No such code. It may have been used already, or be older than ten minutes: ask for a new one.';

async function pair(desk: ShareDesk, request: IncomingMessage, response: ServerResponse) {
  const { origin, host } = request.headers;
  if (!origin || !URL.canParse(origin) || new URL(origin).host !== host)
    return show(desk, response, { status: 403, wrong: 'This request comes from another site.' });
  const body = await bodyOf(request);
  const given = Object.fromEntries(new URLSearchParams(body ?? ''));
  const read = formSchema.safeParse(given);
  if (!read.success)
    return show(desk, response, {
      status: 400,
      wrong: 'Give the code, and a name of at most 60 letters for this device.',
    });
  const { code, name } = read.data;
  const entered = await desk.enter(code, name, request.socket.remoteAddress ?? '');
  if ('token' in entered) {
    const secure = desk.encrypted ? '; Secure' : '';
    response.writeHead(303, {
      location: '/',
      'set-cookie': `${COOKIE}=${entered.token}; Path=/; Max-Age=${COOKIE_LIVES_S}; HttpOnly; SameSite=Strict${secure}`,
      'cache-control': 'no-store',
    });
    return response.end();
  }
  if (entered.kind === 'wrong') return show(desk, response, { status: 401, name, wrong: WRONG });
  response.setHeader('retry-after', String(entered.seconds));
  show(desk, response, {
    status: 429,
    code,
    name,
    wrong: `Too many wrong codes. Wait ${Math.ceil(entered.seconds / 60)} minutes.`,
  });
}

/** What comes of a request at the shared door: the device that asks, a refusal, or an answer already given. */
type AtTheDoor = { device: Device } | { refusal: Refusal } | { answered: true };

/**
 * Lets a device in by its code, knows it again by its cookie, and asks whether it may do what it asks.
 * Whoever is not known gets the page where codes are typed, and nothing else.
 */
export async function atTheDoor(
  desk: ShareDesk,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<AtTheDoor> {
  const { pathname, searchParams } = new URL(request.url!, 'http://here');
  const method = request.method!;
  if (pathname === '/pair' && method === 'POST') {
    await pair(desk, request, response);
    return { answered: true };
  }
  const token = tokenIn(request);
  const device = token && (await desk.deviceOf(token));
  if (!device) {
    const looking = method === 'GET' && (request.headers.accept ?? '').includes('text/html');
    if (!looking)
      return { refusal: { status: 401, words: 'This device is not let in, or not any more.' } };
    show(desk, response, {
      status: pathname === '/pair' ? 200 : 401,
      code: searchParams.get('code')?.slice(0, 20),
    });
    return { answered: true };
  }
  if (pathname === '/pair') {
    response.writeHead(303, { location: '/' });
    response.end();
    return { answered: true };
  }
  if (!mayAsk(device.right, askedFor(method, pathname))) {
    const words = `This device may ${RIGHT_WORDS[device.right]}, nothing more.`;
    return { refusal: { status: 403, words } };
  }
  const waitS = sendsPicture(method, pathname) ? desk.pictureWaitS(device.id) : 0;
  if (waitS === 0) return { device };
  const words = `This device has sent as many pictures as it may in an hour. It can go on in ${Math.ceil(waitS / 60)} minutes.`;
  return { refusal: { status: 429, words, headers: { 'retry-after': String(waitS) } } };
}
