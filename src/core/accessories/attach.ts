import type { Body } from '../assembly/body';
import { measures } from '../assembly/rest';
import type { Accessory } from './carried';
import type { View } from '../drawing/drawing';
import type { FormContext } from '../forms/form';
import { unfitParts } from '../forms/unfit';
import { withHoles, withPieces } from '../forms/kit/order';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Framework } from '../build/framework';
import type { Support } from '../build/supports';
import type { AccessoryDefinition, Attachment } from './accessory';
import { ACCESSORIES } from './index';

/** A build with its accessories; one that is unknown here or does not fit is left out and said. */
export function attachAll(
  base: ResolvedBuild,
  accessories: readonly Accessory[],
  context: FormContext,
): { resolved: ResolvedBuild; views: View[]; carried: Carried[] } {
  const views: View[] = [];
  const carried: Carried[] = [];
  let resolved = { ...base, steps: withPieces(base.steps, base.pieces) };
  for (const accessory of fromTheLampOut(accessories)) {
    const kind = ACCESSORIES.get(accessory.kind);
    const read = kind?.parameters.safeParse(accessory.parameters);
    if (!kind || !read?.success) {
      resolved = { ...resolved, findings: [...resolved.findings, unknownAccessory(accessory)] };
      continue;
    }
    const attached = kind.attach(read.data, resolved, context);
    const unfit = unfitParts(kind.fields, read.data as Record<string, unknown>, context);
    const attachment = { ...attached, findings: [...attached.findings, ...unfit] };
    views.push(ownView(attachment.view, accessory.id));
    carried.push({
      id: accessory.id,
      kind,
      parameters: read.data,
      base: resolved,
      steps: new Set(attached.steps.map(({ id }) => id)),
    });
    resolved = merged(resolved, attachment, accessory.id);
  }
  return {
    resolved: {
      ...resolved,
      pieces: withHoles(resolved.pieces),
    },
    views,
    carried,
  };
}

/** An accessory that fits, and what it was fitted to. */
export interface Carried {
  id: string;
  kind: AccessoryDefinition;
  parameters: unknown;
  base: ResolvedBuild;
  /** ids of the steps it brings itself */
  steps: ReadonlySet<string>;
}

/** What one sees of a light and all it carries, each where it sits. */
export function assembleAll(
  form: readonly Body[],
  carried: readonly Carried[],
  context: FormContext,
): Body[] {
  return carried.reduce<Body[]>(
    (bodies, own) => [
      ...bodies,
      ...own.kind
        .assemble(own.parameters, own.base, measures(bodies), context)
        .map((body) => ownBody(body, own)),
    ],
    [...form],
  );
}

/**
 * From the lamp outwards, whatever was added first: a grid sits on the hood's mouth, not in the hood, because
 * it was taken down from the wall later. What is not known here comes last.
 */
function fromTheLampOut(accessories: readonly Accessory[]): Accessory[] {
  const kinds = [...ACCESSORIES.keys()];
  const rank = ({ kind }: Accessory) => {
    const at = kinds.indexOf(kind);
    return at < 0 ? kinds.length : at;
  };
  const said = ({ parameters }: Accessory) => JSON.stringify(parameters);
  return accessories.toSorted(
    (a, b) => rank(a) - rank(b) || (said(a) < said(b) ? -1 : said(a) > said(b) ? 1 : 0),
  );
}

/** Handles name their parameter with the accessory's id before it, so that they meet no form's. */
const ownView = (view: View, id: string): View => ({
  ...view,
  id: `accessory-${id}`,
  handles: view.handles.map((handle) => ({ ...handle, parameter: `${id}.${handle.parameter}` })),
});

function merged(base: ResolvedBuild, added: Attachment, id: string): ResolvedBuild {
  // Two of a kind may hang on one build: what they bring is told apart by their own id.
  const own = (name: string) => `${id}.${name}`;
  const ownOrBase = (name: string) =>
    added.steps.some((step) => step.id === name) ? own(name) : name;
  const steps = withPieces(added.steps, added.pieces).map((step) => ({
    ...step,
    id: own(step.id),
    needs: step.needs.map(ownOrBase),
    pieces: step.pieces.map(own),
  }));
  const pieces = added.pieces.map((piece) => ({ ...piece, id: own(piece.id) }));
  return {
    ...base,
    mouth: added.mouth ?? base.mouth,
    controls: [...base.controls, ...(added.controls ?? [])],
    pieces: [...base.pieces, ...pieces],
    needs: [...base.needs, ...added.needs.map((need) => ({ ...need, step: ownOrBase(need.step) }))],
    steps: [...base.steps, ...steps],
    facts: [...base.facts, ...added.facts.map((fact) => ({ ...fact, id: `${id}-${fact.id}` }))],
    findings: [
      ...base.findings,
      ...added.findings.map((finding) => ({
        ...finding,
        id: `${finding.id}.${id}`,
        // An accessory's fields are told apart from the form's by its id.
        where: {
          ...finding.where,
          field: finding.where.field && `${id}.${finding.where.field}`,
        },
      })),
    ],
    things: [
      ...base.things,
      ...(added.things ?? []).map((thing) => ({
        ...thing,
        id: own(thing.id),
        field: own(thing.field),
      })),
    ],
    folded: added.folds?.(base.folded) ?? base.folded,
    parcels: [...base.parcels, ...(added.parcel ? [added.parcel] : [])],
    frameworks: [
      ...base.frameworks,
      ...(added.framework ? [ownFramework(added.framework, id)] : []),
    ],
    supports: added.support ? [...base.supports, ownSupport(added.support, id)] : base.supports,
    massKg: base.massKg + added.massKg,
    momentKgM: base.momentKgM + added.massKg * (added.massAtM ?? 0),
  };
}

/** Told apart like the steps and pieces it comes with; a step that is not its own is the light's. */
const ownBody = (body: Body, { id, steps }: Carried): Body => ({
  ...body,
  id: `${id}.${body.id}`,
  piece: body.piece && `${id}.${body.piece}`,
  step: body.step && (steps.has(body.step) ? `${id}.${body.step}` : body.step),
});

const ownFramework = (framework: Framework, id: string): Framework => ({
  ...framework,
  id: `${id}-${framework.id}`,
  pipes: framework.pipes.map((pipe) => ({ ...pipe, piece: `${id}.${pipe.piece}` })),
  field: `${id}.${framework.field}`,
});

/** A support's fields and findings told apart by the accessory's id. */
function ownSupport(support: Support, id: string): Support {
  const own = (field: string) => `${id}.${field}`;
  const told = { ...support, id: `${support.id}.${id}`, field: own(support.field) };
  if (told.kind === 'stand')
    return {
      ...told,
      foreField: own(told.foreField),
      sideField: told.sideField && own(told.sideField),
      uprightField: own(told.uprightField),
      uprightsField: own(told.uprightsField),
    };
  return told.kind === 'hoist'
    ? { ...told, bondsField: told.bondsField && own(told.bondsField) }
    : told;
}

const unknownAccessory = ({ id, kind }: Accessory): ResolvedBuild['findings'][number] => ({
  id: `accessory.unknown.${id}`,
  topic: 'form',
  severity: 'unknown',
  title: 'An accessory that is not known here',
  message: `“${kind}”, or its parameters, is not understood by this version. It is kept untouched and left out of the sums.`,
  source: 'This version’s list of accessories',
  where: {},
});
