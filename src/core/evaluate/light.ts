import { mixedCctK, type MixPart } from '../colour/mix';
import type { Shot } from '../location/shot';
import type { LampGroup, ResolvedBuild } from '../build/resolvedBuild';
import { returnedLight } from '../light/returned';
import { boardControls, passes, prepareControls, type Passage } from '../light/controls';
import { extraction, stackLayers } from '../light/mouth';
import { mouthLx } from '../light/field/gather';
import { mouthField, type MouthField } from '../light/field/mouthField';
import type { Arrangement } from '../light/transport/arrangement';
import { mouthPatches } from '../light/patches';
import type { Transported } from '../light/transport/result';
import { mired } from '../colour/mired';
import type { Vector } from '../light/vector';
import { packEmitters, type EmitterField, type Source } from '../light/emitter';
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
  /** the run the extraction is from; null for the instant estimate or an open array */
  transported: Transported | null;
  totalLx: number;
  /** what the light at the subject may be off by; null where nothing of it is drawn by lot */
  standardErrorLx: number | null;
  /** on the axis, from the light’s front, lx */
  axisLx: (distanceM: number) => number;
  /** light at the subject over what its patches alone would give there; 1 without a mouth that was simulated */
  patchScale: number;
  targetLx: number;
  exposureTimeS: number;
  /** against the shot's target; −∞ with no light */
  marginStops: number;
  /** what doors, flags and hoods leave open of the source, from the subject */
  seen: { widthM: number; heightM: number };
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
/** Places looked at on a mouth: for the subject, and for each distance on the axis. */
const SUBJECT_PLACES = 2048;
const AXIS_PLACES = 512;

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

interface LightOptions {
  /** cells along each side of the evenness grid */
  gridCells?: number;
  /** what the transport engine found for the build's room; null for the instant estimate */
  transported?: Transported | null;
  /** how far the estimate was off when it was last checked by a run; 1 when it never was */
  estimateScale?: number;
}

/** Every source of light of a build as the lit point sees it, and what stands in its way. */
export interface Sources {
  direct: Source[];
  /** by way of the build's own surfaces */
  returned: Source[];
  passages: Passage[];
  sentLm: number;
  /** share of the lamps' light that leaves by the mouth; null for an open array */
  extraction: number | null;
}

/** The build's light as small sources: simulated where a run is handed in, estimated otherwise. */
export function sourcesOf(
  resolved: ResolvedBuild,
  transported: Transported | null,
  estimateScale = 1,
): Sources {
  const { emitters, mouth, surfaces, controls } = resolved;
  const sentLm = emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  // Behind a hood a grid cuts as if it stood in the hood's mouth.
  const planeM = mouth?.heightOverBackM ?? -Infinity;
  const passages = prepareControls(
    controls.map((control) =>
      control.kind === 'grid' ? { ...control, zM: Math.max(control.zM, planeM) } : control,
    ),
  );
  if (!mouth)
    return {
      direct: emitters,
      returned: returnedLight(emitters, surfaces),
      passages,
      sentLm,
      extraction: null,
    };
  const found = mouth.room ? transported : null;
  const eta = found ? found.efficiency : Math.min(1, extraction(mouth) * estimateScale);
  return {
    direct: mouthPatches(mouth, sentLm * eta, found),
    returned: [],
    passages,
    sentLm,
    extraction: eta,
  };
}

