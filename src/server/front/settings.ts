import { networkInterfaces } from 'node:os';
import { isIP } from 'node:net';
import { readFileSync } from 'node:fs';

/** Exit codes, as README tells them. */
export const EXIT = { stopped: 0, broken: 1, usage: 2, store: 3, port: 4 } as const;

/** What was asked for cannot be done; the message says what to change. */
export class UsageProblem extends Error {}

interface Certificate {
  cert: Buffer;
  key: Buffer;
}

export interface Settings {
  port: number;
  /** an address of this machine others may come to; null when the bench is not shared */
  share: { host: string; certificate: Certificate | null } | null;
}

export function readPort(given: string): number {
  const port = Number(given);
  if (!/^\d+$/.test(given) || port < 1 || port > 65_535)
    throw new UsageProblem(`“${given}” is no port: give a whole number from 1 to 65535.`);
  return port;
}

/** IPv4 addresses of networks nobody outside is routed to (RFC 1918), and link-local ones (RFC 3927). */
export const isPrivate = (address: string): boolean =>
  /^(10\.|192\.168\.|172\.(1[6-9]|2\d|3[01])\.|169\.254\.)/.test(address);

type Interfaces = ReturnType<typeof networkInterfaces>;

/** The address to share at: the one that was named, else the only private one there is. */
export function shareHost(given: string, interfaces: Interfaces = networkInterfaces()): string {
  const all = Object.values(interfaces).flatMap((each) => each ?? []);
  if (given !== 'auto') {
    const own = all.some(({ address }) => address === given) || given.startsWith('127.');
    if (isIP(given) !== 4 || !own)
      throw new UsageProblem(
        `--share ${given}: this machine has no such IPv4 address. ${listed(all.map(({ address }) => address))}`,
      );
    return given;
  }
  const found = all.filter(({ address, internal }) => !internal && isPrivate(address));
  if (found.length === 1) return found[0]!.address;
  throw new UsageProblem(
    found.length === 0
      ? '--share: this machine is in no local network. Join one, or name an address: --share 192.168.1.5.'
      : `--share: this machine is in several networks. Name one of its addresses: ${found.map(({ address }) => `--share ${address}`).join(' or ')}.`,
  );
}

const listed = (addresses: readonly string[]): string => {
  const own = addresses.filter((address) => isIP(address) === 4);
  return own.length > 0 ? `It has ${own.join(', ')}.` : '';
};

function certificateOf(cert: string, key: string): Certificate | null {
  if (!cert && !key) return null;
  if (!cert || !key) throw new UsageProblem('--cert and --key belong together: give both.');
  const read = (name: string, file: string) => {
    try {
      return readFileSync(file);
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      throw new UsageProblem(`${name} ${file} cannot be read (${code ?? 'unknown'}).`);
    }
  };
  return { cert: read('--cert', cert), key: read('--key', key) };
}

/** What `./jar` hands over in the environment. @throws UsageProblem */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const port = readPort(env.PORT ?? '4680');
  const certificate = certificateOf(env.LANTERN_JAR_CERT ?? '', env.LANTERN_JAR_KEY ?? '');
  if (!env.LANTERN_JAR_SHARE) {
    if (certificate) throw new UsageProblem('--cert and --key are for --share; add it.');
    return { port, share: null };
  }
  const host = shareHost(env.LANTERN_JAR_SHARE);
  if (host === '127.0.0.1')
    throw new UsageProblem('--share 127.0.0.1 is this machine itself; name another address of it.');
  return { port, share: { host, certificate } };
}
