import { nanoid } from 'nanoid';
import { freeName } from '@/core/document/records';
import type { Production } from '@/core/document/production';
import { PART_RECORDS, partSchema, type Part, type Role } from '@/core/materials/part';
import { UNIT_RECORDS, unitSchema, type Category, type Unit } from '@/core/units/unit';

type Shelf = Production['shelf'];

/**
 * What a unit says before anybody has read its box: nothing that the label could say, and of the rest what
 * is typical of its kind.
 */
export const newUnit = (
  { units }: Shelf,
  category: Category,
  name: string,
  supplyV: number,
): Unit => {
  const { starts } = UNIT_RECORDS[category];
  return unitSchema.parse({
    ...starts,
    ...('supplyV' in starts ? { supplyV } : {}),
    id: nanoid(10),
    category,
    name: freeName(name, units),
    origins: {},
  });
};

export const newPart = ({ parts }: Shelf, role: Role, name: string): Part =>
  partSchema.parse({
    ...PART_RECORDS[role].starts,
    id: nanoid(10),
    role,
    name: freeName(name, parts),
    origins: {},
  });

/** A copy under its own id and name. */
export const copiedUnit = ({ units }: Shelf, unit: Unit): Unit =>
  unitSchema.parse({ ...structuredClone(unit), id: nanoid(10), name: freeName(unit.name, units) });
export const copiedPart = ({ parts }: Shelf, part: Part): Part =>
  partSchema.parse({ ...structuredClone(part), id: nanoid(10), name: freeName(part.name, parts) });
