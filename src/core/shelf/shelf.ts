import * as z from 'zod/mini';
import { partSchema } from '../materials/part';
import { list } from '../schema';
import { bulbSchema } from '../units/bulb';
import { unitSchema } from '../units/unit';

/** What a production has or may buy: things that give light, and everything else a build is made of. */
export const shelfSchema = z.object({
  bulbs: list(bulbSchema, 0, 1000),
  units: list(unitSchema, 0, 1000),
  parts: list(partSchema, 0, 1000),
});
export type Shelf = z.infer<typeof shelfSchema>;
