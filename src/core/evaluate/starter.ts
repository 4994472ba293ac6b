import { SITE_RECORD } from '../location/site';
import type { Build, Production, BuildParameters } from '../document/production';
import { mired } from '../colour/mired';
import type { BuildId, CircuitId, ShotId } from '../ids';
import type { Field, FormContext, FormDefinition } from '../forms/form';
import { earthFindings } from '../power/earth';
import { loadFindings } from '../power/loadFindings';
import { planPower } from '../power/plan';
import { supplyFindings } from '../power/supplyFindings';
import type { Category } from '../units/unit';
import { findBuild, resolveScene, sceneOf } from './context';

/** How bad a design is, for choosing parts: stops first, then open questions, then colour. */
function penalty(document: Production, buildId: string): number {
  const scene = sceneOf(document, findBuild(document, buildId)!);
  const found = resolveScene(scene);
  if (!found) return Infinity;
  const { resolved } = found;
  const { groups, tape } = resolved;
  const { parts } = document.shelf;
  const plan = planPower(resolved, scene.circuit, 0, scene.context.part);
  const findings = [
    ...resolved.findings,
    ...loadFindings(plan, resolved, []),
    ...earthFindings(plan, resolved, parts, SITE_RECORD.starts),
    ...(tape ? supplyFindings(tape, []) : []),
  ];
  const weigh = { stop: 1e6, look: 30, unknown: 300, ok: 0 } as const;
  const judged = findings.reduce((sum, { severity }) => sum + weigh[severity], 0);
  const shift = groups.reduce(
    (sum, { unit }) => sum + Math.abs(mired(unit.cctK.value) - mired(scene.shot.cctK)),
    0,
  );
  const poor = groups.some(
    ({ unit }) => unit.supplyV && Math.abs(unit.supplyV / scene.circuit.voltageV - 1) > 0.1,
  );
  return judged + shift + (poor ? 1e6 : 0);
}

/** Values a field may take from the shelf; nothing for fields that name no part. */
function candidates(field: Field, document: Production): unknown[] {
  const { units, parts } = document.shelf;
  const ofCategory = (wanted: Category) => units.filter(({ category }) => category === wanted);
  switch (field.kind) {
    case 'groups':
      return ofCategory(field.category).map(({ id }) => [{ bulbId: id, level: 1 }]);
    case 'unit':
      return ofCategory(field.category).map(({ id }) => id);
    case 'part':
      // A dimmer is a wish, not a need; so is everything a form can do without.
      return field.optional
        ? []
        : parts.filter(({ role }) => role === field.role).map(({ id }) => id);
    default:
      return [];
  }
}

/** A build of a form that nobody has kept yet. */
export const begunBuild = (
  form: Pick<FormDefinition, 'id' | 'name'>,
  shotId: string,
  circuitId: string,
  parameters: BuildParameters,
): Build => ({
  id: 'starter' as BuildId,
  name: form.name,
  shotId: shotId as ShotId,
  circuitId: circuitId as CircuitId,
  fixtureId: null,
  standing: 'in use',
  form: form.id,
  parameters,
  accessories: [],
  copies: 1,
  site: SITE_RECORD.starts,
  signOffs: [],
  note: '',
});

/**
 * Parameters a new build of a form begins with: its defaults, and for every place that needs a part
 * the one on the shelf that raises the fewest stops and lies nearest to the shot's colour.
 */
export function starterParameters(
  form: FormDefinition,
  document: Production,
  shotId: string,
  circuitId = document.circuits[0]!.id as string,
): BuildParameters {
  const alone = (parameters: unknown): Production => ({
    ...document,
    builds: [begunBuild(form, shotId, circuitId, parameters as BuildParameters)],
  });
  let best = form.defaults() as BuildParameters;
  for (const field of form.fields) {
    let lowest = Infinity;
    let chosen: BuildParameters | null = null;
    for (const value of candidates(field, document)) {
      const tried = { ...best, [field.parameter]: value } as BuildParameters;
      const cost = penalty(alone(tried), 'starter');
      if (cost < lowest) [lowest, chosen] = [cost, tried];
    }
    if (chosen) best = chosen;
  }
  return best;
}

/**
 * Changing form keeps what can be kept: every parameter of the same name that the new form takes and
 * that leaves it makeable.
 */
export function carriedOver(
  form: FormDefinition,
  from: BuildParameters,
  starter: BuildParameters,
  context: FormContext,
): { parameters: BuildParameters; kept: string[] } {
  let parameters = starter;
  const kept: string[] = [];
  for (const { parameter } of form.fields) {
    const old = from[parameter];
    if (old === undefined || old === null || old === starter[parameter]) continue;
    const tried = { ...parameters, [parameter]: old };
    const read = form.parameters.safeParse(tried);
    if (!read.success || form.problems(read.data, context).length > 0) continue;
    parameters = tried;
    kept.push(parameter);
  }
  return { parameters, kept };
}
