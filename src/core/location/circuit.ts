import * as z from 'zod/mini';
import { range, text } from '../schema';
import { circuitIdSchema } from '../ids';
import { REGION_IDS } from '../electrics/region';

/** One breaker and the sockets behind it; shared by every build plugged into it. */
export const circuitSchema = z.object({
  id: circuitIdSchema,
  name: text(1, 80),
  region: z.enum(REGION_IDS),
  voltageV: range(12, 400),
  frequencyHz: range(40, 70),
  ratedA: range(1, 125),
  /** load already on it that is no build of this production: fridge, kettle, computers */
  otherLoadW: range(0, 50_000),
});
export type Circuit = z.infer<typeof circuitSchema>;
