import { request as plainRequest, type IncomingMessage, type OutgoingHttpHeaders } from 'node:http';
import { request as secureRequest } from 'node:https';
import type { AddressInfo } from 'node:net';
import type { Device } from '../share/devices';
import type { ShareDesk } from '../share/shareDesk';
import { visitorOf } from '../share/visitor';
import { listening, ownDoor, sharedDoor } from './front';
import { TEST_CERTIFICATE } from './testing/certificate';

const HOST = '127.0.0.2';
const TOKEN = 'a-token-of-twenty-letters-and-more';

/** A desk that lets one device in, by one code. */
function oneDevice(encrypted: boolean) {
  const device: Device = { id: 'phone', name: 'Ines’s phone', right: 'tick' };
  const state = { in: true, pictures: 0 };
  const desk = {
    address: '',
    encrypted,
    enter: async (code: string) =>
      code === 'ABCD-EFGH' ? { token: TOKEN } : { kind: 'wrong' as const },
    deviceOf: async (token: string) => (state.in && token === TOKEN ? device : null),
    pictureWaitS: () => (state.pictures++ < 2 ? 0 : 600),
  } as unknown as ShareDesk;
  return { desk, state };
}

/** Answers with who asks, as what lies behind the front is told. */
const telling: Parameters<typeof ownDoor>[0] = (request, response) => {
  const who = visitorOf({ get: (name) => (request.headers[name] as string | undefined) ?? null });
  response.end(JSON.stringify({ who: who?.name ?? null }));
};

interface Asked {
  method?: string;
  headers?: OutgoingHttpHeaders;
  body?: string;
  secure?: boolean;
}

const ask = (port: number, host: string, path: string, given: Asked = {}) =>
  new Promise<IncomingMessage & { text: string }>((done, failed) => {
    const { method = 'GET', headers = {}, body, secure } = given;
    const request = (secure ? secureRequest : plainRequest)(
      // Nobody vouches for the test's own certificate.
      { host, port, path, method, headers, rejectUnauthorized: false, agent: false },
      (answer) => {
        let text = '';
        answer.on('data', (part) => (text += part));
        answer.on('end', () => done(Object.assign(answer, { text })));
      },
    );
    request.on('error', failed);
    request.end(body);
  });

const closing: (() => void)[] = [];
afterEach(() => closing.splice(0).forEach((close) => close()));

async function open(encrypted: boolean) {
  const { desk, state } = oneDevice(encrypted);
  const certificate = encrypted ? TEST_CERTIFICATE : null;
  const server = sharedDoor(telling, { host: HOST, certificate } as never, desk);
  await listening(server, 0, HOST);
  closing.push(() => (server.closeAllConnections(), server.close()));
  const { port } = server.address() as AddressInfo;
  const at = (path: string, given: Asked = {}) =>
    ask(port, HOST, path, { secure: encrypted, ...given });
  const pair = (code: string) =>
    at('/pair', {
      method: 'POST',
      headers: {
        origin: `http${encrypted ? 's' : ''}://${HOST}:${port}`,
        'content-type': 'application/x-www-form-urlencoded',
      },
      body: `code=${code}&name=Phone`,
    });
  return { port, at, pair, state };
}
const cookie = { cookie: `lantern-device=${TOKEN}` };

test.each([
  ['plain', false],
  ['encrypted', true],
])(
  'the shared door, %s: a code lets in, and the device is known again',
  async (_name, encrypted) => {
    const { at, pair, state } = await open(encrypted);
    expect((await at('/api/productions')).statusCode).toBe(401);
    const page = await at('/', { headers: { accept: 'text/html' } });
    expect([page.statusCode, page.text.includes('name="code"')]).toEqual([401, true]);
    expect((await pair('WRONG-ONE')).statusCode).toBe(401);
    const paired = await pair('ABCD-EFGH');
    const [kept] = paired.headers['set-cookie']!;
    expect([paired.statusCode, paired.headers.location]).toEqual([303, '/']);
    expect(kept).toMatch(/HttpOnly; SameSite=Strict/);
    // Never sent where anybody could read along, where it need not be.
    expect(kept!.includes('Secure')).toBe(encrypted);
    const known = await at('/api/productions', { headers: cookie });
    expect(JSON.parse(known.text)).toEqual({ who: 'Ines’s phone' });
    expect(
      (await at('/api/productions', { headers: { ...cookie, host: 'evil.example' } })).statusCode,
    ).toBe(421);
    expect((await at('/api/productions/x', { method: 'DELETE', headers: cookie })).statusCode).toBe(
      403,
    );
    expect((await at('/api/share', { headers: cookie })).statusCode).toBe(403);
    state.in = false;
    expect((await at('/api/productions', { headers: cookie })).statusCode).toBe(401);
  },
);

test('with a certificate nothing is answered in the open', async () => {
  const { at } = await open(true);
  await expect(at('/', { secure: false })).rejects.toMatchObject({
    code: expect.stringMatching(/ECONNRESET|HPE_INVALID_CONSTANT|EPROTO/),
  });
});

test('a device sends so many pictures in an hour; small copies do not count', async () => {
  const { at } = await open(false);
  const put = (path: string) => at(path, { method: 'PUT', headers: cookie });
  const hash = 'a'.repeat(64);
  const answers = [];
  for (const path of [`/api/media/${hash}`, `/api/media/${hash}/small`, `/api/media/${hash}`])
    answers.push((await put(path)).statusCode);
  expect(answers).toEqual([200, 200, 200]);
  const refused = await put(`/api/media/${hash}`);
  expect(refused.statusCode).toBe(429);
  expect(refused.headers['retry-after']).toBe('600');
  expect(refused.text).toContain('10 minutes');
});

test('at this machine’s own door nobody passes for a device, and other names are not answered', async () => {
  const server = ownDoor(telling);
  await listening(server, 0, '127.0.0.1');
  closing.push(() => (server.closeAllConnections(), server.close()));
  const { port } = server.address() as AddressInfo;
  const forged = encodeURIComponent(JSON.stringify({ id: 'x', name: 'x', right: 'read' }));
  const told = await ask(port, '127.0.0.1', '/', { headers: { 'x-lantern-visitor': forged } });
  expect(JSON.parse(told.text)).toEqual({ who: null });
  const foreign = await ask(port, '127.0.0.1', '/', { headers: { host: 'evil.example' } });
  expect(foreign.statusCode).toBe(421);
});
