import * as z from 'zod';
import type { OwnShelf } from '@/core/shelf/own';
import { shelfSchema } from '@/core/shelf/shelf';
import { partSchema } from '@/core/materials/part';
import { unitSchema } from '@/core/units/unit';
import type { ProductionRepository } from './repository';

const OWN_SHELF = 'own-shelf';
/** When it was last changed, so that a backup is made of it. */
export const OWN_SHELF_AT = 'own-shelf-at';

export const ownShelfSchema = z.object({
  currency: z.string().regex(/^[A-Z]{3}$/, 'Three capital letters, such as EUR'),
  shelf: z.custom<OwnShelf['shelf']>().transform((given, context) => {
    const read = shelfSchema.safeParse(given);
    if (read.success) return read.data;
    for (const { path, message } of read.error.issues.slice(0, 10))
      context.addIssue({ code: 'custom', path: [...path], message });
    return z.NEVER;
  }),
});

const EMPTY: OwnShelf = { currency: 'EUR', shelf: { units: [], parts: [] } };

/**
 * What its owner has at home, beside all productions. A record that no longer fits today's shelf is passed over when
 * it is read, the others stay.
 */
export const ownShelfOf = (repository: ProductionRepository) => ({
  ownShelf: async (): Promise<OwnShelf> => {
    const kept = await repository.setting(OWN_SHELF);
    if (kept === null) return EMPTY;
    const { currency, shelf } = JSON.parse(kept) as OwnShelf;
    const sound = <R>(
      records: readonly unknown[],
      schema: { safeParse: (given: unknown) => { success: boolean; data?: R } },
    ) =>
      records.flatMap((record): R[] => {
        const one = schema.safeParse(record);
        return one.success ? [one.data!] : [];
      });
    return {
      currency,
      shelf: { units: sound(shelf.units, unitSchema), parts: sound(shelf.parts, partSchema) },
    };
  },
  keepOwnShelf: async (own: OwnShelf): Promise<void> => {
    await repository.setSetting(OWN_SHELF, JSON.stringify(own));
    await repository.setSetting(OWN_SHELF_AT, new Date().toISOString());
  },
});
