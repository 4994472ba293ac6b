import * as z from 'zod/mini';
import { PART_RECORDS, partSchema } from '../materials/part';
import type { FieldRole } from '../record/field';
import { list } from '../schema';
import { UNIT_RECORDS, unitSchema } from '../units/unit';

/** What a production has or may buy: things that give light, and everything else a build is made of. */
export const shelfSchema = z.object({
  units: list(unitSchema, 0, 2000),
  parts: list(partSchema, 0, 1000),
});
export type Shelf = z.infer<typeof shelfSchema>;

/** Fields of shelf records that serve one of these roles, each with what a new record says in it. */
export const fieldsFor = (...roles: FieldRole[]): Readonly<Record<string, unknown>> =>
  Object.fromEntries(
    [...Object.values(UNIT_RECORDS), ...Object.values(PART_RECORDS)].flatMap((record) =>
      Object.entries(record.starts).filter(([field]) => roles.includes(record.roles[field]!)),
    ),
  );
