import { CORDS, type CordId } from '../electrics/cord';
import { choice, defineRecord, length, maybe } from '../record/define';
import * as z from 'zod/mini';

const UNKNOWN = 'unknown';
const cordNames = Object.fromEntries(
  Object.entries(CORDS).map(([id, { name }]) => [id, name]),
) as Record<CordId, string>;

/**
 * What no drawing tells of a light: how it reaches its outlet, who comes near it, what is hung over it.
 * “Not known” is an answer too, and keeps the power-up gate shut where it matters.
 */
export const SITE_RECORD = defineRecord({
  lead: choice(
    'Reaches the outlet by',
    {
      none: 'its own cord',
      lead: 'an extension lead, laid out',
      strip: 'a strip of sockets',
      'drum-out': 'a drum, all wound off',
      drum: 'a drum, partly wound',
      unknown: 'not known',
    },
    UNKNOWN,
  ),
  /** printed on its sheath */
  leadCord: choice(
    'Lead’s copper',
    { ...cordNames, unknown: 'not read yet' } as Record<CordId | 'unknown', string>,
    UNKNOWN,
  ),
  leadLengthM: maybe(length('Lead’s length', { min: 0.5, max: 100, start: 5 }), 'not measured'),
  reach: choice(
    'Who can touch it',
    {
      crew: 'the crew alone',
      high: 'nobody, above 2.5 m',
      anybody: 'anybody, children too',
      unknown: 'not known',
    },
    UNKNOWN,
  ),
  attended: choice(
    'While it is on',
    {
      always: 'somebody stays with it',
      alone: 'it is left alone',
      unknown: 'not known',
    },
    UNKNOWN,
  ),
  over: choice(
    'Hung over its front',
    {
      nothing: 'nothing else',
      cloth: 'cloth, paper or ordinary film',
      heatproof: 'film or glass made for hot lamps',
      unknown: 'not known',
    },
    UNKNOWN,
  ),
  overM: length('That far from the lamp', { min: 0, max: 5, start: 0 }),
});

export const siteSchema = z.object(SITE_RECORD.shape);
export type Site = z.infer<typeof siteSchema>;
