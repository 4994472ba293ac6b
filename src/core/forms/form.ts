import type * as z from 'zod/mini';
import type { Circuit } from '../document/circuit';
import type { Shot } from '../document/shot';
import type { BulbId, PartId } from '../ids';
import type { Part, Role } from '../materials/part';
import type { Dimension } from '../quantity';
import type { Problem } from '../result';
import type { Bulb } from '../units/bulb';
import type { Drawing } from './drawing';
import type { ResolvedBuild } from './resolved';

/** Everything a form may look at besides its own parameters. */
export interface FormContext {
  shot: Shot;
  circuit: Circuit;
  bulb: (id: BulbId | null) => Bulb | null;
  part: (id: PartId | null) => Part | null;
}

interface FieldBase {
  parameter: string;
  label: string;
  /** maker's name of the tray group it sits in */
  group: string;
  help?: string;
  /** shown only while another parameter holds a value */
  when?: { parameter: string; is: string | number };
}

/** How a parameter is edited; the tray is built from these alone. */
export type Field =
  | (FieldBase & {
      kind: 'quantity';
      dimension: Dimension;
      step: number;
      assumedUnit: string;
      min: number;
      max: number;
    })
  | (FieldBase & { kind: 'choice'; options: readonly { value: string | number; label: string }[] })
  | (FieldBase & { kind: 'part'; role: Role; optional: boolean })
  | (FieldBase & { kind: 'groups' });

export interface Range {
  min: number;
  max: number;
}

/**
 * A kind of build. One folder, one line in the registry, nothing else: the tray, the drawing and
 * every engine work from this alone.
 */
export interface FormDefinition<P = unknown> {
  id: string;
  name: string;
  summary: string;
  parameters: z.ZodMiniType<P>;
  fields: readonly Field[];
  defaults: () => P;
  /** What cannot be made at all with these parameters; path names the parameter. */
  problems: (parameters: P, context: FormContext) => Problem[];
  /** Where a handle or an arrow key must stop, by parameter. */
  limits: (parameters: P, context: FormContext) => Record<string, Range>;
  resolve: (parameters: P, context: FormContext) => ResolvedBuild;
  draw: (parameters: P, context: FormContext) => Drawing;
}
