import { mixedCctK, type MixPart } from '../colour/mix';
import type { Shot } from '../document/shot';
import type { ResolvedBuild } from '../forms/resolved';
import { returnedLight } from '../light/annulus';
import { packEmitters, type Emitter, type EmitterField } from '../light/emitter';
import { evennessOver, type Evenness } from '../light/evenness';
import { exposureTimeS, stopsBetween, targetIlluminanceLx } from '../light/exposure';
import { illuminanceLx } from '../light/illuminance';
import { angularSizeDeg, halfShadowM, NOSE_M, separateShadows } from '../light/softness';
import type { SeparateShadows } from '../light/softness';
import { cctAtLevel } from '../power/watts';

/** What one build gives at the subject of one shot. */
export interface LightResult {
  field: EmitterField;
  directLx: number;
  /** by way of the build's own surfaces */
  returnedLx: number;
  totalLx: number;
  targetLx: number;
  exposureTimeS: number;
  /** against the shot's target; −∞ with no light */
  marginStops: number;
  angleDeg: number;
  noseHalfShadowM: number;
  shadows: SeparateShadows;
  evenness: Evenness;
  /** null with no light */
  cctK: number | null;
  groupLx: number[];
  luminousFluxLm: number;
}

const FACING = [0, 0, -1] as const;

/** Target illuminance of a shot, with its wanted offset from mid-grey. */
export function shotTargetLx(shot: Shot): number {
  const metered = targetIlluminanceLx({
    fNumber: shot.fNumber,
    exposureTimeS: exposureTimeS(shot.shutterAngleDeg, shot.frameRateHz),
    isoSpeed: shot.isoSpeed,
    calibrationLxS: shot.calibrationLxS,
  });
  return metered * 2 ** shot.offsetStops;
}

/**
 * Evaluates a resolved build at its shot.
 * @param gridCells cells along each side of the evenness grid
 */
export function evaluateLight(resolved: ResolvedBuild, shot: Shot, gridCells = 16): LightResult {
  const { emitters, surfaces, apparent, array, frontM } = resolved;
  const returned = returnedLight(emitters, surfaces);
  const field = packEmitters([...emitters, ...returned]);
  const subject = [0, 0, frontM + shot.distanceM] as const;
  const lux = (some: readonly Emitter[]) => illuminanceLx(packEmitters(some), subject, FACING);
  const directLx = lux(emitters);
  const returnedLx = lux(returned);
  const totalLx = directLx + returnedLx;
  const targetLx = shotTargetLx(shot);
  const groupLx = resolved.groups.map((group) => lux(group.emitters.map((i) => emitters[i]!)));
  const widthM = Math.min(apparent.widthM, apparent.heightM);
  return {
    field,
    directLx,
    returnedLx,
    totalLx,
    targetLx,
    exposureTimeS: exposureTimeS(shot.shutterAngleDeg, shot.frameRateHz),
    marginStops: stopsBetween(totalLx, targetLx),
    angleDeg: angularSizeDeg(widthM, shot.distanceM),
    noseHalfShadowM: halfShadowM(widthM, shot.distanceM, NOSE_M),
    shadows: separateShadows(array.spacingM, array.emitterWidthM, shot.distanceM, NOSE_M),
    evenness: evennessOver(
      field,
      subject[2],
      shot.coverageWidthM,
      shot.coverageHeightM,
      gridCells,
      gridCells,
    ),
    cctK: mixedCctK(
      resolved.groups.map((group, i): MixPart => ({
        cctK: cctAtLevel(group),
        illuminanceLx: groupLx[i]!,
      })),
    ),
    groupLx,
    luminousFluxLm: emitters.reduce((sum, emitter) => sum + emitter.luminousFluxLm, 0),
  };
}
