import type { Accessory } from '../document/accessory';
import type { View } from '../forms/drawing';
import type { FormContext } from '../forms/form';
import type { ResolvedBuild } from '../forms/resolved';
import type { Attachment } from './accessory';
import { ACCESSORIES } from './index';

/** Titles of the steps before which accessories are fitted; what is not put up is metered. */
const BEFORE = /^(Mount|Hoist it|Meter it)/;

/** A build with its accessories; one that is unknown here or does not fit is left out and said. */
export function attachAll(
  base: ResolvedBuild,
  accessories: readonly Accessory[],
  context: FormContext,
): { resolved: ResolvedBuild; views: View[] } {
  const views: View[] = [];
  let resolved = base;
  for (const accessory of accessories) {
    const kind = ACCESSORIES.get(accessory.kind);
    const read = kind?.parameters.safeParse(accessory.parameters);
    if (!kind || !read?.success) {
      resolved = { ...resolved, findings: [...resolved.findings, unknownAccessory(accessory)] };
      continue;
    }
    const attachment = kind.attach(read.data, resolved, context);
    views.push(ownView(attachment.view, accessory.id));
    resolved = merged(resolved, attachment, accessory.id);
  }
  return { resolved, views };
}

/** Handles name their parameter with the accessory's id before it, so that they meet no form's. */
const ownView = (view: View, id: string): View => ({
  ...view,
  id: `accessory-${id}`,
  handles: view.handles.map((handle) => ({ ...handle, parameter: `${id}.${handle.parameter}` })),
});

function merged(base: ResolvedBuild, added: Attachment, id: string): ResolvedBuild {
  const at = base.steps.findIndex(({ title }) => BEFORE.test(title));
  const before = at < 0 ? base.steps.length : at;
  return {
    ...base,
    mouth: added.mouth ?? base.mouth,
    controls: [...base.controls, ...(added.controls ?? [])],
    pieces: [...base.pieces, ...added.pieces],
    needs: [...base.needs, ...added.needs],
    steps: [...base.steps.slice(0, before), ...added.steps, ...base.steps.slice(before)],
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
    massKg: base.massKg + added.massKg,
  };
}

const unknownAccessory = ({ id, kind }: Accessory): ResolvedBuild['findings'][number] => ({
  id: `accessory.unknown.${id}`,
  severity: 'unknown',
  title: 'An accessory that is not known here',
  message: `“${kind}”, or its parameters, is not understood by this version. It is kept untouched and left out of the sums.`,
  source: 'This version’s list of accessories',
  where: {},
});
