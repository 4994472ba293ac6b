import { produce } from 'immer';
import { accessorySchema } from '../../accessories/carried';
import type { Build, Production } from '../../document/production';
import { ACCESSORIES } from '../../accessories';
import { FORMS } from '../../forms';
import { stopsBetween } from '../../light/exposure';
import { cannotRun, simulate, type Run } from '../../light/transport/run';
import type { Transported } from '../../light/transport/result';
import { relativeExitance } from '../../light/transport/result';
import { MAP_CELLS } from '../../light/transport/pack';
import { findBuild } from '../context';
import { cavityOf } from '../readouts';
import { litBuild } from './scene';

/** Light of one way to have the build, short enough for a row. */
interface LightRow {
  lx: number;
  /** against the build as it stands */
  stops: number;
  angleDeg: number;
  cctK: number | null;
  /** evenness of the mouth, min/mean; null for an open array */
  uniformity: number | null;
  efficiency: number | null;
  /** exitance by cell of 8 × 8, relative to the mean; null outside the mouth or for an open array */
  map: (number | null)[] | null;
}

const SMALL_MAP = 8;

/** The run of a build's room; null for an open array, or a room that cannot be followed. */
export function runFor(document: Production, buildId: string, run: Run): Transported | null {
  const lit = litBuild(document, buildId, null);
  const room = lit && cavityOf(lit.resolved);
  return room && cannotRun(room.arrangement, run) === null ? simulate(room.arrangement, run) : null;
}

function rowOf(
  document: Production,
  buildId: string,
  run: Run,
  nowLx: number | null,
): LightRow | null {
  const found = runFor(document, buildId, run);
  const lit = litBuild(document, buildId, found);
  if (!lit) return null;
  const { light } = lit;
  return {
    lx: light.totalLx,
    stops: nowLx === null ? 0 : stopsBetween(light.totalLx, nowLx),
    angleDeg: light.angleDeg,
    cctK: light.cctK,
    uniformity: found?.uniformity ?? null,
    efficiency: light.extraction,
    map: found && relativeExitance(found.cellShares, found.round, MAP_CELLS / SMALL_MAP),
  };
}

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

/** Accessories that change the light itself. */
const OPTICAL = ['hood', 'grid', 'barn-doors', 'skirt'];
const FINISH_PAIR = ['foil', 'white-emulsion'] as const;

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
  const choices = form.fields.flatMap((field) => {
    if (field.kind !== 'choice') return [];
    const now = build.parameters[field.parameter];
    if (field.parameter === 'finish')
      return FINISH_PAIR.filter((finish) => finish !== now).map((finish) =>
        parameters(`finish-${finish}`, `${field.label}: ${finish === 'foil' ? 'foil' : 'white'}`, {
          finish,
        }),
      );
    if (!field.variant) return [];
    return field.options
      .filter(({ value }) => value !== now)
      .map(({ value, label }) =>
        parameters(`${field.parameter}-${value}`, `${field.label} ${label.split(':')[0]}`, {
          [field.parameter]: value,
        }),
      );
  });
  return [...choices, ...layerChanges(document, build, parameters), ...carried(build)];
}

type Parameterised = (
  id: string,
  label: string,
  change: Build['parameters'],
) => { id: string; label: string; change: VariantChange };

const LAYERS = ['layer1PartId', 'layer2PartId', 'layer3PartId'] as const;

/** One layer more, of what is in front already or of the first on the shelf; one layer less. */
function layerChanges(document: Production, build: Build, made: Parameterised) {
  const own = LAYERS.filter((name) => name in build.parameters);
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
  OPTICAL.map((kind): { id: string; label: string; change: VariantChange } => {
    const own = build.accessories.find((each) => each.kind === kind);
    const { name } = ACCESSORIES.get(kind)!;
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

export interface LadderRow extends LightRow {
  id: string;
  name: string;
  parts: (string | null)[];
  /** against no layer at all */
  lost: number;
  now: boolean;
}

/** Layers tried beyond those in front; the shelf may hold many. */
const MOST_ROWS = 14;

/** The same build with none, one, two of the layers on the shelf; empty for a form without a front. */
export function layerLadder(document: Production, buildId: string, run: Run): LadderRow[] {
  const build = findBuild(document, buildId);
  if (!build) return [];
  const own = LAYERS.filter((name) => name in build.parameters);
  if (own.length === 0) return [];
  const diffusions = document.shelf.parts.filter(({ role }) => role === 'diffusion');
  const nowParts = own.map((name) => (build.parameters[name] as string | null) ?? null);
  const chosen = nowParts.find((id) => id !== null) ?? diffusions[0]?.id ?? null;
  const fitted = (ids: (string | null)[]) => own.map((_, k) => ids[k] ?? null);
  const stacks = [
    fitted([]),
    nowParts,
    ...diffusions.map(({ id }) => fitted([id])),
    fitted([chosen, chosen]),
    ...(own.length > 2 ? [fitted([chosen, chosen, chosen])] : []),
  ].filter((stack, k, all) => all.findIndex((other) => String(other) === String(stack)) === k);
  const nameOf = (stack: (string | null)[]) => {
    const names = stack.flatMap((id) => diffusions.find((part) => part.id === id)?.name ?? []);
    if (names.length === 0) return 'None';
    return names.every((name) => name === names[0]) && names.length > 1
      ? `${names.length} × ${names[0]}`
      : names.join(' + ');
  };
  let bareLx: number | null = null;
  return stacks.slice(0, MOST_ROWS).flatMap((stack): LadderRow[] => {
    const changed = produce(document, (draft) => {
      const target = draft.builds.find(({ id }) => id === buildId)!;
      own.forEach((name, k) => (target.parameters[name] = stack[k] ?? null));
    });
    const row = rowOf(changed, buildId, run, null);
    if (!row) return [];
    bareLx ??= row.lx;
    return [
      {
        id: stack.filter(Boolean).join('+') || 'none',
        name: nameOf(stack),
        parts: stack,
        ...row,
        lost: stopsBetween(row.lx, bareLx),
        now: String(stack) === String(nowParts),
      },
    ];
  });
}
