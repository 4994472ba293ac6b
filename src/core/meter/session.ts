import * as z from 'zod/mini';
import { buildIdSchema, partIdSchema, unitIdSchema } from '../ids';
import { note, range, stampSchema, text, wholeRange } from '../schema';

/** What is done in a session: it says what its readings are of. */
export const SESSION_KINDS = ['sweep', 'layer'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

/** Where a reading was taken. */
const placeSchema = z.discriminatedUnion('kind', [
  /** round a lamp: which way round the axis, and how far off it, degrees */
  z.object({ kind: z.literal('angle'), planeDeg: range(0, 180), angleDeg: range(-180, 180) }),
  /** with the layer before the lamp, or without */
  z.object({ kind: z.literal('layer'), with: z.boolean() }),
  /** the room's own light, lamp off */
  z.object({ kind: z.literal('room') }),
]);
export type Place = z.infer<typeof placeSchema>;

/** One time the meter was read. It is never taken out: who doubts it strikes it out and says why. */
const readingSchema = z.object({
  place: placeSchema,
  /** lux */
  value: range(0, 1e7),
  at: stampSchema,
  by: note(80),
  /** its place in the order they were taken */
  order: range(0, 1e6),
  /** why it does not count; null where it does */
  struck: z.nullable(text(1, 200)),
  /** it came from the simulated meter */
  simulated: z.boolean(),
});
export type MeterReading = z.infer<typeof readingSchema>;

const instrumentSchema = z.object({
  name: note(80),
  /** right within ± this share of the reading */
  classShare: range(0, 1),
  /** smallest step it shows, lux */
  grainLx: range(0, 1000),
});

/** One time of metering one thing. Readings stand under keys of their own, so that two hands take nothing from each other. */
export const sessionSchema = z.object({
  id: text(1, 64),
  name: text(1, 80),
  kind: z.enum(SESSION_KINDS),
  /** what was metered; null where it is something else, or was taken out */
  buildId: z.nullable(buildIdSchema),
  unitId: z.nullable(unitIdSchema),
  partId: z.nullable(partIdSchema),
  startedAt: stampSchema,
  by: note(80),
  instrument: instrumentSchema,
  /** from the lamp to the meter */
  distanceM: range(0.05, 100),
  distanceErrorM: range(0, 1),
  /** longest way across what glows */
  sizeM: range(0.001, 20),
  /** since it was switched on, min; null where nobody looked */
  warmMin: z.nullable(range(0, 10_000)),
  /** of a sweep: from angle to angle, how far round, and how many ways round the axis */
  stepDeg: range(1, 45),
  toDeg: range(30, 180),
  planes: wholeRange(1, 2),
  readings: z.record(text(1, 64), readingSchema),
  /** no more is read, and nothing is changed; null while it is open */
  closedAt: z.nullable(stampSchema),
  note: note(4000),
});
export type Session = z.infer<typeof sessionSchema>;

/** A session before anything was read: with a cheap lux meter, until its owner says otherwise [common practice]. */
export const blankSession = (
  given: Pick<Session, 'id' | 'name' | 'kind' | 'startedAt' | 'by'> & Partial<Session>,
): Session => ({
  buildId: null,
  unitId: null,
  partId: null,
  instrument: { name: '', classShare: 0.05, grainLx: 1 },
  distanceM: 1,
  distanceErrorM: 0.01,
  sizeM: 0.06,
  warmMin: null,
  stepDeg: 10,
  toDeg: 180,
  planes: 1,
  readings: {},
  closedAt: null,
  note: '',
  ...given,
});
