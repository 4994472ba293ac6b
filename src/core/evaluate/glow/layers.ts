import { produce } from 'immer';
import type { Production } from '../../document/production';
import { stopsBetween } from '../../light/exposure';
import type { PartOf } from '../../materials/part';
import type { Run } from '../../light/transport/run';
import { findBuild } from '../context';
import { layerParameters } from './layerParameters';
import { rowOf, type LightRow } from './lightRow';

export interface LadderRow extends LightRow {
  id: string;
  name: string;
  /** what puts these layers in */
  parameters: Record<string, string | null>;
  /** against no layer at all */
  lost: number;
  now: boolean;
}

/** Layers tried beyond those in front; the shelf may hold many. */
const MOST_ROWS = 14;

type Stack = readonly (string | null)[];

/** "None", "2 × tracing paper", "silk + curtain". */
function nameOf(stack: Stack, diffusions: readonly PartOf<'diffusion'>[]): string {
  const names = stack.flatMap((id) => diffusions.find((part) => part.id === id)?.name ?? []);
  if (names.length === 0) return 'None';
  return names.every((name) => name === names[0]) && names.length > 1
    ? `${names.length} × ${names[0]}`
    : names.join(' + ');
}

/** Stacks worth trying: none, what is in front now, each layer of the shelf alone, one of them doubled. */
function stacksOf(now: Stack, diffusions: readonly PartOf<'diffusion'>[]): Stack[] {
  const chosen = now.find((id) => id !== null) ?? diffusions[0]?.id ?? null;
  const fitted = (ids: Stack): Stack => now.map((_, k) => ids[k] ?? null);
  return [
    fitted([]),
    now,
    ...diffusions.map(({ id }) => fitted([id])),
    fitted([chosen, chosen]),
    ...(now.length > 2 ? [fitted([chosen, chosen, chosen])] : []),
  ]
    .filter((stack, k, all) => all.findIndex((other) => String(other) === String(stack)) === k)
    .slice(0, MOST_ROWS);
}

/** The same build with none, one, two of the layers on the shelf; empty for a form without a front. */
export function layerLadder(document: Production, buildId: string, run: Run): LadderRow[] {
  const build = findBuild(document, buildId);
  const own = build ? layerParameters(build) : [];
  if (!build || own.length === 0) return [];
  const diffusions = document.shelf.parts.filter((part) => part.role === 'diffusion');
  const now = own.map((name) => (build.parameters[name] as string | null) ?? null);
  let bareLx: number | null = null;
  return stacksOf(now, diffusions).flatMap((stack): LadderRow[] => {
    const parameters = Object.fromEntries(own.map((name, k) => [name, stack[k] ?? null]));
    const changed = produce(document, (draft) => {
      Object.assign(draft.builds.find(({ id }) => id === buildId)!.parameters, parameters);
    });
    const row = rowOf(changed, buildId, run, null);
    if (!row) return [];
    bareLx ??= row.lx;
    return [
      {
        id: stack.filter(Boolean).join('+') || 'none',
        name: nameOf(stack, diffusions),
        parameters,
        ...row,
        lost: stopsBetween(row.lx, bareLx),
        now: String(stack) === String(now),
      },
    ];
  });
}
