import * as z from 'zod';
import { RIGHTS } from '@/core/document/rights';
import type { Device } from './devices';

/** Who asks, as the front of the server says to what lies behind it; never taken from outside. */
export const VISITOR_HEADER = 'x-lantern-visitor';

const schema = z.object({
  id: z.string().max(40),
  name: z.string().max(60),
  right: z.enum(RIGHTS),
});

/** Header values are Latin: names go as encoded JSON. */
export const visitorHeader = ({ id, name, right }: Device): string =>
  encodeURIComponent(JSON.stringify({ id, name, right }));

/** The device that asks; null for the bench itself. @throws on a header the front did not make */
export function visitorOf(headers: { get: (name: string) => string | null }): Device | null {
  const told = headers.get(VISITOR_HEADER);
  return told === null ? null : schema.parse(JSON.parse(decodeURIComponent(told)));
}
