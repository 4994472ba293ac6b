import type * as z from 'zod/mini';
import type { Circuit } from '../location/circuit';
import type { Shot } from '../location/shot';
import type { Use } from '../location/use';
import type { PartId, UnitId } from '../ids';
import type { Finish, FinishId } from '../materials/finish';
import type { Part, Role } from '../materials/part';
import type { TakesId } from '../materials/takes';
import type { Dimension } from '../quantity';
import type { Problem } from '../result';
import type { Category, Unit } from '../units/unit';
import type { Axis } from './search';
import type { Body } from '../assembly/body';
import type { Board } from '../build/board';
import type { View } from '../drawing/drawing';
import type { ResolvedBuild } from '../build/resolvedBuild';

/** Everything a form may look at besides its own parameters. */
export interface FormContext {
  shot: Shot;
  circuit: Circuit;
  part: (id: PartId | null) => Part | null;
  unit: (id: UnitId | null) => Unit | null;
  /** as the table says, or as readings taught */
  finish: (id: FinishId) => Finish;
}

interface FieldBase {
  parameter: string;
  label: string;
  /** maker's name of the tray group it sits in */
  group: string;
  help?: string;
  /** shown only while another parameter holds a value */
  when?: { parameter: string; is: string | number };
  /** as a record’s field has it */
  unsaid?: string | number | null;
}

/** Kinds of shelf record a parameter may name. */
export type Ref = 'unit' | 'part';

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
  | (FieldBase & {
      kind: 'choice';
      options: readonly { value: string | number; label: string }[];
      /** ways whose light is worth seeing at once */
      variants?: readonly (string | number)[];
    })
  | (FieldBase & {
      kind: 'part';
      ref: 'part';
      role: Role;
      optional: boolean;
      /** what of that role goes there; anything where it is not told */
      takes?: TakesId;
      /** chosen when a build of the form is begun, though it could do without */
      begins?: true;
      /** parameters that become what the chosen part says in these of its fields */
      brings?: Readonly<Record<string, string>>;
      /** a layer in front; they stand in the order of their fields, from the lamps outwards */
      layer?: true;
    })
  | (FieldBase & {
      kind: 'unit';
      ref: 'unit';
      category: Category;
      /** as a part's */
      brings?: Readonly<Record<string, string>>;
    })
  /** lamps dealt out in groups; each names one of the category under `bulbId` */
  | (FieldBase & { kind: 'groups'; ref: 'unit'; category: Category });

export interface Limits {
  min: number;
  max: number;
}

/** How “as many as fit”, “enough for the shot” and “use up what is on hand” find their number. */
export interface Fill<P> {
  /** the counted or measured parameter that is filled in; the mode sits in `fillMode` */
  parameter: keyof P & string;
  /** smallest step of it: 1, or a tape's cut increment */
  step: (parameters: P, context: FormContext) => number;
  /** most that fits, whatever the parameter says now */
  most: (parameters: P, context: FormContext) => number;
  /** what the chosen unit has on hand */
  onHand: (parameters: P, context: FormContext) => number;
}

/** What the gallery says of a form; sizes, money, hours and light are worked out, not written down. */
export interface Gallery {
  goodFor: readonly Use[];
  skill: 1 | 2 | 3;
  /** one sentence: when to reach for it */
  reach: string;
}

/** Lifts a form's or accessory's own parameters to a version of the document. */
export type ParameterMigrations = Readonly<
  Record<number, (parameters: Record<string, unknown>) => Record<string, unknown>>
>;

/** Views of a form, and where what it wires lies from behind. */
export interface FormDrawing {
  views: View[];
  board: Board;
}

/**
 * A kind of build. One folder, one line in the registry, nothing else: the tray, the drawing and
 * every engine work from this alone.
 */
export interface FormDefinition<P = unknown> {
  id: string;
  name: string;
  summary: string;
  gallery: Gallery;
  parameters: z.ZodMiniType<P>;
  fields: readonly Field[];
  defaults: () => P;
  /** by the document version they lead to */
  migrations?: ParameterMigrations;
  fill?: Fill<P>;
  /** what a search for a shot’s light may change; a form without is not looked at */
  search?: readonly Axis[];
  /** What cannot be made at all with these parameters; path names the parameter. */
  problems: (parameters: P, context: FormContext) => Problem[];
  /** Where a handle or an arrow key must stop for the sake of the other parameters; within its field's own range. */
  limits: (parameters: P, context: FormContext) => Record<string, Partial<Limits>>;
  resolve: (parameters: P, context: FormContext) => ResolvedBuild;
  draw: (parameters: P, context: FormContext) => FormDrawing;
  /** every piece and everything bought that one sees, where it sits; what is not shown are wires, screws and glue */
  assemble: (parameters: P, context: FormContext) => Body[];
}
