import { JUDGED } from '../location/use';
import { mixedCctK, mixedUv, movedAs, type MixPart } from '../colour/mix';
import type { Chromaticity } from '../colour/planck';
import type { Shot } from '../location/shot';
import type { LampGroup, ResolvedBuild } from '../build/resolvedBuild';
import { frontSize, leavesM, subjectM } from '../build/front';
import { errorOfMean, mouthLx, type Read } from '../light/field/gather';
import type { LookTable } from '../light/field/lookTable';
import { mouthLight } from '../light/field/mouthLight';
import { sourceField, type LightField, type Shown } from '../light/lightField';
import { stackLayers } from '../light/mouth';
import type { Transported } from '../light/transport/result';
import { mired } from '../colour/mired';
import { dot, minus, type Vector } from '../light/vector';
import { passes } from '../light/controls';
import { packEmitters, STRIDE } from '../light/emitter';
import { evennessOver, middleOfCell, type Evenness } from '../light/evenness';
import { exposureTimeS, stopsBetween, targetIlluminanceLx } from '../light/exposure';
import { emitterLx } from '../light/illuminance';
import {
  angularSizeDeg,
  halfShadowM,
  middleSpread,
  NOSE_M,
  separateShadows,
} from '../light/softness';
import type { SeparateShadows } from '../light/softness';
import { cctAtLevel, uvMixed } from '../power/watts';
import { buildField, overEstimate, type EstimateScale } from './field';

/** What one build gives at the subject of one shot. */
export interface LightResult {
  field: LightField;
  directLx: number;
  /** by way of the build's own surfaces */
  returnedLx: number;
  /** by way of what stands before the light: leaves, flags, hoods */
  sentBackLx: number;
  /** share of the lamps' light that leaves by the mouth; null for an open array */
  extraction: number | null;
  /** the run the extraction is from; null for the instant estimate or an open array */
  transported: Transported | null;
  totalLx: number;
  /** what the light at the subject may be off by; null where nothing of it is drawn by lot */
  standardErrorLx: number | null;
  /** on the axis, from the light’s front, lx */
  axisLx: (distanceM: number) => number;
  /** light at the subject over its instant estimate; 1 where it was not simulated */
  overEstimate: number;
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
  /** its own standard error, of a simulated mouth; null where it is not known */
  evennessErrorStops: number | null;
  /** null with no light; of a colour the nearest */
  cctK: number | null;
  /** place of a mixed colour in CIE 1960 u, v; null on the Planckian locus */
  uv: Chromaticity | null;
  groupLx: number[];
  luminousFluxLm: number;
}

const FACING = [0, 0, -1] as const;
/** Places looked at on exits that have to be looked through, for the subject. */
const SUBJECT_PLACES = 2048;

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
  /** how far the estimate was off when it was last checked by a run; null when it never was */
  estimateScale?: EstimateScale | null;
}

