import { produce } from 'immer';
import type { Build, Production } from '../document/production';
import { shelfRecord, shelfReferences } from '../document/references';
import { FORMS } from '../forms';
import type { Ref } from '../forms/form';
import { Derivations } from './derive';
import { evaluate } from './evaluate';
import { findReadout } from './readouts';
import type { GlowId } from './glow';
import { findBuild } from './context';
import { RUNGS, type RungId } from './readout';

/** How a rung answers when one parameter grows by a tenth. */
export interface Sensitivity {
  label: string;
  before: number;
  after: number;
}

interface Knob {
  label: string;
  turn: (draft: Production) => void;
}

const TENTH_MORE = 1.1;
/** Counts go up by whole pieces, so a small ring is not told that a tenth changes nothing. */
const grown = (value: number, dimension: string) =>
  dimension === 'count' ? value + Math.max(1, Math.round(value * 0.1)) : value * TENTH_MORE;

const LADDER: readonly string[] = RUNGS;

function rungValue(
  document: Production,
  buildId: string,
  rung: RungId | GlowId,
  derivations: Derivations,
): number | null {
  const glow = !LADDER.includes(rung);
  const found = evaluate(document, buildId, { gridCells: 8, glow, derivations });
  if (!found.ok || found.value.kind === 'unknown form') return null;
  return findReadout(found.value, rung)?.value ?? null;
}

/** The parameters that would change a rung most, found by turning each one up by a tenth. */
export function sensitivities(
  document: Production,
  buildId: string,
  rung: RungId | GlowId,
  most = 3,
): Sensitivity[] {
  // What a knob does not reach is not worked out again for it.
  const derivations = new Derivations();
  const before = rungValue(document, buildId, rung, derivations);
  if (before === null) return [];
  return knobs(document, buildId)
    .map(({ label, turn }) => ({
      label,
      before,
      after: rungValue(produce(document, turn), buildId, rung, derivations) ?? before,
    }))
    .filter(({ after }) => Math.abs(after - before) > 1e-9 * Math.max(1, Math.abs(before)))
    .sort((a, b) => Math.abs(b.after - before) - Math.abs(a.after - before))
    .slice(0, most);
}

function knobs(document: Production, buildId: string): Knob[] {
  const build = findBuild(document, buildId);
  const form = build && FORMS.get(build.form);
  if (!build || !form) return [];
  const own = form.fields.flatMap((field): Knob[] => {
    const value = build.parameters[field.parameter];
    if (field.kind !== 'quantity' || typeof value !== 'number' || value === 0) return [];
    return [
      {
        label: field.label,
        turn: (draft) => {
          findBuild(draft, buildId)!.parameters[field.parameter] = grown(value, field.dimension);
        },
      },
    ];
  });
  return [
    ...own,
    ...(build.shotId === null ? [] : shotKnobs(build.shotId)),
    ...shelfKnobs(document, build),
  ];
}

const SHOT_KNOBS = [
  ['distanceM', 'Distance to the subject'],
  ['fNumber', 'f-number'],
  ['isoSpeed', 'ISO speed'],
  ['shutterAngleDeg', 'Shutter angle'],
  ['coverageWidthM', 'Coverage width'],
] as const;

const shotKnobs = (shotId: string): Knob[] =>
  SHOT_KNOBS.map(([field, label]) => ({
    label,
    turn: (draft) => {
      draft.shots.find(({ id }) => id === shotId)![field] *= TENTH_MORE;
    },
  }));

/** Figures of what is taken from the shelf; a label's silence has none to turn. */
const SHELF_KNOBS: readonly (readonly [field: string, label: string])[] = [
  ['luminousFluxLm', 'lumens'],
  ['lumensPerM', 'lumens per metre'],
  ['wattsW', 'watts'],
  ['wattsPerM', 'watts per metre'],
  ['cctK', 'colour temperature'],
  ['transmittance', 'transmittance'],
  ['priceMinor', 'price'],
];

function shelfKnobs(document: Production, build: Build): Knob[] {
  return [...shelfReferences(build)].flatMap((reference) => {
    const [ref, id] = reference.split(':') as [Ref, string];
    const record = shelfRecord(document, ref, id);
    if (!record) return [];
    return SHELF_KNOBS.filter(([field]) => typeof figures(record)[field] === 'number').map(
      ([field, label]) => ({
        label: `${record.name}: ${label}`,
        turn: (draft: Production) => {
          (figures(shelfRecord(draft, ref, id)!)[field] as number) *= TENTH_MORE;
        },
      }),
    );
  });
}

/** A record of the shelf as what it is to a knob: figures by name. */
const figures = (record: object) => record as Record<string, unknown>;
