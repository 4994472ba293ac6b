import * as z from 'zod/mini';
import { accessoryIdSchema } from '../ids';
import { json, note, text } from '../schema';

/** Something a build carries besides its form: stand, hood, grid. Checked by its own definition. */
export const accessorySchema = z.object({
  id: accessoryIdSchema,
  kind: text(1, 64),
  parameters: z.record(note(200), json),
});
export type Accessory = z.infer<typeof accessorySchema>;