/** Evaluates a resolved build at its shot. */
export function evaluateLight(
  resolved: ResolvedBuild,
  shot: Shot,
  { gridCells = 16, transported = null, estimateScale = null }: LightOptions = {},
): LightResult {
  const { mouth } = resolved;
  const built = buildField(resolved, transported, estimateScale);
  const { returned, looks, sentLm } = built;
  const front = leavesM(resolved);
  const subject = [0, 0, front + shot.distanceM] as const;
  const careful = looks && looked(looks, built.own, subject);
  const own = careful?.field ?? built.own;
  const field = built.whole(own);
  const quickLx = own.illuminance(subject, FACING);
  const ownLx = careful?.read.value ?? quickLx;
  const sentBackLx = field.illuminance(subject, FACING) - quickLx;
  const totalLx = ownLx + sentBackLx;
  const returnedLx = returned.illuminance(subject, FACING);
  const directLx = ownLx - returnedLx;
  const targetLx = shotTargetLx(shot);
  const groupLx = resolved.groups.map((group) =>
    groupLux(resolved, group, sentLm, directLx, field, subject),
  );
  const seen = seenSize(resolved, field, subject);
  const widthM = Math.min(seen.widthM, seen.heightM);
  const { coverageWidthM, coverageHeightM } = shot;
  const evenness = evennessOver(
    field,
    subject[2],
    coverageWidthM,
    coverageHeightM,
    gridCells,
    gridCells,
  );
  return {
    field,
    directLx,
    returnedLx,
    sentBackLx,
    extraction: built.extraction,
    transported: mouth?.room ? transported : null,
    totalLx,
    standardErrorLx:
      careful && Number.isFinite(careful.read.standardError) ? careful.read.standardError : null,
    axisLx: (distanceM) => field.illuminance([0, 0, front + distanceM], FACING),
    overEstimate: careful ? overEstimate(resolved, built, ownLx, subject, FACING) : 1,
    targetLx,
    exposureTimeS: exposureTimeS(shot.shutterAngleDeg, shot.frameRateHz),
    marginStops: stopsBetween(totalLx, targetLx),
    seen,
    angleDeg: angularSizeDeg(widthM, shot.distanceM),
    noseHalfShadowM: halfShadowM(widthM, shot.distanceM, NOSE_M),
    shadows: shadowsOf(resolved, shot),
    evenness,
    evennessErrorStops: looks && evennessError(looks, field, evenness, subject[2], shot),
    ...colourOf(resolved, groupLx),
    groupLx,
    luminousFluxLm: sentLm,
  };
}

/** A share of its light below which a subject in a shadow tells nothing of the rest. */
const LIT = 0.5;

/**
 * One careful look at the subject, and the field brought to it: what the quicker table of looks is off by is much the
 * same everywhere near.
 */
function looked(
  looks: LookTable,
  quick: LightField,
  subject: Vector,
): { read: Read; field: LightField } {
  const { passages } = quick;
  const read = mouthLx(looks.field, { pointM: subject, normal: FACING }, passages, SUBJECT_PLACES);
  const quickLx = quick.illuminance(subject, FACING);
  const clearLx = quick.passing([]).illuminance(subject, FACING);
  const scale = quickLx > LIT * clearLx && quickLx > 0 ? read.value / quickLx : 1;
  return { read, field: mouthLight(looks, passages, scale) };
}

/** Places looked at for the brightest and the darkest of the coverage. */
const EVENNESS_PLACES = 256;

/** Standard error of evenness, stops: how far the parts of the survey lie apart in brightest over darkest; null when all is dark. */
function evennessError(
  { field }: LookTable,
  { passages }: LightField,
  { cellsLx, minLx, maxLx, columns, rows }: Evenness,
  planeM: number,
  { coverageWidthM, coverageHeightM }: Shot,
): number | null {
  const read = (cell: number) => {
    const [x, y] = middleOfCell(cell, { columns, rows }, coverageWidthM, coverageHeightM);
    return mouthLx(field, { pointM: [x, y, planeM], normal: FACING }, passages, EVENNESS_PLACES);
  };
  if (!(minLx > 0)) return null;
  const [most, least] = [read(cellsLx.indexOf(maxLx)), read(cellsLx.indexOf(minLx))];
  const stops = most.parts.map((lx, part) => Math.log2(lx / least.parts[part]!) / 2);
  const error = errorOfMean(stops);
  return Number.isFinite(error) ? error : null;
}

/** A group's own part of the light at the subject. */
function groupLux(
  { mouth, emitters }: ResolvedBuild,
  group: LampGroup,
  sentLm: number,
  directLx: number,
  field: LightField,
  subject: Vector,
): number {
  const own = group.emitters.map((i) => emitters[i]!);
  if (!mouth) return sourceField(own, field.passages).illuminance(subject, FACING);
  // Behind a mouth every lamp's light is mixed: shares follow the lumens.
  const ownLm = own.reduce((sum, emitter) => sum + emitter.luminousFluxLm, 0);
  return sentLm > 0 ? (directLx * ownLm) / sentLm : 0;
}

