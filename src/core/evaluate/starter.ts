import { SITE_RECORD } from '../location/site';
import type { Build, Production, BuildParameters } from '../document/production';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { mired } from '../colour/mired';
import type { BuildId, CircuitId, ShotId } from '../ids';
import type { Field, FormContext, FormDefinition } from '../forms/form';
import { planPower } from '../power/plan';
import type { Category } from '../units/unit';
import type { CutPlan } from '../shop/cutPlan';
import { planPurchase } from '../shop/purchase';
import { findBuild, resolveScene, sceneOf, type Scene } from './context';
import { evaluate } from './evaluate';
import { lightMargin } from './light';
import { quickFindings, wrongVoltage } from './quickFindings';
import { choosing } from '../forms/brings';
import { fitting, isOwned } from '../materials/takes';

/** What a stop too little light weighs against mired of colour, for lamps and for layers. */
const PER_STOP = { lamps: 60, layers: 40 };
/** Spending twice the budget weighs as much as one stop too little light. */
const PER_DOUBLE = 60;
/** Less than this misses by so much that it tells nothing more. */
const MOST_STOPS = 6;
/** Rendering below this is weighed, a point of it like so many mired. */
const [GOOD_RA, MIRED_A_POINT] = [90, 3];
/** What is on hand may be so many mired farther from the shot's white than what is bought. */
const OWNED_MIRED = 40;

/** How bad a design is, for choosing parts: stops first, then open questions, then colour and light. */
function penalty(document: Production, buildId: string, perStop: number): number {
  const scene = sceneOf(document, findBuild(document, buildId)!);
  const found = resolveScene(scene);
  if (!found) return Infinity;
  const { resolved } = found;
  const { groups } = resolved;
  const { parts } = document.shelf;
  const plan = planPower(resolved, scene.circuit, 0, scene.context.part);
  const findings = quickFindings(resolved, plan, parts);
  const weigh = { stop: 1e6, look: 30, unknown: 300, ok: 0 } as const;
  const judged = findings.reduce((sum, { severity }) => sum + weigh[severity], 0);
  const shift = groups.reduce(
    (sum, { unit }) => sum + Math.abs(mired(unit.cctK.value) - mired(scene.shot.cctK)),
    0,
  );
  const dull = groups.reduce(
    (sum, { unit }) => sum + Math.max(0, GOOD_RA - unit.criRa.value) * MIRED_A_POINT,
    0,
  );
  const poor = wrongVoltage(groups, scene.circuit);
  const margin = perStop > 0 ? lightMargin(resolved, scene.shot) : 1;
  const over = overBudget(resolved, scene);
  const missing = Math.min(MOST_STOPS, Math.max(0, -Math.log2(margin)));
  return judged + shift + dull + (poor ? 1e6 : 0) + perStop * missing + PER_DOUBLE * over;
}

/**
 * How often what is still to be bought doubles the shot's budget, 0 within it. Sheets, bars and cloth are
 * counted as a pack each: laying them out takes too long for a choice among many.
 */
function overBudget({ needs, pieces }: ResolvedBuild, { shot, shelf }: Scene): number {
  if (!shot.budgetMinor) return 0;
  const stock = new Set(pieces.flatMap(({ partId }) => partId ?? []));
  const packs = [...stock].reduce((sum, id) => {
    const part = shelf.part(id);
    return sum + (part && !isOwned(part) ? (part.priceMinor ?? 0) : 0);
  }, 0);
  const bought = planPurchase(needs, 1, NOTHING_CUT, shelf).spentNowMinor + packs;
  return Math.max(0, Math.log2(bought / shot.budgetMinor));
}
const NOTHING_CUT: CutPlan = { plans: [], unchosen: [] };

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
      // A dimmer is a wish, not a need; so is what a form can do without and does not begin with.
      return field.optional && !field.begins ? [] : fitting(parts, field).map(({ id }) => id);
    default:
      return [];
  }
}

