import { toRadians } from '../../angle';
import { fNumberFor, isoSpeedFor, isoText } from '../../light/exposure';
import { buildWatts } from '../../power/watts';
import { threeFigures } from '../../quantity';
import { fluxOrigin } from '../lightRungs';
import { mouthInputs } from '../mouthInputs';
import { given, leastSure } from '../readout';
import { estimateWords, fieldKnown, type GlowContext, type GlowReadout } from './context';

/** Which f-number, or which ISO speed, makes this light right. */
export function camera({ light, shot }: GlowContext): GlowReadout {
  const settings = { ...shot, exposureTimeS: light.exposureTimeS };
  const metered = light.totalLx / 2 ** shot.offsetStops;
  const fNumber = fNumberFor(metered, settings);
  const iso = isoSpeedFor(metered, settings);
  return {
    id: 'camera',
    label: 'Camera that fits',
    value: Number(fNumber.toFixed(1)),
    dimension: 'fNumber',
    words: `f/${fNumber.toFixed(1)} at ISO ${shot.isoSpeed}, or f/${shot.fNumber} at ISO ${isoText(iso)}`,
    state: 'ok',
    origin: 'computed',
    working: {
      formula: 'N = √(E · t · S / C),  S = C · N² / (E · t)',
      substituted: `√(${threeFigures(metered)} · ${threeFigures(light.exposureTimeS)} · ${shot.isoSpeed} / ${shot.calibrationLxS}) = ${fNumber.toFixed(2)};  ISO ${Math.round(iso)}`,
      inputs: [
        given('E', 'light at the subject', light.totalLx, 'illuminance', 'computed'),
        given('t', 'exposure time', light.exposureTimeS, 'time'),
        given('C', 'meter constant, lx·s', shot.calibrationLxS, 'count', 'typical'),
      ],
      source: 'ISO 2720 incident-light equation; from memory',
      leavesOut: 'Filters and lens transmission.',
    },
  };
}

/** Share of the lamps' light that leaves by the mouth, and who takes the rest. */
export function extraction(context: GlowContext): GlowReadout[] {
  const { light, resolved } = context;
  const { mouth } = resolved;
  if (!mouth || light.extraction === null) return [];
  const run = light.transported;
  const taken = run
    ? [...run.absorbed]
        .sort((a, b) => b.share - a.share)
        .filter(({ share }) => share > 0.002)
        .slice(0, 5)
        .map(({ name, share }) => `${name} takes ${(share * 100).toFixed(1)} %`)
    : [];
  const spilled =
    run && run.spilled > 0.001
      ? [`${(run.spilled * 100).toFixed(1)} % leaves beside the mouth`]
      : [];
  return [
    {
      id: 'extraction',
      label: 'Gets out',
      value: light.extraction,
      dimension: 'ratio',
      words: run
        ? `simulated, ± ${(run.standardError * 100).toFixed(2)} %`
        : mouth.bounce
          ? 'two steps: lamp to surface, surface to subject'
          : estimateWords(resolved),
      state: run || mouth.bounce ? 'ok' : 'unknown',
      origin: leastSure(['computed', mouth.layers.length ? 'typical' : 'computed']),
      working: {
        formula: run
          ? 'η = photons out by the mouth / photons sent;  ± √(η(1 − η)/n)'
          : 'p = f/(1 − ρ(1−f)); a = f0 + (1−f0)·ρ·p; η = τ·a/(1 − ρd·ρ·p)',
        substituted: run
          ? [
              `${Math.round(run.efficiency * run.photons)} of ${run.photons} = ${run.efficiency.toFixed(4)} ± ${run.standardError.toFixed(4)}, ${run.meanBounces.toFixed(1)} bounces each`,
              ...taken,
              ...spilled,
            ].join('; ')
          : `η = ${threeFigures(light.extraction)}`,
        inputs: mouthInputs(mouth),
        source: run
          ? 'Photon transport in geometric optics, seeded'
          : 'Integrating-sphere estimate',
        leavesOut:
          'Lamps and sockets that block light inside, sagging cloth and dirty walls; finishes and layers that nobody metered are typical values, ± 20 % between shops.',
      },
    },
  ];
}

const surenessOf = ({ resolved }: GlowContext) => leastSure([fluxOrigin(resolved), 'computed']);

