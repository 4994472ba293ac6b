import * as z from 'zod';
import { commandSchema, type Command } from '@/core/document/edit';

/** Edits in one request; a browser with more sends them in several. */
const MOST_EDITS = 500;

const shortText = (most: number) => z.string().min(1).max(most);

const commands = z.array(commandSchema as unknown as z.ZodType<Command>).max(5000);

export const saveSchema = z.object({
  /** the window that made the edits, so that it does not conflict with itself */
  client: shortText(40),
  baseRevision: z.number().int().min(1),
  /** whether it can do others' changes itself: it is sent what was done, and not the whole document */
  follows: z.boolean().default(false),
  edits: z
    .array(
      z.object({
        id: shortText(40),
        label: z.string().max(200),
        commands,
        /** what takes them back: tells what they found, so that others' edits can be told from them */
        inverse: commands.optional(),
      }),
    )
    .min(1)
    .max(MOST_EDITS),
});
export type SaveRequest = Omit<z.infer<typeof saveSchema>, 'follows'>;
export type SentEdit = SaveRequest['edits'][number];
