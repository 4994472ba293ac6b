import { z } from 'zod';
import {
  buildIdSchema,
  circuitIdSchema,
  fixtureIdSchema,
  productionIdSchema,
  shotIdSchema,
} from '../ids';
import { partSchema } from '../materials/part';
import { bulbSchema } from '../units/bulb';
import { fixtureSchema } from '../verdict/fixture';
import { circuitSchema } from './circuit';
import { shotSchema } from './shot';

export const DOCUMENT_FORMAT = 'lantern-jar-production';
export const DOCUMENT_VERSION = 1;

/**
 * One design. Its parameters belong to its form; a form this version does not know is kept
 * untouched, so parameters are plain JSON here and are checked against the form separately.
 */
export const buildSchema = z.object({
  id: buildIdSchema,
  name: z.string().trim().min(1).max(80),
  shotId: shotIdSchema,
  circuitId: circuitIdSchema,
  /** what it is judged against; null for nothing yet */
  fixtureId: fixtureIdSchema.nullable(),
  form: z.string().min(1).max(64),
  parameters: z.record(z.string(), z.json()),
  copies: z.number().int().min(1).max(100),
  note: z.string().max(4000),
});
export type Build = z.infer<typeof buildSchema>;

/** The user's document, version 1. Everything is SI; money is in minor units of `currency`. */
export const productionSchema = z.object({
  format: z.literal(DOCUMENT_FORMAT),
  version: z.literal(DOCUMENT_VERSION),
  id: productionIdSchema,
  name: z.string().trim().min(1).max(120),
  note: z.string().max(4000),
  currency: z.string().regex(/^[A-Z]{3}$/),
  taxIncluded: z.boolean(),
  circuits: z.array(circuitSchema).min(1).max(60),
  shots: z.array(shotSchema).max(200),
  shelf: z.object({
    bulbs: z.array(bulbSchema).max(1000),
    parts: z.array(partSchema).max(1000),
  }),
  fixtures: z.array(fixtureSchema).max(300),
  builds: z.array(buildSchema).max(300),
});
export type Production = z.infer<typeof productionSchema>;
