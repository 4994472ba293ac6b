import { currentDesk } from '../share/current';

/**
 * Names this server answers to. A page of another site can have its own name point at this machine and
 * then read and write here as if it were ours (DNS rebinding); its browser still tells that name.
 */
const OWN = new Set(['127.0.0.1', 'localhost', '[::1]']);

export const FOREIGN_HOST =
  'Lantern Jar answers on 127.0.0.1 and localhost only; name others in LANTERN_JAR_HOSTS.';

/** The address this bench is shared at; who asks there has been looked at by then (`front/shareDoor.ts`). */
const sharedHost = (): string | null => {
  const desk = currentDesk();
  return desk && new URL(desk.address).hostname;
};

/** @param more  names given with LANTERN_JAR_HOSTS, parted by commas */
export function isOwnHost(
  host: string | null,
  more = process.env.LANTERN_JAR_HOSTS ?? '',
): boolean {
  if (!host || !URL.canParse(`http://${host}`)) return false;
  const { hostname } = new URL(`http://${host}`);
  const named = more
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean);
  return OWN.has(hostname) || named.includes(hostname) || hostname === sharedHost();
}
