import { createHash, randomBytes, randomInt } from 'node:crypto';
import type { Right } from '@/core/document/rights';

/** Without letters and figures that are taken for one another. */
const ALPHABET = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const LETTERS = 8;
export const CODE_LIVES_MS = 10 * 60_000;
const MOST_CODES = 20;

/** Wrong tries before an address has to wait, and before everybody has to. */
export const MOST_TRIES = { address: 5, all: 30 };
export const TRIES_WITHIN_MS = 10 * 60_000;

export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** What a device shows from then on; the store keeps its hash alone. */
export const newToken = (): string => randomBytes(32).toString('base64url');

interface Code {
  hash: string;
  right: Right;
  until: number;
}

export type Taken =
  { kind: 'let in'; right: Right } | { kind: 'wrong' } | { kind: 'wait'; seconds: number };

export interface Codes {
  /** a new code for one device, shown as AAAA-AAAA */
  make: (right: Right) => { code: string; until: number };
  /** uses a code up */
  take: (given: string, address: string) => Taken;
  /** codes given out so far are good for nothing */
  drop: () => void;
}

const plain = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

/**
 * One-time codes: eight letters (31⁸, 8·10¹¹ of them), ten minutes, one device each. They live in this
 * process alone. @param now  milliseconds, handed in so that tests need not wait
 */
export function codesOf(now: () => number = Date.now): Codes {
  let codes: Code[] = [];
  let tries: { address: string; at: number }[] = [];
  const tooMany = (address: string): number => {
    tries = tries.filter(({ at }) => now() - at < TRIES_WITHIN_MS);
    const own = tries.filter((each) => each.address === address);
    const oldest =
      own.length >= MOST_TRIES.address ? own[0] : tries.length >= MOST_TRIES.all ? tries[0] : null;
    return oldest ? Math.ceil((TRIES_WITHIN_MS - (now() - oldest.at)) / 1000) : 0;
  };
  return {
    make: (right) => {
      const letters = Array.from({ length: LETTERS }, () => ALPHABET[randomInt(ALPHABET.length)]!);
      const until = now() + CODE_LIVES_MS;
      codes = [...codes.slice(1 - MOST_CODES), { hash: hashOf(letters.join('')), right, until }];
      return { code: `${letters.slice(0, 4).join('')}-${letters.slice(4).join('')}`, until };
    },
    take: (given, address) => {
      const seconds = tooMany(address);
      if (seconds > 0) return { kind: 'wait', seconds };
      codes = codes.filter(({ until }) => until > now());
      // Hashes are compared, so that the time it takes tells nothing about the code.
      const hash = hashOf(plain(given));
      const found = codes.find((code) => code.hash === hash);
      if (!found) {
        tries.push({ address, at: now() });
        return { kind: 'wrong' };
      }
      codes = codes.filter((code) => code !== found);
      return { kind: 'let in', right: found.right };
    },
    drop: () => {
      codes = [];
    },
  };
}
