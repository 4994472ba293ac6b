import { toRadians } from '../angle';
import type { Shot } from '../location/shot';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { fNumberFor, isoSpeedFor, isoText } from '../light/exposure';
import { estimateWithin } from '../light/mouth';
import { nearestMark } from '../light/softness';
import { JUDGED, USE_NAMES } from '../location/use';
import type { Origin } from '../origin';
import { show, showText, stopsInWords, threeFigures } from '../quantity';
import type { LightResult } from './light';
import { mouthInputs } from './mouthInputs';
import { given, leastSure, unknownReadout, type Readout, type WorkingInput } from './readout';

const NO_LIGHT = 'choose a lamp first';

export const fluxOrigin = ({ groups }: ResolvedBuild): Origin =>
  leastSure(groups.map(({ unit }) => unit.luminousFluxLm.origin));

/** What the light itself may be off by, beside finishes and layers. */
function errorOf(light: LightResult, { mouth }: ResolvedBuild): string {
  const within = mouth && !light.transported ? estimateWithin(mouth) : 1;
  return within > 1
    ? `An instant estimate, within a factor of ${within} either way, until the simulation follows.`
    : 'Expect ± 20 %.';
}

export function lightRung(light: LightResult, resolved: ResolvedBuild, shot: Shot): Readout {
  const [id, label, dimension] = ['light', 'Light at subject', 'illuminance'] as const;
  const { returnedLx, totalLx, targetLx } = light;
  const boardShare = totalLx > 0 ? returnedLx / totalLx : 0;
  const working = {
    ...(light.extraction === null ? openFormula(light) : mouthFormula(light, light.extraction)),
    inputs: [
      given(
        'Φ',
        'luminous flux of all lamps',
        light.luminousFluxLm,
        'luminousFlux',
        fluxOrigin(resolved),
      ),
      given('d', 'distance from where light leaves', shot.distanceM, 'length'),
      ...inputsOf(resolved),
    ],
    source: light.transported
      ? 'Photometric law of distance; the mouth by photon transport in its own geometry'
      : 'Photometric law of distance; boards and mouths as even Lambertian surfaces',
    leavesOut: `Lamps shading one another, what leaves and flags send to one another, the room’s walls, dust and voltage. ${errorOf(light, resolved)} A lux meter settles it.`,
  };
  if (totalLx <= 0) return unknownReadout(id, label, dimension, NO_LIGHT, working);
  return {
    id,
    label,
    value: totalLx,
    dimension,
    target: { value: targetLx, dimension, label: 'target' },
    words:
      light.extraction === null
        ? `${Math.round(boardShare * 100)} % by way of the board`
        : mouthWords(light, light.extraction, resolved),
    state: light.marginStops < -0.25 ? 'look' : 'ok',
    origin: leastSure([fluxOrigin(resolved), 'computed']),
    working,
  };
}

/** An error is said where it could be seen. */
const SEEN_ERROR = 0.02;

function mouthWords(light: LightResult, eta: number, { mouth }: ResolvedBuild): string {
  const out = `${Math.round(eta * 100)} % of the light gets out`;
  const within = mouth ? estimateWithin(mouth) : 1;
  if (!light.transported)
    return within > 1 ? `estimate, up to ${within} × off: ${out}` : `estimate: ${out}`;
  const share = (light.standardErrorLx ?? 0) / light.totalLx;
  return share > SEEN_ERROR
    ? `simulated, ± ${(100 * share).toFixed(0)} %: ${out}`
    : `simulated: ${out}`;
}

/** What leaves, flags and hoods add; nothing is said where they add nothing that shows. */
const sentBackText = ({ sentBackLx, totalLx }: LightResult): string =>
  sentBackLx > LEAST_SENT_BACK * totalLx
    ? ` + ${threeFigures(sentBackLx)} lx by way of leaves, flags or hood = ${threeFigures(totalLx)} lx`
    : '';
const LEAST_SENT_BACK = 0.001;

const openFormula = (light: LightResult) => ({
  formula: 'E = Σ I(θ) · cos β / d²  +  light returned by the board',
  substituted: `${threeFigures(light.directLx)} lx + ${threeFigures(light.returnedLx)} lx${sentBackText(light) || ` = ${threeFigures(light.totalLx)} lx`}`,
});

