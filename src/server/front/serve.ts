import { readFileSync } from 'node:fs';
import type { RequestListener, Server } from 'node:http';
import next from 'next';
import QRCode from 'qrcode';
import { openDesk } from '../share/desk';
import type { ShareDesk } from '../share/shareDesk';
import { currentStore, storageOptions } from '../storage/current';
import { StorageProblem } from '../storage/problem';
import { listening, ownDoor, sharedDoor } from './front';
import { EXIT, readSettings, UsageProblem, type Settings } from './settings';

const OWN_HOST = '127.0.0.1';
/** Open answers get this long to end when the server is stopped. */
const FAREWELL_MS = 5000;

const tell = (words: string) => void process.stdout.write(`${words}\n`);
const warn = (words: string) => void process.stderr.write(`${words}\n`);

const PORT_WORDS: Record<string, string> = {
  EADDRINUSE: 'something else is using it',
  EACCES: 'this user may not use it',
  EADDRNOTAVAIL: 'this machine has no such address',
};

/** Why a door could not be opened, with the way out. */
function portProblem(error: unknown, host: string, port: number): string {
  const { code = '' } = error as NodeJS.ErrnoException;
  return `${host}:${port} cannot be served: ${PORT_WORDS[code] ?? code}. Choose another port with --port, or stop what is there.`;
}

/** Pages wait for a moment at most while the doors close; then the store is closed, and the lock given back. */
function stopOnSignal(servers: readonly Server[]): void {
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    for (const server of servers) {
      server.close();
      server.closeIdleConnections();
    }
    setTimeout(
      () => servers.forEach((server) => server.closeAllConnections()),
      FAREWELL_MS,
    ).unref();
    await (await currentStore()).close().catch(() => undefined);
    process.exit(EXIT.stopped);
  };
  process.on('SIGINT', () => void stop());
  process.on('SIGTERM', () => void stop());
}

async function share(handle: RequestListener, { port, share }: Settings): Promise<Server | null> {
  if (!share) return null;
  const scheme = share.certificate ? 'https' : 'http';
  const desk = openDesk(`${scheme}://${share.host}:${port}`, share.certificate !== null);
  let server: Server;
  try {
    server = sharedDoor(handle, share, desk);
  } catch (error) {
    throw new UsageProblem(`--cert and --key cannot be used: ${(error as Error).message}.`);
  }
  await listening(server, port, share.host);
  await introduce(desk);
  return server;
}

async function introduce(desk: ShareDesk): Promise<void> {
  const { code } = desk.makeCode('tick');
  const address = `${desk.address}/pair?code=${code}`;
  tell('');
  tell(`Shared with the local network: ${desk.address}`);
  tell(`Code ${code}: lets one device in, for ten minutes, to read, tick and send photographs.`);
  // Its colours are control signs, which a file or a pipe would only garble.
  if (process.stdout.isTTY) tell(await QRCode.toString(address, { type: 'terminal', small: true }));
  tell('More codes, other rights, and who is in: “Share” on the first page here.');
  if (!desk.encrypted)
    tell(
      'The connection is NOT encrypted: share in a network you trust, or give --cert and --key.',
    );
}

const BUILT_CONFIG = '.next/required-server-files.json';

/**
 * The settings of the pages as the build worked them out, handed over as Next's own standalone server does:
 * to read them anew takes the whole compiler into memory.
 */
function useBuiltConfig(): void {
  const { config } = JSON.parse(readFileSync(BUILT_CONFIG, 'utf8')) as { config: unknown };
  process.env.__NEXT_PRIVATE_STANDALONE_CONFIG = JSON.stringify(config);
}

async function serve(settings: Settings): Promise<void> {
  const { port } = settings;
  // The store first: a folder that cannot be used is told before anything listens.
  await currentStore();
  useBuiltConfig();
  const app = next({ dev: false, dir: process.cwd(), hostname: OWN_HOST, port });
  await app.prepare();
  const handle = app.getRequestHandler();
  const own = ownDoor(handle);
  let host = OWN_HOST;
  try {
    await listening(own, port, host);
    host = settings.share?.host ?? host;
    const shared = await share(handle, settings);
    stopOnSignal(shared ? [own, shared] : [own]);
  } catch (error) {
    if (error instanceof UsageProblem) throw error;
    warn(portProblem(error, host, port));
    process.exit(EXIT.port);
  }
  // Never the address of the database itself: it may hold a password.
  const where = process.env.DATABASE_URL ? 'the database of DATABASE_URL' : storageOptions().folder;
  tell(`Lantern Jar: http://${OWN_HOST}:${port}  (data in ${where}; Ctrl C stops it)`);
}

/** Starts the built application behind its doors; every way it can fail ends with words and a code of its own. */
async function main(): Promise<void> {
  try {
    await serve(readSettings(process.env));
  } catch (error) {
    if (error instanceof UsageProblem || error instanceof StorageProblem) warn(error.message);
    else warn(`Lantern Jar cannot start: ${(error as Error).message}`);
    process.exit(
      error instanceof UsageProblem
        ? EXIT.usage
        : error instanceof StorageProblem
          ? EXIT.store
          : EXIT.broken,
    );
  }
}

void main();
