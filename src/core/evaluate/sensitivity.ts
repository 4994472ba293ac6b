import { produce } from 'immer';
import type { Production } from '../document/production';
import { FORMS } from '../forms';
import { evaluate } from './evaluate';
import { findBuild } from './context';
import type { RungId } from './readout';

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

const rungValue = (document: Production, buildId: string, rung: RungId): number | null => {
  const found = evaluate(document, buildId, { gridCells: 8 });
  return found.ok ? (found.value.rungs.find(({ id }) => id === rung)?.value ?? null) : null;
};

/** The parameters that would change a rung most, found by turning each one up by a tenth. */
export function sensitivities(
  document: Production,
  buildId: string,
  rung: RungId,
  most = 3,
): Sensitivity[] {
  const before = rungValue(document, buildId, rung);
  if (before === null) return [];
  return knobs(document, buildId)
    .map(({ label, turn }) => ({
      label,
      before,
      after: rungValue(produce(document, turn), buildId, rung) ?? before,
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
    ...shotKnobs(build.shotId),
    ...bulbKnobs(document, JSON.stringify(build.parameters)),
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

const BULB_KNOBS = [
  ['luminousFluxLm', 'lumens'],
  ['wattsW', 'watts'],
  ['cctK', 'colour temperature'],
  ['priceMinor', 'price'],
] as const;

function bulbKnobs(document: Production, parameters: string): Knob[] {
  const used = document.shelf.bulbs.filter(({ id }) => parameters.includes(`"${id}"`));
  return used.flatMap((bulb) =>
    BULB_KNOBS.map(([field, label]) => ({
      label: `${bulb.name}: ${label}`,
      turn: (draft: Production) => {
        const target = draft.shelf.bulbs.find(({ id }) => id === bulb.id)!;
        target[field] = (target[field] ?? 0) * TENTH_MORE;
      },
    })),
  );
}
