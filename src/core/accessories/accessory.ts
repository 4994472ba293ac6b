import type * as z from 'zod/mini';
import type { Body } from '../assembly/body';
import type { Measure } from '../assembly/distance';
import type { View } from '../drawing/drawing';
import type { Field, FormContext, ParameterMigrations } from '../forms/form';
import { BOARD_M } from '../forms/kit/typical';
import type { Control } from '../light/controls';
import type { Use } from '../location/use';
import type { Mouth } from '../light/mouth';
import type { Framework } from '../build/framework';
import type { Parcel, ResolvedBuild, Size } from '../build/resolvedBuild';
import type { Support } from '../build/supports';
import type { Thing } from '../build/things';

/** What an accessory adds to the build that carries it. */
export type Attachment = Pick<
  ResolvedBuild,
  'pieces' | 'needs' | 'steps' | 'facts' | 'findings' | 'massKg'
> & {
  view: View;
  /** where its mass lies before the back of the light, metres; on the back where it does not say */
  massAtM?: number;
  /** how it holds the light up; judged with everything the light carries */
  support?: Support;
  /** what it is made of, where it stands: judged by the heat engine like the build's own */
  things?: readonly Thing[];
  /** how the light lies in the car with it on */
  folds?: (folded: Size) => Size;
  /** what travels beside the light */
  parcel?: Parcel;
  /** what it is a frame of */
  framework?: Framework;
  /** what it puts into the light's way */
  controls?: readonly Control[];
  /** the front it makes of the build's own */
  mouth?: Mouth;
};

/**
 * A part any form may carry. It reads the resolved build, never the form behind it, and only adds:
 * one folder entry and one line in the registry, like a form.
 */
export interface AccessoryDefinition<P = unknown> {
  id: string;
  name: string;
  summary: string;
  parameters: z.ZodMiniType<P>;
  fields: readonly Field[];
  /** changes where the light goes, so that it is worth seeing with and without */
  optical?: true;
  defaults: () => P;
  /** sets of its parameters that a search tries on what it found good, and what for; without, it is not tried */
  search?: { uses: readonly Use[]; sets: readonly Readonly<Record<string, unknown>>[] };
  /** by the document version they lead to */
  migrations?: ParameterMigrations;
  attach: (parameters: P, base: ResolvedBuild, context: FormContext) => Attachment;
  /** what one sees of it where it sits on what stands there already */
  assemble: (
    parameters: P,
    base: ResolvedBuild,
    on: readonly Measure[],
    context: FormContext,
  ) => Body[];
}

/** What screws and bolts go through on the light's back: its thickest board. */
export const boardThicknessM = ({ pieces }: ResolvedBuild): number =>
  pieces.reduce(
    (most, piece) => (piece.kind === 'sheet' ? Math.max(most, piece.thicknessM) : most),
    0,
  ) || BOARD_M;

/** Plane in which the next accessory is fitted: the front, or the mouth of a hood that is on already. */
export const frontPlaneM = ({ frontM, mouth }: ResolvedBuild): number =>
  mouth?.hood ? mouth.heightOverBackM : frontM;
