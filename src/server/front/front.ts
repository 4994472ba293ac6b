import {
  createServer,
  type IncomingMessage,
  type RequestListener,
  type Server,
  type ServerResponse,
} from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { isOwnHost, FOREIGN_HOST } from '../http/hosts';
import type { ShareDesk } from '../share/shareDesk';
import { VISITOR_HEADER, visitorHeader } from '../share/visitor';
import { oddity, type Refusal } from './refusal';
import type { Settings } from './settings';
import { atTheDoor } from './shareDoor';

/** Longer than any client keeps an idle connection: one that is reused just as it is closed would be lost. */
const KEEP_ALIVE_MS = 75_000;
/** For the head of a request, and for all of it: 40 MB of a photograph over poor Wi-Fi need minutes. */
const HEAD_MS = 15_000;
const WHOLE_MS = 300_000;
/** A request nobody has begun to answer after this is given up. */
const ANSWER_MS = 120_000;
const MOST_HEADER_BYTES = 16_384;

function refuse(response: ServerResponse, { status, words, headers = {} }: Refusal): void {
  if (response.headersSent) return void response.end();
  response.writeHead(status, {
    'content-type': 'application/problem+json',
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
    ...headers,
  });
  response.end(JSON.stringify({ type: 'about:blank', status, title: words, problems: [] }));
}

/** A refused body is not read: the line is closed behind the answer. */
const turnAway = (request: IncomingMessage, response: ServerResponse, refusal: Refusal) => {
  const bodiless = request.method === 'GET' || request.method === 'HEAD';
  refuse(
    response,
    bodiless ? refusal : { ...refusal, headers: { ...refusal.headers, connection: 'close' } },
  );
};

/** What has begun to be answered may take as long as its reader; what still comes in has a limit of its own. */
function patiently(request: IncomingMessage, response: ServerResponse): void {
  let timer: NodeJS.Timeout;
  const wait = () => {
    timer = setTimeout(() => {
      if (response.headersSent) return;
      if (!request.complete) return wait();
      refuse(response, { status: 503, words: 'This took too long and was given up. Try again.' });
    }, ANSWER_MS);
  };
  wait();
  response.once('close', () => clearTimeout(timer));
}

/** What one door lets through goes on to the application; `who` decides at the shared one. */
const doorOf =
  (
    handle: RequestListener,
    isHost: (host: string | null) => boolean,
    desk: ShareDesk | null,
  ): RequestListener =>
  async (request, response) => {
    try {
      const odd = oddity(request);
      if (odd) return turnAway(request, response, odd);
      if (!isHost(request.headers.host ?? null))
        return turnAway(request, response, { status: 421, words: FOREIGN_HOST });
      // Only this function says who asks.
      delete request.headers[VISITOR_HEADER];
      patiently(request, response);
      if (desk) {
        const found = await atTheDoor(desk, request, response);
        if ('answered' in found) return;
        if ('refusal' in found) return turnAway(request, response, found.refusal);
        request.headers[VISITOR_HEADER] = visitorHeader(found.device);
      }
      await handle(request, response);
    } catch (error) {
      console.error(error);
      refuse(response, { status: 503, words: 'This did not work; nothing was changed.' });
    }
  };

function withLimits<S extends Server>(server: S): S {
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.headersTimeout = HEAD_MS;
  server.requestTimeout = WHOLE_MS;
  server.on('clientError', (_error, socket) => {
    if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\n\r\n');
  });
  // Nothing here is an upgrade or a tunnel.
  server.on('upgrade', (_request, socket) => socket.destroy());
  server.on('connect', (_request, socket) => socket.destroy());
  return server;
}

/** The door of this machine: whoever sits here may do everything. */
export const ownDoor = (handle: RequestListener): Server =>
  withLimits(createServer({ maxHeaderSize: MOST_HEADER_BYTES }, doorOf(handle, isOwnHost, null)));

/** The door to the local network: by code, and as far as a device's right goes. */
export function sharedDoor(
  handle: RequestListener,
  { host, certificate }: NonNullable<Settings['share']>,
  desk: ShareDesk,
): Server {
  const isHost = (given: string | null) =>
    given !== null &&
    URL.canParse(`http://${given}`) &&
    new URL(`http://${given}`).hostname === host;
  const door = doorOf(handle, (given) => isHost(given) || isOwnHost(given), desk);
  const options = { maxHeaderSize: MOST_HEADER_BYTES };
  return withLimits(
    certificate
      ? (createSecureServer({ ...options, ...certificate }, door) as unknown as Server)
      : createServer(options, door),
  );
}

/** @throws the system's own error, when the port is taken or not ours to take */
export const listening = (server: Server, port: number, host: string): Promise<void> =>
  new Promise((done, failed) => {
    server.once('error', failed);
    server.listen(port, host, () => {
      server.off('error', failed);
      done();
    });
  });
