import type { Control } from '../light/controls';
import type { Shot } from '../location/shot';
import type { ResolvedBuild } from './resolvedBuild';

/** Foremost plane of what stands in the light's way. */
function reachM(control: Control): number {
  switch (control.kind) {
    case 'plate':
      return Math.max(...control.points.map(([, , z]) => z));
    case 'round':
      return Math.max(control.fromM, control.toM);
    case 'ring':
      return control.zM;
    case 'grid':
      return control.zM + control.depthM;
  }
}

/**
 * Plane from which light leaves a build with all it carries: its front, or the mouth of a hood, the tips of doors, the
 * face of a grid before it. What stands between the light and its subject is measured from here. Metres, build axes.
 */
export const leavesM = ({
  frontM,
  mouth,
  controls,
}: Pick<ResolvedBuild, 'frontM' | 'mouth' | 'controls'>): number =>
  Math.max(frontM, mouth?.hood ? mouth.heightOverBackM : -Infinity, ...controls.map(reachM));

/** Plane of the subject of a shot. */
export const subjectM = (
  resolved: Pick<ResolvedBuild, 'frontM' | 'mouth' | 'controls'>,
  shot: Pick<Shot, 'distanceM'>,
): number => leavesM(resolved) + shot.distanceM;

/** Size of the front that light leaves by and the next accessory is fitted to: the light's own, or a hood's mouth. */
export const frontSize = ({ apparent, mouth }: ResolvedBuild): ResolvedBuild['apparent'] =>
  mouth?.hood
    ? {
        widthM: mouth.widthM,
        heightM: mouth.heightM,
        ...(mouth.shape === 'disc' && { round: true as const }),
      }
    : apparent;