function mouthFormula(light: LightResult, eta: number) {
  const lumens = `${threeFigures(light.luminousFluxLm)} lm become ${threeFigures(light.luminousFluxLm * eta)} lm at the mouth, ${threeFigures(light.directLx)} lx${sentBackText(light)} at the subject`;
  const run = light.transported;
  return run
    ? {
        formula:
          'E = ∫ L · cos α · cos β / d² over the mouth, L looked up backwards through it: walls from a survey, lamps and mirrors as they stand',
        substituted: `${lumens}${errorText(light)}; η = ${run.efficiency.toFixed(4)} ± ${run.standardError.toFixed(4)} of ${run.photons} photons, seed ${run.seed}`,
      }
    : {
        formula:
          'E = Σ Φ·η/(n·π) · cos α · cos β / d² over n patches of the mouth,  η = τ·a / (1 − ρd·ρ·p)',
        substituted: `η = ${threeFigures(eta)}: ${lumens}`,
      };
}

const errorText = ({ standardErrorLx, totalLx }: LightResult): string =>
  standardErrorLx === null || totalLx <= 0
    ? ''
    : ` ± ${((100 * standardErrorLx) / totalLx).toFixed(1)} %`;

function inputsOf({ mouth, surfaces, emitters }: ResolvedBuild): WorkingInput[] {
  if (!mouth) {
    const { reflectance = 0, origin = 'typical' } = surfaces[0] ?? {};
    return [
      given('n', 'points of light', emitters.length, 'count', 'computed'),
      given('ρ', 'reflectance of the board’s front', reflectance, 'ratio', origin),
    ];
  }
  return [
    ...mouthInputs(mouth),
    given('f0', 'share that reaches the mouth directly', mouth.directShare, 'ratio', 'computed'),
  ];
}

export function stopsRung(light: LightResult, resolved: ResolvedBuild, shot: Shot): Readout {
  const [id, label, dimension] = ['stops', 'Stops to target', 'stops'] as const;
  const { totalLx, targetLx, marginStops } = light;
  const settings = { ...shot, exposureTimeS: light.exposureTimeS };
  const wanted = totalLx / 2 ** shot.offsetStops;
  const equals =
    totalLx > 0
      ? `; right at f/${fNumberFor(wanted, settings).toFixed(1)} or ISO ${isoText(isoSpeedFor(wanted, settings))}`
      : '';
  const working = {
    formula: 'stops = log₂(E / E_target),  E_target = C · N² / (t · S) · 2^offset',
    substituted: `log₂(${threeFigures(totalLx)} / ${threeFigures(targetLx)}); target = ${shot.calibrationLxS} · ${shot.fNumber}² / (${threeFigures(light.exposureTimeS)} s · ${shot.isoSpeed})${shot.offsetStops ? ` · 2^${shot.offsetStops}` : ''}${equals}`,
    inputs: [
      given('N', 'f-number', shot.fNumber, 'fNumber'),
      given('S', 'ISO speed', shot.isoSpeed, 'count'),
      given('t', 'exposure time', light.exposureTimeS, 'time'),
      given('C', 'meter constant, lx·s', shot.calibrationLxS, 'count', 'typical'),
      given('E', 'light at the subject', totalLx, 'illuminance', 'computed'),
    ],
    source: 'ISO 2720 incident-light equation; from memory',
    leavesOut: 'Filters, lens transmission and how bright you like a face.',
  };
  if (totalLx <= 0) return unknownReadout(id, label, dimension, NO_LIGHT, working);
  return {
    id,
    label,
    value: marginStops,
    dimension,
    target: { value: 0, dimension, label: 'target' },
    marginStops,
    words: stopsInWords(marginStops),
    state: marginStops < -0.25 ? 'look' : 'ok',
    origin: leastSure([fluxOrigin(resolved), 'computed']),
    working,
  };
}

/** What is said of figures that hang on how a mouth glows, while that is not known. */
const untilSimulated = (light: LightResult, { mouth }: ResolvedBuild): string =>
  mouth && !light.transported && estimateWithin(mouth) > 1
    ? 'An instant estimate: the front is taken to glow evenly until the simulation follows. '
    : '';

