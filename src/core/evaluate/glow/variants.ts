import { produce } from 'immer';
import { ACCESSORIES } from '../../accessories';
import { accessorySchema } from '../../accessories/carried';
import type { Build, Production } from '../../document/production';
import { FORMS } from '../../forms';
import type { Field } from '../../forms/form';
import type { Run } from '../../light/transport/run';
import { findBuild } from '../context';
import { layerParameters } from './layerParameters';
import { rowOf, type LightRow } from './lightRow';

/** One change worth seeing, with what it does. */
export interface Variant extends LightRow {
  id: string;
  label: string;
  change: VariantChange;
}

type VariantChange =
  | { kind: 'parameters'; parameters: Build['parameters'] }
  | { kind: 'add'; accessory: string }
  | { kind: 'remove'; accessoryId: string };

/** Every one-click change of a build that changes its light: tape, finish, layers, what is carried. */
export function variantChanges(
  document: Production,
  build: Build,
): { id: string; label: string; change: VariantChange }[] {
  const form = FORMS.get(build.form);
  if (!form) return [];
  const parameters = (id: string, label: string, change: Build['parameters']) => ({
    id,
    label,
    change: { kind: 'parameters' as const, parameters: change },
  });
  const choices = form.fields.flatMap((field) => choiceChanges(field, build, parameters));
  return [...choices, ...layerChanges(document, build, parameters), ...carried(build)];
}

type Parameterised = (
  id: string,
  label: string,
  change: Build['parameters'],
) => { id: string; label: string; change: VariantChange };

const choiceChanges = (field: Field, build: Build, made: Parameterised) =>
  field.kind !== 'choice'
    ? []
    : field.options
        .filter(
          ({ value }) =>
            field.variants?.includes(value) && value !== build.parameters[field.parameter],
        )
        .map(({ value, label }) =>
          made(`${field.parameter}-${value}`, `${field.label} ${label.split(':')[0]}`, {
            [field.parameter]: value,
          }),
        );

/** One layer more, of what is in front already or of the first on the shelf; one layer less. */
function layerChanges(document: Production, build: Build, made: Parameterised) {
  const own = layerParameters(build);
  if (own.length === 0) return [];
  const free = own.find((name) => !build.parameters[name]);
  const last = [...own].reverse().find((name) => build.parameters[name]);
  const more =
    (last && build.parameters[last]) ??
    document.shelf.parts.find(({ role }) => role === 'diffusion')?.id;
  return [
    ...(free && more ? [made('layer-more', 'One layer more', { [free]: more })] : []),
    ...(last ? [made('layer-less', 'One layer less', { [last]: null })] : []),
  ];
}

const carried = (build: Build) =>
  [...ACCESSORIES.values()]
    .filter(({ optical }) => optical)
    .map(({ id: kind, name }): { id: string; label: string; change: VariantChange } => {
      const own = build.accessories.find((each) => each.kind === kind);
      return own
        ? {
            id: `without-${kind}`,
            label: `${name} off`,
            change: { kind: 'remove', accessoryId: own.id },
          }
        : { id: `with-${kind}`, label: `${name} on`, change: { kind: 'add', accessory: kind } };
    });

/** The change made to a document, in place. */
export function applyVariantInPlace(
  document: Production,
  buildId: string,
  change: VariantChange,
  accessoryId: string,
): void {
  const build = document.builds.find(({ id }) => id === buildId)!;
  if (change.kind === 'parameters') Object.assign(build.parameters, change.parameters);
  if (change.kind === 'remove')
    build.accessories = build.accessories.filter(({ id }) => id !== change.accessoryId);
  if (change.kind === 'add')
    build.accessories.push(
      accessorySchema.parse({
        id: accessoryId,
        kind: change.accessory,
        parameters: ACCESSORIES.get(change.accessory)!.defaults(),
      }),
    );
}

/** What each change does to the light at the subject. */
export function variants(document: Production, buildId: string, run: Run): Variant[] {
  const build = findBuild(document, buildId);
  const now = build && rowOf(document, buildId, run, null);
  if (!build || !now) return [];
  return variantChanges(document, build).flatMap(({ id, label, change }): Variant[] => {
    const changed = produce(document, (draft) =>
      applyVariantInPlace(draft, buildId, change, 'variant'),
    );
    const row = rowOf(changed, buildId, run, now.lx);
    return row && row.lx > 0 ? [{ id, label, change, ...row }] : [];
  });
}
