import type { ResolvedBuild } from '../build/resolvedBuild';
import { boardControls, prepareControls, type Passage } from '../light/controls';
import type { LookTable } from '../light/field/lookTable';
import { fieldOf } from '../light/field/prepare';
import { mouthLight } from '../light/field/mouthLight';
import { sourceField, type LightField } from '../light/lightField';
import { withSentBack } from '../light/sentBack';
import { extraction, type Mouth } from '../light/mouth';
import type { Vector } from '../light/vector';
import { mouthPatches } from '../light/patches';
import { returnedLight } from '../light/returned';
import type { Arrangement } from '../light/transport/arrangement';
import type { Transported } from '../light/transport/result';

/** A build's light as anything outside it takes it. */
export interface BuildField {
  /** what the lamps, boards and the mouth send */
  own: LightField;
  /** the same with what stands in its way sending some of it back: all of the light */
  whole: (own: LightField) => LightField;
  /** by way of the build's own surfaces; no part of a mouth's */
  returned: LightField;
  /** behind a mouth that was simulated: what careful looks go through */
  looks: LookTable | null;
  /** what the lamps send */
  sentLm: number;
  /** share of the lamps' light that leaves by the mouth; null for an open array */
  extraction: number | null;
}

/** By how much a run was over the estimate: of the light that leaves, and at the subject. */
export interface EstimateScale {
  out: number;
  light: number;
}

/** What stands in a build's light. Behind a hood a grid cuts as if it stood in the hood's mouth. */
function passagesOf({ controls, mouth }: ResolvedBuild): Passage[] {
  const planeM = mouth?.heightOverBackM ?? -Infinity;
  return prepareControls(
    controls.map((control) =>
      control.kind === 'grid' ? { ...control, zM: Math.max(control.zM, planeM) } : control,
    ),
  );
}

/**
 * The light of a build: its lamps and boards as they are, its mouth as it was simulated, or by the instant estimate
 * where it was not.
 * @param estimateScale how far the estimate was off when it was last checked by a run
 */
export function buildField(
  resolved: ResolvedBuild,
  transported: Transported | null,
  estimateScale: EstimateScale | null = null,
): BuildField {
  const { emitters, mouth, surfaces } = resolved;
  const sentLm = emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  const passages = passagesOf(resolved);
  const whole = (own: LightField) => withSentBack(own, resolved.controls);
  if (!mouth) {
    const back = returnedLight(emitters, surfaces);
    const own = sourceField([...emitters, ...back], passages);
    return {
      own,
      whole,
      returned: sourceField(back, passages),
      looks: null,
      sentLm,
      extraction: null,
    };
  }
  const returned = sourceField([]);
  const looks = mouth.room && transported ? looksOf(mouth.room, transported) : null;
  if (looks) {
    const own = mouthLight(looks, passages);
    return {
      own,
      whole,
      returned,
      looks,
      sentLm,
      extraction: transported!.efficiency,
    };
  }
  const { out, light } = (mouth.room && estimateScale) || { out: 1, light: 1 };
  const eta = extraction(mouth);
  const own = estimatedField(mouth, sentLm * light, passages);
  return {
    own,
    whole,
    returned,
    looks,
    sentLm,
    extraction: Math.min(1, eta * out),
  };
}

/** The instant estimate of a mouth's light: even over it. */
const estimatedField = (mouth: Mouth, sentLm: number, passages: readonly Passage[]): LightField =>
  sourceField(mouthPatches(mouth, sentLm * Math.min(1, extraction(mouth))), passages);

/** A mouth's own light at a place over what the instant estimate gives there. */
export function overEstimate(
  { mouth }: ResolvedBuild,
  { own, sentLm }: BuildField,
  lx: number,
  pointM: Vector,
  normal: Vector,
): number {
  const estimate = mouth
    ? estimatedField(mouth, sentLm, own.passages).illuminance(pointM, normal)
    : 0;
  return estimate > 0 ? lx / estimate : 1;
}

/** Looks of a run, kept as long as it is: a run is of one room. */
const ready = new WeakMap<Transported, LookTable>();

function looksOf(room: Arrangement, transported: Transported): LookTable | null {
  if (transported.survey.length === 0) return null;
  const looks = ready.get(transported) ?? fieldOf(room, transported.survey, transported.prepared);
  ready.set(transported, looks);
  return looks;
}

/** The field with the build's own boards in the way: what is read from all round, back included. */
export const allRound = (field: LightField, { surfaces }: ResolvedBuild): LightField =>
  field.passing([...field.passages, ...prepareControls(boardControls(surfaces))]);
