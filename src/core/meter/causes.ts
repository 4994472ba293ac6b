import * as z from 'zod/mini';
import { list, note, range, stampSchema, text } from '../schema';

/**
 * What a calibration may put right, each by one factor: the light of a unit, what comes through a layer, what a finish sends back,
 * the copper of a tape.
 */
export const CAUSE_KINDS = ['flux', 'transmittance', 'reflectance', 'copper'] as const;
export type CauseKind = (typeof CAUSE_KINDS)[number];

const causeSchema = z.object({
  kind: z.enum(CAUSE_KINDS),
  /** of the unit, part or finish it is of */
  id: text(1, 64),
  /** what the shelf says times this is what readings say */
  factor: range(0.05, 20),
  /** standard uncertainty of the factor, as a share */
  deviation: range(0, 2),
});
export type Cause = z.infer<typeof causeSchema>;

/** What readings taught the model, taken over by somebody. */
export const calibrationSchema = z.object({
  at: stampSchema,
  by: note(80),
  /** readings it stands on */
  readings: range(1, 100_000),
  /** any of them simulated: it is a lesson, not a fact */
  simulated: z.boolean(),
  causes: list(causeSchema, 1, 200),
});
export type Calibration = z.infer<typeof calibrationSchema>;
