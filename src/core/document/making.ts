import * as z from 'zod/mini';
import { buildIdSchema } from '../ids';
import { list, note, range, stampSchema, text, wholeRange } from '../schema';

const by = note(80);
const key = text(1, 200);
/** Years, to the minute: nothing at a bench takes longer. */
const minutes = range(0, 1_000_000);

/** A step that was done, under the id it keeps when its numbers change. */
const tickSchema = z.object({
  at: stampSchema,
  by,
  /** taken; null where nobody looked at the clock */
  minutes: z.nullable(minutes),
  /** as it was planned then */
  plannedMin: minutes,
  /** as the step was called, so that one that is no longer there can still be named */
  title: text(1, 200),
  /** of what it was done for (`evaluate/stepPrints.ts`); another print wants it looked at again */
  print: text(1, 64),
});
export type Tick = z.infer<typeof tickSchema>;

/** What a meter or a person said where a step asks. */
const readingSchema = z.object({
  /** in SI; 1 for a yes; null where only words are asked for */
  value: z.nullable(range(-1e9, 1e9)),
  words: note(200),
  at: stampSchema,
  by,
});
export type Reading = z.infer<typeof readingSchema>;

const timerSchema = z.object({ startedAt: stampSchema, minutes });
export type Timer = z.infer<typeof timerSchema>;

/** A line of the log: a remark, a fault and where it was, a change of the plan. */
const entrySchema = z.object({
  id: text(1, 64),
  at: stampSchema,
  by,
  stepId: z.nullable(text(1, 120)),
  kind: z.enum(['remark', 'fault', 'change']),
  words: text(1, 2000),
});
export type LogEntry = z.infer<typeof entrySchema>;

/** What a line of the shopping list really cost. */
const paidSchema = z.object({
  minor: wholeRange(0, 1_000_000_000),
  shop: note(80),
  at: stampSchema,
});

/** What went in instead of a line of the parts list. */
const usedSchema = z.object({
  /** the line as it was called */
  name: text(1, 200),
  words: text(1, 200),
  at: stampSchema,
  by,
});

/**
 * One copy of a build being made. What is ticked, read, timed and paid stands under its own key, so that two
 * hands that write at once take nothing from each other.
 */
export const makingSchema = z.object({
  id: text(1, 64),
  /** null after its build was taken out */
  buildId: z.nullable(buildIdSchema),
  name: text(1, 80),
  copy: wholeRange(1, 100),
  startedAt: stampSchema,
  /** the design as it was begun, in words by what it is about (`designPoints`) */
  begun: z.record(key, z.object({ what: text(1, 120), words: note(80) })),
  ticks: z.record(key, tickSchema),
  readings: z.record(key, readingSchema),
  timers: z.record(key, timerSchema),
  paid: z.record(key, paidSchema),
  /** by line of the parts list; where it says nothing, what was planned went in */
  used: z.optional(z.record(key, usedSchema)),
  log: list(entrySchema, 0, 2000),
  note: note(4000),
});
export type Making = z.infer<typeof makingSchema>;
