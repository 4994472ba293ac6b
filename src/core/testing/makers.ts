import { PART_RECORDS, partSchema, type PartOf, type Role } from '../materials/part';
import { UNIT_RECORDS, unitSchema, type Category, type UnitOf } from '../units/unit';

/** Records of the shelf as tests need them: what a new one says, but for what the test is about. */

export const unit = <C extends Category>(
  category: C,
  over: Partial<Omit<UnitOf<C>, 'id'>> & { id?: string } = {},
): UnitOf<C> =>
  unitSchema.parse({
    ...structuredClone(UNIT_RECORDS[category].starts),
    id: `a-${category}`,
    name: `A ${category}`,
    category,
    origins: {},
    ...over,
  }) as UnitOf<C>;

export const part = <R extends Role>(
  role: R,
  over: Partial<Omit<PartOf<R>, 'id'>> & { id?: string } = {},
): PartOf<R> =>
  partSchema.parse({
    ...structuredClone(PART_RECORDS[role].starts),
    id: `a-${role}`,
    name: `A ${role}`,
    role,
    origins: {},
    ...over,
  }) as PartOf<R>;