/** Evaluates a resolved build at its shot. */
export function evaluateLight(
  resolved: ResolvedBuild,
  shot: Shot,
  { gridCells = 16, transported = null, estimateScale = 1 }: LightOptions = {},
): LightResult {
  const { frontM, mouth } = resolved;
  const {
    direct,
    returned,
    passages,
    sentLm,
    extraction: eta,
  } = sourcesOf(resolved, transported, mouth?.room ? estimateScale : 1);
  const field = packEmitters([...direct, ...returned], passages);
  const subject = [0, 0, frontM + shot.distanceM] as const;
  const lux = (some: readonly Source[]) =>
    illuminanceLx(packEmitters(some, passages), subject, FACING);
  const patchLx = lux(direct);
  const seenThrough = transported && mouth?.room ? throughMouth(mouth.room, transported) : null;
  const read = (at: number, places: number) =>
    mouthLx(seenThrough!, { pointM: [0, 0, frontM + at], normal: FACING }, passages, places);
  const own = seenThrough && patchLx > 0 ? read(shot.distanceM, SUBJECT_PLACES) : null;
  const directLx = own?.value ?? patchLx;
  const patchScale = own ? own.value / patchLx : 1;
  const returnedLx = lux(returned);
  const totalLx = directLx + returnedLx;
  const targetLx = shotTargetLx(shot);
  const groupLx = resolved.groups.map((group) => groupLux(resolved, group, sentLm, directLx, lux));
  const seen = seenSize(resolved, direct, passages, subject);
  const widthM = Math.min(seen.widthM, seen.heightM);
  return {
    field,
    directLx,
    returnedLx,
    extraction: eta,
    transported: mouth?.room ? transported : null,
    totalLx,
    standardErrorLx: own?.standardError ?? null,
    axisLx: onAxis(
      field,
      frontM,
      shot.distanceM,
      own && ((at) => (at === shot.distanceM ? own : read(at, AXIS_PLACES)).value),
    ),
    patchScale,
    targetLx,
    exposureTimeS: exposureTimeS(shot.shutterAngleDeg, shot.frameRateHz),
    marginStops: stopsBetween(totalLx, targetLx),
    seen,
    angleDeg: angularSizeDeg(widthM, shot.distanceM),
    noseHalfShadowM: halfShadowM(widthM, shot.distanceM, NOSE_M),
    shadows: shadowsOf(resolved, shot),
    evenness: brighter(
      evennessOver(
        field,
        subject[2],
        shot.coverageWidthM,
        shot.coverageHeightM,
        gridCells,
        gridCells,
      ),
      patchScale,
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

/** A survey made ready, kept as long as the run it came with. */
const ready = new WeakMap<Transported, { room: Arrangement; field: MouthField }>();

function throughMouth(room: Arrangement, transported: Transported): MouthField | null {
  if (transported.survey.length === 0) return null;
  const known = ready.get(transported);
  if (known?.room === room) return known.field;
  const field = mouthField(room, transported.survey);
  ready.set(transported, { room, field });
  return field;
}

/** Distances at which the light through a mouth is looked at besides the subject’s. */
const NODES_M = [0.2, 0.6, 2, 8];

/**
 * Light on the axis: that of the patches, times what is really seen through the mouth over it, looked up at some
 * distances and drawn between them.
 */
function onAxis(
  field: EmitterField,
  frontM: number,
  subjectM: number,
  seenLx: ((distanceM: number) => number) | null,
): LightResult['axisLx'] {
  const patches = (at: number) => illuminanceLx(field, [0, 0, frontM + at], FACING);
  if (!seenLx) return patches;
  const nodes = [...new Set([...NODES_M, subjectM])].toSorted((a, b) => a - b);
  const known = new Map<number, number>();
  const ratio = (node: number): number => {
    const found = known.get(node) ?? seenLx(node) / patches(node);
    known.set(node, found);
    return found;
  };
  return (at) => {
    const next = nodes.findIndex((node) => node >= at);
    if (next <= 0) return patches(at) * ratio(next === 0 ? nodes[0]! : nodes.at(-1)!);
    const [low, high] = [nodes[next - 1]!, nodes[next]!];
    const share = Math.log(at / low) / Math.log(high / low);
    return patches(at) * ratio(low) ** (1 - share) * ratio(high) ** share;
  };
}

const brighter = (evenness: Evenness, by: number): Evenness => ({
  ...evenness,
  minLx: evenness.minLx * by,
  meanLx: evenness.meanLx * by,
  maxLx: evenness.maxLx * by,
  cellsLx: evenness.cellsLx.map((lx) => lx * by),
});

/** A group's own part of the light at the subject. */
function groupLux(
  { mouth, emitters }: ResolvedBuild,
  group: LampGroup,
  sentLm: number,
  directLx: number,
  lux: (some: readonly Source[]) => number,
): number {
  const own = group.emitters.map((i) => emitters[i]!);
  if (!mouth) return lux(own);
  // Behind a mouth every lamp's light is mixed: shares follow the lumens.
  const ownLm = own.reduce((sum, emitter) => sum + emitter.luminousFluxLm, 0);
  return sentLm > 0 ? (directLx * ownLm) / sentLm : 0;
}

/** The field with the build's own boards in the way: what is read from all round, back included. */
export const allRound = (field: EmitterField, { surfaces }: ResolvedBuild): EmitterField => ({
  ...field,
  controls: [...field.controls, ...prepareControls(boardControls(surfaces))],
});

const shadowsOf = ({ mouth, array }: ResolvedBuild, shot: Shot): SeparateShadows =>
  separateShadows(mouth ? Infinity : array.spacingM, array.emitterWidthM, shot.distanceM, NOSE_M);

/** Less of a source than this is not seen past what stands in its way. */
const SEEN = 0.02;

/** What the subject sees of the source: all of it, or what doors, flags and hoods leave open. */
function seenSize(
  { apparent }: ResolvedBuild,
  direct: readonly Source[],
  passages: readonly Passage[],
  subject: Vector,
): ResolvedBuild['apparent'] {
  if (passages.length === 0) return apparent;
  const open = direct.filter(({ positionM }) => passes(passages, positionM, subject) > SEEN);
  const kept = (axis: 0 | 1) => {
    const span = (some: readonly Source[]) => {
      const places = some.map(({ positionM }) => positionM[axis]);
      return places.length ? Math.max(...places) - Math.min(...places) : 0;
    };
    const whole = span(direct);
    if (open.length === 0) return 0;
    return whole > 0 ? span(open) / whole : 1;
  };
  return { widthM: apparent.widthM * kept(0), heightM: apparent.heightM * kept(1) };
}

/** Light reached over light wanted at the shot's place; what “enough for the shot” is solved with. */
export function lightMargin(resolved: ResolvedBuild, shot: Shot): number {
  const { direct, returned, passages } = sourcesOf(resolved, null);
  const subject = [0, 0, resolved.frontM + shot.distanceM] as const;
  const field = packEmitters([...direct, ...returned], passages);
  return illuminanceLx(field, subject, FACING) / shotTargetLx(shot);
}

const throughLayers = (cctK: number | null, shiftMired: number): number | null =>
  cctK === null || shiftMired === 0 ? cctK : 1e6 / (mired(cctK) + shiftMired);
