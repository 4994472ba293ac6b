import * as z from 'zod/mini';
import { range, text } from '../schema';
import { circuitIdSchema } from '../ids';
import { choice, current, defineRecord, measured } from '../record/define';
import { REGION_IDS } from '../electrics/region';

/** What is read on a breaker, and counted at its sockets. */
export const CIRCUIT_RECORD = defineRecord({
  ratedA: current('Breaker', { min: 1, max: 125, start: 16 }),
  /** load that is no build of this production: fridge, kettle, computers */
  otherLoadW: measured('power', 'W', 50)('Other load on it', { min: 0, max: 50_000, start: 0 }),
  rcd: choice(
    'RCD (GFCI)',
    {
      circuit: 'in the circuit',
      plug: 'a portable one at the outlet',
      none: 'none',
      unknown: 'not known',
    },
    'unknown',
  ),
  earthPin: choice(
    'Earth of its sockets',
    { tested: 'there, and tested', none: 'none', unknown: 'not known' },
    'unknown',
  ),
  place: choice(
    'Where it is',
    {
      dry: 'indoors, dry',
      damp: 'damp, or under a roof outdoors',
      wet: 'outdoors, or wet',
      unknown: 'not known',
    },
    'unknown',
  ),
});

/** One breaker and the sockets behind it; shared by every build plugged into it. */
export const circuitSchema = z.object({
  id: circuitIdSchema,
  name: text(1, 80),
  region: z.enum(REGION_IDS),
  voltageV: range(12, 400),
  frequencyHz: range(40, 70),
  ...CIRCUIT_RECORD.shape,
});
export type Circuit = z.infer<typeof circuitSchema>;
