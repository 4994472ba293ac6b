import * as z from 'zod/mini';

/**
 * The small vocabulary the core's schemas are written in. It stands on Zod's functional build,
 * which weighs a third of the chained one in a browser.
 */
export const range = (min: number, max: number) => z.number().check(z.minimum(min), z.maximum(max));

export const wholeRange = (min: number, max: number) =>
  z.int().check(z.minimum(min), z.maximum(max));

/** Words with nothing at their ends; `min` 1 for what must be named. */
export const text = (min: number, max: number) =>
  z.string().check(z.trim(), z.minLength(min), z.maxLength(max));

/** Free writing, kept as typed. */
export const note = (max: number) => z.string().check(z.maxLength(max));

export const list = <T extends z.ZodMiniType>(item: T, min: number, max: number) =>
  z.array(item).check(z.minLength(min), z.maxLength(max));

export type Wording = NonNullable<Parameters<z.ZodMiniType['safeParse']>[1]>;
