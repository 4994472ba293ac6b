import { z } from 'zod';
import { circuitIdSchema } from '../ids';
import { REGION_IDS } from '../power/region';

/** One breaker and the sockets behind it; shared by every build plugged into it. */
export const circuitSchema = z.object({
  id: circuitIdSchema,
  name: z.string().trim().min(1).max(80),
  region: z.enum(REGION_IDS),
  voltageV: z.number().min(12).max(400),
  frequencyHz: z.number().min(40).max(70),
  ratedA: z.number().min(1).max(125),
  /** load already on it that is no build of this production: fridge, kettle, computers */
  otherLoadW: z.number().min(0).max(50_000),
});
export type Circuit = z.infer<typeof circuitSchema>;
