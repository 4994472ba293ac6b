import { z } from 'zod';
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

/** Lowest CRI a use can live with [common practice, handbook 02]. */
export const CRI_GATE: Record<Use, number> = {
  face: 90,
  insert: 90,
  overhead: 90,
  wash: 80,
  edge: 80,
  dressing: 80,
};

/** What is lit, from where, how bright, how soft, what colour. */
export const shotSchema = z.object({
  id: shotIdSchema,
  name: z.string().trim().min(1).max(80),
  note: z.string().max(2000),
  use: z.enum(USES),
  /** from the light's front to the subject */
  distanceM: z.number().min(0.1).max(50),
  coverageWidthM: z.number().min(0.02).max(30),
  coverageHeightM: z.number().min(0.02).max(30),
  isoSpeed: z.number().int().min(25).max(409_600),
  fNumber: z.number().min(0.7).max(64),
  frameRateHz: z.number().min(1).max(1000),
  shutterAngleDeg: z.number().min(1).max(360),
  /** wanted over (+) or under (−) a metered mid-grey */
  offsetStops: z.number().min(-10).max(10),
  calibrationLxS: z.number().min(200).max(600),
  cctK: z.number().int().min(1500).max(15_000),
  /** smallest angle the light should fill, seen from the subject */
  softnessDeg: z.number().min(0).max(180),
  /** allowed unevenness, ± stops over the coverage */
  evennessStops: z.number().min(0.05).max(5),
  budgetMinor: z.number().int().min(0).max(100_000_000).nullable(),
});
export type Shot = z.infer<typeof shotSchema>;