/** On a backdrop nothing stands before what is lit, and a glow in the shot has no face: no edges are seen there. */
function shadowsOf({ mouth, array }: ResolvedBuild, shot: Shot): SeparateShadows {
  const found = separateShadows(
    mouth ? Infinity : array.spacingM,
    array.emitterWidthM,
    shot.distanceM,
    NOSE_M,
  );
  const seen = () => JUDGED[shot.use].person || JUDGED[shot.use].by.includes('softness');
  return { ...found, separate: found.separate && seen() };
}

/**
 * What the subject sees of the source: of its front, as wide as its light is spread over it past all that stands in
 * the way. A front that glows evenly is as wide as it is.
 */
function seenSize(
  resolved: ResolvedBuild,
  field: LightField,
  subject: Vector,
): ResolvedBuild['apparent'] {
  const front = frontSize(resolved);
  const shown: readonly Shown[] = resolved.mouth ? field.sourcesFrom(subject) : resolved.emitters;
  // Behind a mouth the front itself is what could glow evenly; a lamp that shows in it is no part of that.
  const patched = shown.some(({ areaM2 }) => areaM2 !== undefined);
  const packed = packEmitters(shown);
  const lit = shown.map((source, k) => {
    const bareLx = emitterLx(packed, k * STRIDE, ...subject, ...FACING);
    const { positionM, areaM2 } = source;
    return {
      positionM,
      lx: bareLx * passes(field.passages, positionM, subject),
      evenLx: areaM2 !== undefined ? evenShare(source, areaM2, subject) : patched ? 0 : bareLx,
    };
  });
  const kept = (axis: 0 | 1) => {
    const even = middleSpread(lit.map(({ positionM, evenLx }) => [positionM[axis], evenLx]));
    const own = middleSpread(lit.map(({ positionM, lx }) => [positionM[axis], lx]));
    if (own === null) return 0;
    // A bright rim is no wider than the front.
    return even ? Math.min(1, own / even) : 1;
  };
  return { ...front, widthM: front.widthM * kept(0), heightM: front.heightM * kept(1) };
}

/** What a patch would bring to the subject if the whole front glowed alike. */
function evenShare({ positionM, axis }: Shown, areaM2: number, subject: Vector): number {
  const way = minus(subject, positionM);
  return (areaM2 * Math.max(0, dot(way, axis)) * way[2]) / Math.hypot(...way) ** 4;
}

/** Light reached over light wanted at the shot's place; what “enough for the shot” is solved with. */
export function lightMargin(resolved: ResolvedBuild, shot: Shot): number {
  const { own, whole } = buildField(resolved, null);
  const lx = whole(own).illuminance([0, 0, subjectM(resolved, shot)], FACING);
  return lx / shotTargetLx(shot);
}

const throughLayers = (cctK: number | null, shiftMired: number): number | null =>
  cctK === null || shiftMired === 0 ? cctK : 1e6 / (mired(cctK) + shiftMired);

/** Colour of all groups at the subject; behind a layer that shifts, a mixed colour moves as the white nearest to it. */
function colourOf({ groups, mouth }: ResolvedBuild, groupLx: readonly number[]) {
  const parts = groups.map((group, i): MixPart => ({
    cctK: cctAtLevel(group),
    uv: uvMixed(group),
    illuminanceLx: groupLx[i]!,
  }));
  const before = mixedCctK(parts);
  const cctK = throughLayers(before, mouth ? stackLayers(mouth.layers).shiftMired : 0);
  const place = parts.some(({ uv }) => uv) ? mixedUv(parts) : null;
  if (!place || before === null || cctK === null || cctK === before) return { cctK, uv: place };
  return { cctK, uv: movedAs(place, before, cctK) };
}
