import * as z from 'zod/mini';
import { buildIdSchema, unitIdSchema } from '../ids';
import { note, text, wholeRange } from '../schema';

/** SHA-256 of a file's bytes, 64 hexadecimal digits: the name media is kept under. */
export const mediaHashSchema = z
  .string()
  .check(z.regex(/^[0-9a-f]{64}$/, 'A SHA-256 is 64 hexadecimal digits'))
  .brand<'MediaHash'>();
export type MediaHash = z.infer<typeof mediaHashSchema>;

export const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'image/avif'] as const;
export type PictureType = (typeof PICTURE_TYPES)[number];

/** Largest file that is taken, bytes. */
export const MOST_MEDIA_BYTES = 25_000_000;

/** A photograph or frame: what the document says of it. The bytes lie outside, under their hash. */
export const pictureSchema = z.object({
  id: text(1, 64),
  media: mediaHashSchema,
  type: z.enum(PICTURE_TYPES),
  sizeBytes: wholeRange(1, MOST_MEDIA_BYTES),
  /** as it was called where it came from */
  name: text(1, 120),
  caption: note(500),
  /** the build it shows; null for the production as a whole */
  buildId: z.nullable(buildIdSchema),
  /** of which copy, and at which step of making it, it was taken */
  copy: z.optional(z.nullable(wholeRange(1, 100))),
  stepId: z.optional(z.nullable(text(1, 120))),
  /** the unit whose label it is */
  unitId: z.optional(z.nullable(unitIdSchema)),
});
export type Picture = z.infer<typeof pictureSchema>;
