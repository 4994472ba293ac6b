import type { Circuit } from '../document/circuit';
import type { Build, Production } from '../document/production';
import type { Shot } from '../document/shot';
import { FORMS, readParameters } from '../forms';
import type { FormContext, FormDefinition } from '../forms/form';
import { filledParameters } from '../forms/fill';
import type { View } from '../forms/drawing';
import type { ResolvedBuild } from '../forms/resolved';
import { attachAll } from '../accessories/attach';
import type { Shelf } from '../shop/purchase';
import { lightMargin } from './light';
import type { Fixture } from '../verdict/fixture';
import { fullCurrentA } from '../power/plan';
import { assert } from '../result';

/** A build with everything it refers to looked up. */
export interface Scene {
  document: Production;
  build: Build;
  shot: Shot;
  circuit: Circuit;
  fixture: Fixture | null;
  context: FormContext;
  shelf: Shelf;
}

export function findBuild(document: Production, buildId: string): Build | undefined {
  return document.builds.find((build) => build.id === buildId);
}

/** References are checked at the document's door, so a missing one is a programming mistake. */
export function sceneOf(document: Production, build: Build): Scene {
  const shot = document.shots.find(({ id }) => id === build.shotId);
  const circuit = document.circuits.find(({ id }) => id === build.circuitId);
  assert(shot && circuit, `build ${build.id} refers to a shot and a circuit of its production`);
  const { bulbs, parts, units } = document.shelf;
  const bulb: FormContext['bulb'] = (id) => bulbs.find((each) => each.id === id) ?? null;
  const part: FormContext['part'] = (id) => parts.find((each) => each.id === id) ?? null;
  const unit: FormContext['unit'] = (id) => units.find((each) => each.id === id) ?? null;
  return {
    document,
    build,
    shot,
    circuit,
    fixture: document.fixtures.find(({ id }) => id === build.fixtureId) ?? null,
    context: { shot, circuit, bulb, part, unit },
    shelf: {
      bulb,
      part,
      unit,
      hardware: (id) => parts.find((each) => each.role === 'hardware' && each.kind === id) ?? null,
    },
  };
}

export interface Resolution {
  form: FormDefinition;
  parameters: unknown;
  resolved: ResolvedBuild;
  /** drawings of the accessories */
  views: View[];
}

/** Resolves a build, or null when its form is unknown here or its parameters do not fit it. */
export function resolveScene({ build, context, shot }: Scene): Resolution | null {
  const form = FORMS.get(build.form);
  if (!form) return null;
  const read = readParameters(form, build.parameters);
  if (!read.ok) return null;
  const parameters = filledParameters(form, read.value, context, (resolved) =>
    lightMargin(resolved, shot),
  );
  const attached = attachAll(form.resolve(parameters, context), build.accessories, context);
  return { form, parameters, ...attached };
}

/**
 * What neighbours draw, kept by the caller between evaluations: a build that has not changed, on a
 * shelf that has not, draws what it drew.
 */
export type LoadCache = WeakMap<
  Build,
  { shelf: object; shots: object; circuits: object; amps: number }
>;

/** Current one build draws on its circuit, every copy fully up. */
export function loadA(
  document: Production,
  other: Build,
  voltageV: number,
  known?: LoadCache,
): number {
  const { shelf, shots, circuits } = document;
  const kept = known?.get(other);
  if (kept?.shelf === shelf && kept.shots === shots && kept.circuits === circuits) return kept.amps;
  const found = resolveScene(sceneOf(document, other));
  const amps = found ? other.copies * fullCurrentA(found.resolved, voltageV) : 0;
  known?.set(other, { shelf, shots, circuits, amps });
  return amps;
}

/** Current the circuit already carries: other builds, every copy fully up, and its other load. */
export function otherLoadA({ document, build, circuit }: Scene, known?: LoadCache): number {
  const neighbours = document.builds.filter(
    (other) => other.circuitId === circuit.id && other.id !== build.id,
  );
  return neighbours.reduce(
    (sum, other) => sum + loadA(document, other, circuit.voltageV, known),
    circuit.otherLoadW / circuit.voltageV,
  );
}
