import * as z from 'zod/mini';
import { json, list, note, text, wholeRange } from '../schema';
import {
  buildIdSchema,
  circuitIdSchema,
  fixtureIdSchema,
  productionIdSchema,
  shotIdSchema,
} from '../ids';
import { accessorySchema } from '../accessories/carried';
import { shelfSchema } from '../shelf/shelf';
import { fixtureSchema } from '../verdict/fixture';
import { circuitSchema } from '../location/circuit';
import { makingSchema } from './making';
import { pictureSchema } from './picture';
import { calibrationSchema } from '../meter/causes';
import { sessionSchema } from '../meter/session';
import { setupSchema } from '../set/setup';
import { shotSchema } from '../location/shot';
import { siteSchema } from '../location/site';

export const DOCUMENT_FORMAT = 'lantern-jar-production';
export const DOCUMENT_VERSION = 13;

/** Who looked a build over before its first power-up, and what they looked at. */
export const signOffSchema = z.object({
  id: text(1, 64),
  name: text(1, 80),
  /** yyyy-mm-dd */
  date: z.string().check(z.regex(/^\d{4}-\d{2}-\d{2}$/)),
  /** titles of the checks they ticked */
  checked: list(text(1, 200), 0, 40),
  /** which of the copies: each is another thing */
  copy: wholeRange(1, 100),
  /** hash of everything they saw (`evaluate/signedState.ts`); another state wants another look */
  design: text(1, 64),
  /** the same in words, by what it is about, so that a later change can be told */
  seen: z.record(text(1, 200), z.object({ what: text(1, 120), words: note(80) })),
});

/** Whether a light is part of what is lit, or one of several ways it might be done. */
export const STANDINGS = ['in use', 'an idea'] as const;

/**
 * One design. Its parameters belong to its form; a form this version does not know is kept
 * untouched, so parameters are plain JSON here and are checked against the form separately.
 */
export const buildSchema = z.object({
  id: buildIdSchema,
  name: text(1, 80),
  /** null after its shot was taken away */
  shotId: z.nullable(shotIdSchema),
  /** an idea is looked at beside the others, but is not switched on with them */
  standing: z.enum(STANDINGS),
  circuitId: circuitIdSchema,
  /** what it is judged against; null for nothing yet */
  fixtureId: z.nullable(fixtureIdSchema),
  /** how it stands in the world: its way to the outlet, who comes near, what hangs over it */
  site: siteSchema,
  form: text(1, 64),
  parameters: z.record(note(200), json),
  accessories: list(accessorySchema, 0, 12),
  copies: wholeRange(1, 100),
  signOffs: list(signOffSchema, 0, 200),
  note: note(4000),
});
export type Build = z.infer<typeof buildSchema>;
export type BuildParameters = Build['parameters'];

/** The user's document. Everything is SI; money is in minor units of `currency`. */
export const productionSchema = z.object({
  format: z.literal(DOCUMENT_FORMAT),
  version: z.literal(DOCUMENT_VERSION),
  id: productionIdSchema,
  name: text(1, 120),
  note: note(4000),
  currency: z.string().check(z.regex(/^[A-Z]{3}$/)),
  taxIncluded: z.boolean(),
  circuits: list(circuitSchema, 1, 60),
  shots: list(shotSchema, 0, 200),
  shelf: shelfSchema,
  fixtures: list(fixtureSchema, 0, 300),
  builds: list(buildSchema, 0, 300),
  setups: list(setupSchema, 0, 200),
  makings: list(makingSchema, 0, 500),
  sessions: list(sessionSchema, 0, 1000),
  pictures: list(pictureSchema, 0, 2000),
  /** what readings taught; null while nothing was taken over */
  calibration: z.nullable(calibrationSchema),
});
export type Production = z.infer<typeof productionSchema>;
