import { shotOf } from '../document/blank';
import type { Circuit } from '../location/circuit';
import type { Build, Production } from '../document/production';
import type { Shot } from '../location/shot';
import { FORMS, readParameters } from '../forms';
import type { FormContext, FormDefinition } from '../forms/form';
import { filledParameters } from '../forms/fill';
import { unfitParts } from '../forms/unfit';
import type { View } from '../drawing/drawing';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { attachAll, type Carried } from '../accessories/attach';
import { finished } from '../making/finishing';
import { mentions, nameFits } from '../materials/fasteners';
import type { FinishId } from '../materials/finish';
import type { ShelfLookup } from '../shop/purchase';
import { lightMargin } from './light';
import { asCalibrated, calibratedFinish } from '../meter/calibrated';
import { assert } from '../result';

/** A build with everything it refers to looked up. */
export interface Scene {
  document: Production;
  build: Build;
  shot: Shot;
  circuit: Circuit;
  context: FormContext;
  shelf: ShelfLookup;
}

export function findBuild(document: Production, buildId: string): Build | undefined {
  return document.builds.find((build) => build.id === buildId);
}

type Finders = Pick<FormContext, 'part' | 'unit' | 'finish'>;

/** What a purchase looks up. */
export const shelfOf = ({
  shelf: { parts, units },
  calibration,
}: Pick<Production, 'shelf' | 'calibration'>): ShelfLookup & Finders => ({
  part: (id) => {
    const part = parts.find((each) => each.id === id);
    return part ? asCalibrated('parts', part, calibration) : null;
  },
  unit: (id) => {
    const unit = units.find((each) => each.id === id);
    return unit ? asCalibrated('units', unit, calibration) : null;
  },
  finish: (id) => calibratedFinish(id, calibration),
  hardware: (id, size) => {
    const kind = parts.filter((each) => each.role === 'hardware' && each.kind === id);
    if (size === undefined) return kind[0] ?? null;
    return (
      kind.find(({ name }) => mentions(name, size)) ??
      kind.find(({ name }) => nameFits(name, size)) ??
      null
    );
  },
});

/** References are checked at the document's door, so a missing circuit is a programming mistake. */
export function sceneOf(document: Production, build: Build): Scene {
  const shot = shotOf(document, build);
  const circuit = document.circuits.find(({ id }) => id === build.circuitId);
  assert(circuit, `build ${build.id} refers to a circuit of its production`);
  const shelf = shelfOf(document);
  const { part, unit, finish } = shelf;
  return { document, build, shot, circuit, context: { shot, circuit, part, unit, finish }, shelf };
}

export interface Resolution {
  form: FormDefinition;
  parameters: unknown;
  resolved: ResolvedBuild;
  /** drawings of the accessories */
  views: View[];
  /** those that fit, and what each was fitted to */
  carried: Carried[];
  /** finishes it was worked out with: those of parts it does without are not looked up */
  finishes: ReadonlySet<FinishId>;
}

/** Resolves a build, or null when its form is unknown here or its parameters do not fit it. */
export const resolveScene = ({ build, context }: Scene): Resolution | null =>
  resolveWith(build, context);

/** @param stock  the same context, where it also tells what is on hand */
export function resolveWith(
  build: Pick<Build, 'form' | 'parameters' | 'accessories'>,
  looked: FormContext,
  stock = looked,
): Resolution | null {
  const form = FORMS.get(build.form);
  if (!form) return null;
  const read = readParameters(form, build.parameters);
  if (!read.ok) return null;
  const finishes = new Set<FinishId>();
  const context = noting(looked, finishes);
  const carrying = (bare: ResolvedBuild) => attachAll(bare, build.accessories, context);
  // What it carries takes light away, and puts the subject farther off.
  const margin = (bare: ResolvedBuild) => lightMargin(carrying(bare).resolved, context.shot);
  const parameters = filledParameters(form, read.value, context, margin, stock);
  const bare = form.resolve(parameters, context);
  const unfit = unfitParts(form.fields, parameters as Record<string, unknown>, context);
  const { resolved, views, carried } = carrying({
    ...bare,
    findings: [...bare.findings, ...unfit],
  });
  return {
    form,
    parameters,
    resolved: { ...resolved, steps: finished(resolved, context) },
    views,
    carried,
    finishes,
  };
}

/** A context that notes which finishes are looked up; what else is read from it is read only when it is asked for, as before. */
const noting = (context: FormContext, finishes: Set<FinishId>): FormContext => ({
  get shot() {
    return context.shot;
  },
  get circuit() {
    return context.circuit;
  },
  part: context.part,
  unit: context.unit,
  finish: (id) => {
    finishes.add(id);
    return context.finish(id);
  },
});