function lumensOut(context: GlowContext): GlowReadout {
  const { light, resolved, outLm } = context;
  return {
    id: 'output',
    label: 'Lumens out',
    value: outLm,
    dimension: 'luminousFlux',
    words: `${Math.round((100 * outLm) / Math.max(1e-9, light.luminousFluxLm))} % of the lamps’ own`,
    state: 'ok',
    origin: surenessOf(context),
    working: {
      formula: 'Φ = Σ I(θ) · 2π(cos θ₁ − cos θ₂) over the zones of the photometric file, all round',
      substituted: `${threeFigures(outLm)} lm of ${threeFigures(light.luminousFluxLm)} lm; ${fieldKnown(context)}`,
      inputs: [
        given(
          'Φ0',
          'luminous flux of all lamps',
          light.luminousFluxLm,
          'luminousFlux',
          fluxOrigin(resolved),
        ),
      ],
      source: 'Zonal sums, as a goniometer does it',
      leavesOut: 'Light that doors and flags send back.',
    },
  };
}

function peak(context: GlowContext): GlowReadout {
  const { far } = context;
  return {
    id: 'peak',
    label: 'Peak intensity',
    value: far.peakCd,
    dimension: 'luminousIntensity',
    words: 'seen from far away',
    state: 'ok',
    origin: surenessOf(context),
    working: {
      formula: 'I = E · d² at a thousand sizes from where light leaves',
      substituted: `${threeFigures(far.peakCd)} cd; ${fieldKnown(context)}`,
      inputs: [],
      source: 'Photometric law of distance; five-times rule, IES Lighting Handbook, from memory',
    },
  };
}

function beam(context: GlowContext): GlowReadout {
  const { far } = context;
  const beams = [far.beamDeg, far.fieldDeg].map(
    ([across, up]) => `${across.toFixed(0)}° × ${up.toFixed(0)}°`,
  );
  return {
    id: 'beam',
    label: 'Beam angle',
    value: toRadians(Math.min(...far.beamDeg)),
    dimension: 'angle',
    second: {
      value: toRadians(Math.min(...far.fieldDeg)),
      dimension: 'angle',
      label: 'field angle',
    },
    words: `half the peak ${beams[0]}, a tenth ${beams[1]}`,
    state: 'ok',
    origin: 'computed',
    working: {
      formula: 'full width where I ≥ ½ peak (beam) and where I ≥ ⅒ peak (field)',
      substituted: `beam ${beams[0]}, field ${beams[1]}, level × upright; ${fieldKnown(context)}`,
      inputs: [given('I', 'peak intensity', far.peakCd, 'luminousIntensity', 'computed')],
      source: 'Beam and field angle as in luminaire data sheets, common practice',
    },
  };
}

function lightPerWatt(context: GlowContext): GlowReadout {
  const { light, resolved } = context;
  const watts = buildWatts(resolved.groups).nowW;
  return {
    id: 'luxPerWatt',
    label: 'Light per watt',
    value: watts > 0 ? light.totalLx / watts : null,
    dimension: 'luxPerWatt',
    words: `at the subject, from ${threeFigures(watts)} W`,
    state: 'ok',
    origin: surenessOf(context),
    working: {
      formula: 'E / P',
      substituted: `${threeFigures(light.totalLx)} lx / ${threeFigures(watts)} W`,
      inputs: [
        given('E', 'light at the subject', light.totalLx, 'illuminance', 'computed'),
        given('P', 'power at the chosen levels', watts, 'power', 'label'),
      ],
      source: 'Quotient of two readouts',
    },
  };
}

function asBareBulb(context: GlowContext): GlowReadout {
  const { light, shot } = context;
  const bareLm = light.totalLx * shot.distanceM ** 2 * 4 * Math.PI;
  return {
    id: 'bare',
    label: 'As a bare bulb',
    value: bareLm,
    dimension: 'luminousFlux',
    words: 'a bare globe at the same place would need so much',
    state: 'ok',
    origin: surenessOf(context),
    working: {
      formula: 'Φ = 4π · E · d²',
      substituted: `4π · ${threeFigures(light.totalLx)} · ${threeFigures(shot.distanceM)}² = ${threeFigures(bareLm)} lm`,
      inputs: [
        given('E', 'light at the subject', light.totalLx, 'illuminance', 'computed'),
        given('d', 'distance', shot.distanceM, 'length'),
      ],
      source: 'Inverse square law for an even point source',
    },
  };
}

export const output = (context: GlowContext): GlowReadout[] => [
  lumensOut(context),
  peak(context),
  beam(context),
  lightPerWatt(context),
  asBareBulb(context),
];