export function softnessRung(light: LightResult, resolved: ResolvedBuild, shot: Shot): Readout {
  const { angleDeg, noseHalfShadowM, shadows } = light;
  const { person, by } = JUDGED[shot.use];
  const enough = angleDeg >= shot.softnessDeg;
  const verdict = !enough
    ? `wanted ${Math.round(shot.softnessDeg)}°`
    : by.includes('softness')
      ? 'soft enough'
      : `${USE_NAMES[shot.use]} is not judged by it`;
  const across = Math.min(light.seen.widthM, light.seen.heightM);
  return {
    id: 'softness',
    label: 'Softness',
    value: toRadians(angleDeg),
    dimension: 'angle',
    second: {
      value: noseHalfShadowM,
      dimension: 'length',
      label: person ? 'nose half-shadow' : 'half-shadow, 25 mm before it',
    },
    target: { value: toRadians(shot.softnessDeg), dimension: 'angle', label: 'wanted' },
    words: `${verdict}${shadows.separate ? ', separate edges' : ''}; like ${nearestMark(angleDeg)}`,
    state: enough && !shadows.separate ? 'ok' : 'look',
    origin: 'computed',
    working: {
      formula:
        'angle = 2 · atan(D / 2d);  half-shadow w = D · b / a;  separate edges when gap > 1 globe',
      substituted: `2 · atan(${threeFigures(across)} / (2 · ${threeFigures(shot.distanceM)})) = ${angleDeg.toFixed(1)}°; ${threeFigures(across)} · 0.025 / ${threeFigures(shot.distanceM)} = ${threeFigures(noseHalfShadowM * 1000)} mm; gap ${threeFigures(shadows.gapInGlobes)} globes, edges ${threeFigures(shadows.stepM * 1000)} mm apart`,
      inputs: [
        given('D', 'width of the front its light is spread over', across, 'length', 'computed'),
        given('d', 'distance from where light leaves', shot.distanceM, 'length'),
        given(
          'b',
          person ? 'nose to cheek' : 'an edge before what is lit',
          0.025,
          'length',
          'typical',
        ),
      ],
      source: 'Similar triangles; gap rule is common practice',
      leavesOut: `${untilSimulated(light, resolved)}The dark middle of a ring: its shadow is softer at the rim than a full disc’s.`,
    },
  };
}

/** An error of evenness is said on the rung where it could be seen. */
const TOLD_STOPS = 0.03;

export function evennessRung(light: LightResult, resolved: ResolvedBuild, shot: Shot): Readout {
  const [id, label, dimension] = ['evenness', 'Evenness', 'stops'] as const;
  const { evenness, evennessErrorStops } = light;
  const error = evennessErrorStops === null ? '' : `, ± ${evennessErrorStops.toFixed(2)} stop`;
  const working = {
    formula: '± stops = ½ · log₂(E_max / E_min) over the coverage;  uniformity = E_min / E_mean',
    substituted: `½ · log₂(${threeFigures(evenness.maxLx)} / ${threeFigures(evenness.minLx)}) over ${evenness.columns} × ${evenness.rows} points${error}; ${threeFigures(evenness.minLx)} / ${threeFigures(evenness.meanLx)} = ${threeFigures(evenness.uniformity)}`,
    inputs: [
      given('w', 'coverage width', shot.coverageWidthM, 'length'),
      given('h', 'coverage height', shot.coverageHeightM, 'length'),
      given('d', 'distance', shot.distanceM, 'length'),
    ],
    source: `Illuminance at the middle of each cell; ${JUDGED[shot.use].evenSource}`,
    leavesOut: `${untilSimulated(light, resolved)}The light is taken to face the middle of a flat target squarely.`,
  };
  if (light.totalLx <= 0) return unknownReadout(id, label, dimension, NO_LIGHT, working);
  const even = evenness.plusMinusStops <= shot.evennessStops;
  const size = `${showText(show(shot.coverageWidthM, 'length', 'metric'))} × ${showText(show(shot.coverageHeightM, 'length', 'metric'))}`;
  return {
    id,
    label,
    value: evenness.plusMinusStops,
    dimension,
    target: { value: shot.evennessStops, dimension, label: 'allowed ±' },
    words: `min/mean ${threeFigures(evenness.uniformity)} over ${size}${(evennessErrorStops ?? 0) > TOLD_STOPS ? error : ''}`,
    state: even ? 'ok' : 'look',
    origin: leastSure([resolved.groups.length ? 'computed' : 'yours', 'typical']),
    working,
  };
}
