import { mixedCctK, type MixPart } from '../colour/mix';
import type { Shot } from '../document/shot';
import type { ResolvedBuild } from '../forms/resolved';
import { returnedLight } from '../light/returned';
import { extraction, mouthPatches, stackLayers } from '../light/mouth';
import { mired } from '../colour/mired';
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
  /** share of the lamps' light that leaves by the mouth; null for an open array */
  extraction: number | null;
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
  const { surfaces, apparent, array, frontM, mouth } = resolved;
  const sentLm = resolved.emitters.reduce((sum, emitter) => sum + emitter.luminousFluxLm, 0);
  const eta = mouth && extraction(mouth);
  const emitters = mouth ? mouthPatches(mouth, sentLm * extraction(mouth)) : resolved.emitters;
  const returned = mouth ? [] : returnedLight(emitters, surfaces);
  const field = packEmitters([...emitters, ...returned]);
  const subject = [0, 0, frontM + shot.distanceM] as const;
  const lux = (some: readonly Emitter[]) => illuminanceLx(packEmitters(some), subject, FACING);
  const directLx = lux(emitters);
  const returnedLx = lux(returned);
  const totalLx = directLx + returnedLx;
  const targetLx = shotTargetLx(shot);
  const groupLx = resolved.groups.map((group) => {
    const own = group.emitters.map((i) => resolved.emitters[i]!);
    // Behind a mouth every lamp's light is mixed: shares follow the lumens.
    const ownLm = own.reduce((sum, emitter) => sum + emitter.luminousFluxLm, 0);
    return mouth ? (sentLm > 0 ? (directLx * ownLm) / sentLm : 0) : lux(own);
  });
  const widthM = Math.min(apparent.widthM, apparent.heightM);
  return {
    field,
    directLx,
    returnedLx,
    extraction: eta,
    totalLx,
    targetLx,
    exposureTimeS: exposureTimeS(shot.shutterAngleDeg, shot.frameRateHz),
    marginStops: stopsBetween(totalLx, targetLx),
    angleDeg: angularSizeDeg(widthM, shot.distanceM),
    noseHalfShadowM: halfShadowM(widthM, shot.distanceM, NOSE_M),
    shadows: separateShadows(
      mouth ? Infinity : array.spacingM,
      array.emitterWidthM,
      shot.distanceM,
      NOSE_M,
    ),
    evenness: evennessOver(
      field,
      subject[2],
      shot.coverageWidthM,
      shot.coverageHeightM,
      gridCells,
      gridCells,
    ),
    cctK: throughLayers(
      mixedCctK(
        resolved.groups.map((group, i): MixPart => ({
          cctK: cctAtLevel(group),
          illuminanceLx: groupLx[i]!,
        })),
      ),
      mouth ? stackLayers(mouth.layers).shiftMired : 0,
    ),
    groupLx,
    luminousFluxLm: sentLm,
  };
}

/** Light reached over light wanted at the shot's place; what “enough for the shot” is solved with. */
export function lightMargin(resolved: ResolvedBuild, shot: Shot): number {
  const { emitters, mouth, surfaces, frontM } = resolved;
  const sentLm = emitters.reduce((sum, emitter) => sum + emitter.luminousFluxLm, 0);
  const all = mouth
    ? mouthPatches(mouth, sentLm * extraction(mouth))
    : [...emitters, ...returnedLight(emitters, surfaces)];
  const subject = [0, 0, frontM + shot.distanceM] as const;
  return illuminanceLx(packEmitters(all), subject, FACING) / shotTargetLx(shot);
}

const throughLayers = (cctK: number | null, shiftMired: number): number | null =>
  cctK === null || shiftMired === 0 ? cctK : 1e6 / (mired(cctK) + shiftMired);
