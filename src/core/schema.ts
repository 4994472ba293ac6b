import * as z from 'zod/mini';

/**
 * The small vocabulary the core's schemas are written in. It stands on Zod's functional build,
 * which weighs a third of the chained one in a browser.
 */
export const range = (min: number, max: number) => z.number().check(z.minimum(min), z.maximum(max));

export const wholeRange = (min: number, max: number) =>
  z.int().check(z.minimum(min), z.maximum(max));

/**
 * Text that every store can hold: no NUL, and no half of a pair of surrogates, which an emoji cut in
 * two leaves behind. PostgreSQL refuses both.
 */
const UNSTORABLE = /\u0000|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;
const storable = (words: string): boolean => !UNSTORABLE.test(words);

const UNSTORABLE_WORDS =
  'It holds a character that cannot be stored (a NUL, or half an emoji): type it again.';

/** The longest beginning of a text that fits, never ending inside a character. */
export function cutText(words: string, most: number): string {
  const cut = words.slice(0, most);
  return /[\ud800-\udbff]$/.test(cut) ? cut.slice(0, -1) : cut;
}

function storableJson(node: unknown): boolean {
  if (typeof node === 'string') return storable(node);
  if (Array.isArray(node)) return node.every(storableJson);
  if (typeof node !== 'object' || node === null) return true;
  return Object.entries(node).every(([key, value]) => storable(key) && storableJson(value));
}

/** Any JSON a store can hold. */
export const json = z.json().check(z.refine(storableJson, UNSTORABLE_WORDS));

/** Words with nothing at their ends; `min` 1 for what must be named. */
export const text = (min: number, max: number) =>
  z
    .string()
    .check(z.trim(), z.minLength(min), z.maxLength(max), z.refine(storable, UNSTORABLE_WORDS));

/** Free writing, kept as typed. */
export const note = (max: number) =>
  z.string().check(z.maxLength(max), z.refine(storable, UNSTORABLE_WORDS));

export const list = <T extends z.ZodMiniType>(item: T, min: number, max: number) =>
  z.array(item).check(z.minLength(min), z.maxLength(max));

export type Wording = NonNullable<Parameters<z.ZodMiniType['safeParse']>[1]>;

/** A moment in universal time, to the second: no summer time and no midnight lies in it. */
export const stampSchema = z
  .string()
  .check(
    z.regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}Z$/, 'A moment is written 2026-03-14T09:26:53Z'),
  );
