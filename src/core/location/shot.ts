import * as z from 'zod/mini';
import { EMISSIONS } from '../colour/emission';
import { list, note, range, text, wholeRange } from '../schema';
import { shotIdSchema } from '../ids';

export const USES = ['face', 'wash', 'insert', 'edge', 'dressing', 'overhead'] as const;
export type Use = (typeof USES)[number];

export const USE_NAMES: Record<Use, string> = {
  face: 'a face',
  wash: 'a backdrop',
  insert: 'an insert',
  edge: 'an edge light',
  dressing: 'set dressing',
  overhead: 'an overhead scene',
};

/** Lowest CRI a use can live with [common practice, docs/model/units.md]. */
export const CRI_GATE: Record<Use, number> = {
  face: 90,
  insert: 90,
  overhead: 90,
  wash: 80,
  edge: 80,
  dressing: 80,
};

/** Light that is there anyway, and falls on the subject too: a table lamp, a window, the ceiling. */
const roomLightSchema = z.object({
  id: text(1, 40),
  name: text(1, 80),
  emission: z.enum(EMISSIONS),
  cctK: wholeRange(1500, 20_000),
  /** at the subject, metered or guessed */
  illuminanceLx: range(0, 200_000),
});
export type RoomLight = z.infer<typeof roomLightSchema>;

/** What is lit, from where, how bright, how soft, what colour. */
export const shotSchema = z.object({
  id: shotIdSchema,
  name: text(1, 80),
  note: note(2000),
  use: z.enum(USES),
  /** from the light's front to the subject */
  distanceM: range(0.1, 50),
  coverageWidthM: range(0.02, 30),
  coverageHeightM: range(0.02, 30),
  isoSpeed: wholeRange(25, 409_600),
  fNumber: range(0.7, 64),
  frameRateHz: range(1, 1000),
  shutterAngleDeg: range(1, 360),
  /** wanted over (+) or under (−) a metered mid-grey */
  offsetStops: range(-10, 10),
  calibrationLxS: range(200, 600),
  cctK: wholeRange(1500, 15_000),
  /** smallest angle the light should fill, seen from the subject */
  softnessDeg: range(0, 180),
  /** allowed unevenness, ± stops over the coverage */
  evennessStops: range(0.05, 5),
  budgetMinor: z.nullable(wholeRange(0, 100_000_000)),
  roomLights: list(roomLightSchema, 0, 20),
});
export type Shot = z.infer<typeof shotSchema>;
