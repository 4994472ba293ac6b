import * as z from 'zod/mini';
import { buildIdSchema, shotIdSchema } from '../ids';
import { list, note, text } from '../schema';

/**
 * Records of a station that is not there yet, as far as the document must keep a place for them:
 * what they refer to, and that they are told apart by id.
 */

/** One shot's lights in one room. */
export const setupSchema = z.object({
  id: text(1, 64),
  name: text(1, 80),
  shotId: z.nullable(shotIdSchema),
  /** builds placed in it */
  buildIds: list(buildIdSchema, 0, 60),
  note: note(4000),
});