/** Light decides about lamps and layers; of all else only what it is for. */
function perStopOf(field: Field): number {
  if (field.kind === 'unit' || field.kind === 'groups') return PER_STOP.lamps;
  return field.kind === 'part' && field.role === 'diffusion' ? PER_STOP.layers : 0;
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
 * the one on the shelf that fits it, raises the fewest stops and lies nearest to the shot's colour and light.
 */
export function starterParameters(
  form: FormDefinition,
  document: Production,
  shotId: string,
  circuitId = document.circuits[0]!.id as string,
): BuildParameters {
  const { units, parts } = document.shelf;
  const there = new Set<unknown>([...units, ...parts].filter(isOwned).map(({ id }) => id));
  const owned = (value: unknown) =>
    there.has(Array.isArray(value) ? (value[0] as { bulbId: string }).bulbId : value);
  const alone = (parameters: BuildParameters): Production => ({
    ...document,
    builds: [begunBuild(form, shotId, circuitId, parameters)],
  });
  const choose = (from: BuildParameters, fields: readonly Field[]): BuildParameters =>
    fields.reduce((best, field) => {
      const tried = candidates(field, document).map((value) => {
        const parameters = {
          ...best,
          ...choosing(field, value, document.shelf),
        } as BuildParameters;
        const cost = penalty(alone(parameters), 'starter', perStopOf(field));
        return { parameters, cost: cost - (owned(value) ? OWNED_MIRED : 0) };
      });
      const [least] = tried.toSorted((one, other) => one.cost - other.cost);
      return least && least.cost < Infinity ? least.parameters : best;
    }, from);
  const once = choose(form.defaults() as BuildParameters, form.fields);
  // Lamps once more, behind the layers that were chosen for the first ones.
  const begun = choose(
    once,
    form.fields.filter(({ kind }) => kind === 'unit' || kind === 'groups'),
  );
  return withoutStops(form, document, begun, choose, (parameters) => stopsOf(alone(parameters)));
}

/** Fields of the stops that every engine has for a build nobody has kept yet. */
function stopsOf(document: Production): (string | undefined)[] {
  const found = evaluate(document, 'starter', { gridCells: 2 });
  const scene = sceneOf(document, findBuild(document, 'starter')!);
  const resolved = resolveScene(scene)?.resolved;
  if (!found.ok || !resolved) return [undefined];
  const stops = found.value.findings
    .filter(({ severity }) => severity === 'stop')
    .map(({ where }) => where.field);
  return wrongVoltage(resolved.groups, scene.circuit) ? [...stops, undefined] : stops;
}

/** Whole evaluations it may cost to find parts without a stop. */
const MOST_TRIES = 24;

/**
 * Parts were chosen by what is quickly said of them. What the slower engines refuse (a pipe that does not carry, a sheet too
 * small, a starved tape) is exchanged for the first that they do not, with what hangs on it chosen anew: at the field they
 * name, then among the lamps, then anywhere.
 */
function withoutStops(
  form: FormDefinition,
  document: Production,
  begun: BuildParameters,
  choose: (from: BuildParameters, fields: readonly Field[]) => BuildParameters,
  stopsWith: (parameters: BuildParameters) => (string | undefined)[],
): BuildParameters {
  let best = begun;
  let stops = stopsWith(best);
  let tries = MOST_TRIES;
  const rank = ({ parameter, kind }: Field) =>
    stops.includes(parameter) ? 2 : Number(kind !== 'part');
  for (const field of form.fields.toSorted((a, b) => rank(b) - rank(a)))
    for (const value of candidates(field, document)) {
      if (stops.length === 0 || tries === 0) return best;
      if (value === best[field.parameter]) continue;
      const after = form.fields.slice(form.fields.indexOf(field) + 1);
      const tried = choose(
        { ...best, ...choosing(field, value, document.shelf) } as BuildParameters,
        after,
      );
      const left = stopsWith(tried);
      tries--;
      if (left.length < stops.length) [best, stops] = [tried, left];
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
