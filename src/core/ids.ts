import * as z from 'zod/mini';

/** Ids are branded so that a bulb's cannot be passed where a build's is meant. */
const id = <B extends string>() =>
  z
    .string()
    .check(z.regex(/^[\w-]{1,64}$/, 'An id is 1 to 64 letters, digits, - or _'))
    .brand<B>();

export const productionIdSchema = id<'ProductionId'>();
export const shotIdSchema = id<'ShotId'>();
export const buildIdSchema = id<'BuildId'>();
export const partIdSchema = id<'PartId'>();
export const unitIdSchema = id<'UnitId'>();
export const accessoryIdSchema = id<'AccessoryId'>();
export const fixtureIdSchema = id<'FixtureId'>();
export const circuitIdSchema = id<'CircuitId'>();

export type ProductionId = z.infer<typeof productionIdSchema>;
export type ShotId = z.infer<typeof shotIdSchema>;
export type BuildId = z.infer<typeof buildIdSchema>;
export type PartId = z.infer<typeof partIdSchema>;
export type UnitId = z.infer<typeof unitIdSchema>;
export type CircuitId = z.infer<typeof circuitIdSchema>;
