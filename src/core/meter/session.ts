import * as z from 'zod/mini';
import { buildIdSchema, partIdSchema, unitIdSchema } from '../ids';
import { list, note, range, stampSchema, text, wholeRange } from '../schema';
import { spectrumSchema } from '../units/spectrum';
import { blankFrames, framesSchema } from './framesRecord';

/** What is done in a session: it says what its readings are of. */
export const SESSION_KINDS = [
  'points',
  'sweep',
  'layer',
  'frames',
  'electric',
  'warm',
  'spectrum',
] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

/** What is read of a tape, or of a light at its plug. */
export const ELECTRIC = ['nearV', 'farV', 'tapeA', 'mainsA', 'mainsW', 'powerFactor'] as const;
export type ElectricId = (typeof ELECTRIC)[number];

/** A place on the plane that is metered: to the right of the light's axis and above it, seen from the light. */
const pointSchema = z.object({ name: text(1, 40), xM: range(-50, 50), yM: range(-50, 50) });
export type MeterPoint = z.infer<typeof pointSchema>;

/** Where a reading was taken. */
const placeSchema = z.discriminatedUnion('kind', [
  /** round a lamp: which way round the axis, and how far off it, degrees */
  z.object({ kind: z.literal('angle'), planeDeg: range(0, 180), angleDeg: range(-180, 180) }),
  /** with the layer before the lamp, or without */
  z.object({ kind: z.literal('layer'), with: z.boolean() }),
  /** the room's own light, lamp off */
  z.object({ kind: z.literal('room') }),
  /** a place on a plane square to the light's axis; the meter lies in the plane */
  z.object({ kind: z.literal('point'), ...pointSchema.shape }),
  z.object({ kind: z.literal('electric'), what: z.enum(ELECTRIC) }),
  /** on a thing that gets warm, or the room's air; °C */
  z.object({ kind: z.literal('warm'), thing: text(1, 80) }),
  z.object({ kind: z.literal('air') }),
  /** on a grey card in a frame, read by the camera */
  z.object({ kind: z.literal('card'), frame: text(1, 64) }),
]);
export type Place = z.infer<typeof placeSchema>;

/** Colder than any room a light is built for, °C: nothing else is read below zero. */
const COLDEST_C = -60;
const mayBeCold = ({ kind }: Place) => kind === 'warm' || kind === 'air';

/** One time the meter was read. It is never taken out: who doubts it strikes it out and says why. */
const readingSchema = z
  .object({
    place: placeSchema,
    /** lux; V, A, W or a power factor of what is electric; °C of what is warm */
    value: range(COLDEST_C, 1e7),
    at: stampSchema,
    by: note(80),
    /** its place in the order they were taken */
    order: range(0, 1e6),
    /** why it does not count; null where it does */
    struck: z.nullable(text(1, 200)),
    /** it came from the simulated meter */
    simulated: z.boolean(),
  })
  .check(
    z.refine(({ place, value }) => value >= 0 || mayBeCold(place), {
      path: ['value'],
      error: 'Only temperatures lie below zero.',
    }),
  );
export type MeterReading = z.infer<typeof readingSchema>;

const instrumentSchema = z.object({
  name: note(80),
  /** right within ± this share of the reading */
  classShare: range(0, 1),
  /** smallest step it shows, in the unit it reads */
  grainLx: range(0, 1000),
  /** it reads too little (or too much) of light that comes from 60° aside, as a share */
  cosineShare: range(0, 1),
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
  /** how far the light is up */
  level: range(0, 1),
  /** places on the plane, in the order they are read */
  points: list(pointSchema, 0, 200),
  /** as a file told it; null for none yet */
  spectrum: z.nullable(
    z.object({ curve: spectrumSchema, file: note(120), simulated: z.boolean() }),
  ),
  frames: framesSchema,
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
  instrument: { name: '', classShare: 0.05, grainLx: 1, cosineShare: 0.03 },
  distanceM: 1,
  distanceErrorM: 0.01,
  sizeM: 0.06,
  warmMin: null,
  level: 1,
  points: [],
  spectrum: null,
  frames: blankFrames(),
  stepDeg: 10,
  toDeg: 180,
  planes: 1,
  readings: {},
  closedAt: null,
  note: '',
  ...given,
});
