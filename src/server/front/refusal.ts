import type { IncomingMessage } from 'node:http';

export interface Refusal {
  status: number;
  words: string;
  headers?: Record<string, string>;
}

const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE']);
const LONGEST_URL = 4000;

/** What no request to this application looks like; null when it may go on. */
export function oddity({ method = '', url = '' }: IncomingMessage): Refusal | null {
  if (!METHODS.has(method))
    return {
      status: 405,
      words: `${method} is not answered here.`,
      headers: { allow: [...METHODS].join(', ') },
    };
  if (url.length > LONGEST_URL) return { status: 414, words: 'This address is too long.' };
  // Also turns away absolute addresses, which only proxies are sent.
  if (!url.startsWith('/')) return { status: 400, words: 'This address cannot be read.' };
  try {
    const plain = decodeURIComponent(url.split('?', 1)[0]!);
    if (/[\0-\x1f\x7f]/.test(plain) || plain.includes('\\'))
      return { status: 400, words: 'This address holds signs that no address has.' };
  } catch {
    return { status: 400, words: 'This address cannot be read.' };
  }
  return null;
}
