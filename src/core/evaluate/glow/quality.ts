import { leavesM, subjectM } from '../../build/front';
import { mainsFlickerHz } from '../../flicker/shutter';
import { bouncePatches } from '../../light/bounce';
import { packEmitters } from '../../light/emitter';
import { stopsBetween } from '../../light/exposure';
import { illuminanceLx } from '../../light/illuminance';
import { stackLayers } from '../../light/mouth';
import { EVEN_RIPPLE, rippleBehind } from '../../light/ripple';
import { exponentOfBeam } from '../../units/spread';
import { FULL_SPREAD_DEG } from '../../light/transport/arrangement';
import { threeFigures } from '../../quantity';
import { given } from '../readout';
import { howKnown, type GlowContext, type GlowReadout } from './context';

/** Mouth evenness below this is seen in the eyes and on shiny things [common practice]. */
const EVEN_MOUTH = 0.6;

export function mouthEvenness(context: GlowContext): GlowReadout[] {
  const mouth = context.light.transported?.mouth;
  if (!mouth) return [];
  const even = mouth.uniformity >= EVEN_MOUTH;
  return [
    {
      id: 'mouthEvenness',
      label: 'Evenness of the mouth',
      value: mouth.uniformity,
      dimension: 'ratio',
      words: even ? 'reads as one surface' : 'a hot patch shows',
      state: even ? 'ok' : 'look',
      origin: 'computed',
      working: {
        formula: 'min / mean over 8 × 8 cells wholly inside the mouth',
        substituted: `${mouth.uniformity.toFixed(3)} ± ${mouth.uniformityError.toFixed(3)}; ${howKnown(context)}`,
        inputs: [],
        source: 'Least over mean on 8 × 8 cells; a finer grid is biased low by counting noise',
        leavesOut: 'Single diodes: see “Dots through the layer”.',
      },
    },
  ];
}

export function ripple({ resolved }: GlowContext): GlowReadout[] {
  const { dots, mouth } = resolved;
  if (!dots || !mouth) return [];
  const { spreadDeg } = stackLayers(mouth.layers);
  const full = spreadDeg >= FULL_SPREAD_DEG;
  const exponent = full ? 0 : exponentOfBeam(Math.max(1, spreadDeg));
  const value = mouth.layers.length ? rippleBehind(dots, exponent) : 1;
  const pitch = Math.max(dots.pitchM, Number.isFinite(dots.rowPitchM) ? dots.rowPitchM : 0);
  const even = value <= EVEN_RIPPLE;
  return [
    {
      id: 'ripple',
      label: 'Dots through the layer',
      value,
      dimension: 'ratio',
      target: { value: EVEN_RIPPLE, dimension: 'ratio', label: 'looks even below' },
      words: even
        ? 'looks even'
        : `shows; ${Math.round((pitch / dots.standOffM) * 100)} % pitch to stand-off`,
      state: even ? 'ok' : 'look',
      origin: 'typical',
      working: {
        formula: 'L(x) ∝ Σ cos⁴θ · cos^m θ / h²;  ripple = (max − min)/(max + min)',
        substituted: `pitch ${threeFigures(dots.pitchM * 1000)} mm, rows ${Number.isFinite(dots.rowPitchM) ? `${threeFigures(dots.rowPitchM * 1000)} mm apart` : 'single'}, ${threeFigures(dots.standOffM * 1000)} mm behind a layer that ${full ? 'scatters fully (m = 0)' : `spreads ${spreadDeg.toFixed(0)}° (m = ${threeFigures(exponent)})`}: ${threeFigures(value * 100)} %`,
        inputs: [
          given('p', 'pitch of the diodes', dots.pitchM, 'length', 'label'),
          given('h', 'stand-off of the layer', dots.standOffM, 'length'),
        ],
        source: 'Inverse square sum over the lattice; even when h ≥ p is common practice',
        leavesOut: 'Light by way of the walls, which only evens it.',
      },
    },
  ];
}

/** A wall so far behind the subject, as high and wide as a small room's. */
const WALL_BEHIND_M = 1;
const WALL = { widthM: 3, heightM: 2.5, cells: 8 };

/** Light on the wall behind the subject, with and without doors, flags, hood and grid. */
export function spill({ light, resolved, shot }: GlowContext): GlowReadout {
  const planeM = subjectM(resolved, shot) + WALL_BEHIND_M;
  const mean = (field: typeof light.field) => {
    let sum = 0;
    for (let k = 0; k < WALL.cells ** 2; k++) {
      const x = (((k % WALL.cells) + 0.5) / WALL.cells - 0.5) * WALL.widthM;
      const y = ((Math.floor(k / WALL.cells) + 0.5) / WALL.cells - 0.5) * WALL.heightM;
      sum += field.illuminance([x, y, planeM], [0, 0, -1]);
    }
    return sum / WALL.cells ** 2;
  };
  const lx = mean(light.field);
  const bareLx = mean(light.field.passing([]));
  const under = stopsBetween(lx, light.totalLx);
  const controlled = light.field.passages.length > 0;
  const cut = stopsBetween(lx, bareLx);
  return {
    id: 'spill',
    label: 'Spill on the wall',
    value: lx,
    dimension: 'illuminance',
    words: `${Math.abs(under).toFixed(1)} stops ${under < 0 ? 'under' : 'over'} the face${controlled ? `, ${Math.abs(cut).toFixed(1)} cut by doors or cloth` : ''}`,
    state: 'ok',
    origin: 'computed',
    working: {
      formula: 'mean E over a wall of 3 × 2.5 m, 1 m behind the subject',
      substituted: `${threeFigures(lx)} lx; ${threeFigures(bareLx)} lx without what stands in the way; ${threeFigures(light.totalLx)} lx at the subject`,
      inputs: [given('d', 'distance to the subject', shot.distanceM, 'length')],
      source: 'Illuminance at the middle of 8 × 8 cells, shadow planes clip each source',
      leavesOut: 'The subject’s own shadow and what other walls send back.',
    },
  };
}

/** Radius of the cornea, whose front is the mirror in which a catchlight stands [std: Gullstrand eye]. */
const CORNEA_M = 0.0078;
const IRIS_M = 0.0118;

export function catchlight({ light, resolved, shot }: GlowContext): GlowReadout {
  const { seen } = light;
  const image = (size: number) => (size * CORNEA_M) / 2 / shot.distanceM;
  const [w, h] = [image(seen.widthM), image(seen.heightM)];
  const shape = catchlightShape(resolved, seen);
  return {
    id: 'catchlight',
    label: 'Catchlight',
    value: Math.max(w, h),
    dimension: 'length',
    words: `${shape}, ${Math.round((100 * Math.max(w, h)) / IRIS_M)} % of the iris`,
    state: 'ok',
    origin: 'computed',
    working: {
      formula: 'image in the cornea = size · (r/2) / d',
      substituted: `${threeFigures(seen.widthM)} × ${threeFigures(seen.heightM)} m seen from ${threeFigures(shot.distanceM)} m: ${threeFigures(w * 1000)} × ${threeFigures(h * 1000)} mm in an iris of 11.8 mm`,
      inputs: [
        given(
          'D',
          'size of what is seen',
          Math.max(seen.widthM, seen.heightM),
          'length',
          'computed',
        ),
        given('r', 'radius of the cornea', CORNEA_M, 'length', 'typical'),
        given('d', 'distance', shot.distanceM, 'length'),
      ],
      source: 'Convex mirror of focal length r/2; Gullstrand’s eye, from memory',
    },
  };
}

function catchlightShape(
  { mouth, array, surfaces, emitters }: GlowContext['resolved'],
  seen: { widthM: number; heightM: number },
): string {
  const long = Math.max(seen.widthM, seen.heightM) > 3 * Math.min(seen.widthM, seen.heightM);
  if (mouth) {
    if (long) return 'a bar';
    return mouth.shape === 'disc' ? 'a disc' : 'a window';
  }
  const dotted = array.spacingM > 2 * array.emitterWidthM && Number.isFinite(array.spacingM);
  const ring = surfaces[0]?.kind === 'annulus' && emitters.length > 2;
  if (ring) return dotted ? 'a ring of dots' : 'a ring';
  if (long) return dotted ? 'a row of dots' : 'a bar';
  return dotted ? 'a cluster of dots' : 'a spot';
}

export function layerColour({ resolved, light }: GlowContext): GlowReadout[] {
  const { mouth } = resolved;
  if (!mouth || mouth.layers.length === 0) return [];
  const shift = stackLayers(mouth.layers).shiftMired;
  return [
    {
      id: 'layerColour',
      label: 'Colour after the layers',
      value: light.cctK,
      dimension: 'colourTemperature',
      words:
        shift === 0
          ? 'layers do not tint'
          : `${shift > 0 ? '+' : '−'}${Math.abs(shift)} mired, ${shift > 0 ? 'warmer' : 'cooler'}`,
      state: 'ok',
      origin: 'typical',
      working: {
        formula: '10⁶/K = 10⁶/K0 + Σ shift',
        substituted: `${mouth.layers.map(({ name, shiftMired }) => `${name} ${shiftMired > 0 ? '+' : ''}${shiftMired}`).join(', ')} mired`,
        inputs: [],
        source: 'Mired shifts of layers add; typical values',
      },
    },
  ];
}

/** Time a rolling shutter takes from the first row to the last [typ: large sensors, video]. */
const READ_OUT_S = 1 / 60;

export function bands({ circuit, resolved, light }: GlowContext): GlowReadout {
  const uneasy = resolved.groups.some(({ unit }) => unit.flicker !== 'steady');
  const flickerHz = mainsFlickerHz(circuit.frequencyHz);
  const count = uneasy ? READ_OUT_S * flickerHz : 0;
  const periods = light.exposureTimeS * flickerHz;
  // Swing of the light averaged over a shutter of so many periods: |sinc|.
  const left = Math.abs(Math.sin(Math.PI * periods) / (Math.PI * periods));
  return {
    id: 'bands',
    label: 'Flicker bands',
    value: count,
    dimension: 'count',
    words: uneasy
      ? `${count.toFixed(1)} bands a frame, ${Math.round(left * 100)} % of the ripple is left at this shutter`
      : 'none: steady lamps',
    state: !uneasy || left < 0.05 ? 'ok' : 'look',
    origin: 'typical',
    working: {
      formula: 'bands = read-out time · 2 · f_mains;  ripple left = |sin(π·t·2f) / (π·t·2f)|',
      substituted: uneasy
        ? `1/60 s · ${flickerHz} Hz = ${count.toFixed(1)}; t = ${threeFigures(light.exposureTimeS)} s: ${threeFigures(left * 100)} %`
        : 'no lamp follows the mains',
      inputs: [
        given('t', 'exposure time', light.exposureTimeS, 'time'),
        given('f', 'mains', circuit.frequencyHz, 'frequency'),
      ],
      source: 'Bands ≈ read-out time × flicker frequency; mean over the exposure',
      leavesOut:
        'Your camera’s own read-out time; dimmers and drivers with frequencies of their own.',
    },
  };
}

/** What it costs to light a surface instead of the subject. */
export function bounceLoss({ resolved, light, shot }: GlowContext): GlowReadout[] {
  const bounce = resolved.mouth?.bounce;
  if (!bounce) return [];
  const turnedBack = bounce.lamps.map((lamp) => ({
    ...lamp,
    positionM: [lamp.positionM[0], lamp.positionM[1], leavesM(resolved)] as const,
    axis: [0, 0, 1] as const,
  }));
  const directLx = illuminanceLx(
    packEmitters(turnedBack),
    [0, 0, subjectM(resolved, shot)],
    [0, 0, -1],
  );
  const stops = stopsBetween(light.totalLx, directLx);
  const kept = bouncePatches(resolved.mouth!, bounce).reduce((sum, p) => sum + p.luminousFluxLm, 0);
  return [
    {
      id: 'bounceLoss',
      label: 'What the bounce costs',
      value: stops,
      dimension: 'stops',
      words: `${Math.abs(stops).toFixed(1)} stops under the lamp straight at the subject, and softer`,
      state: 'ok',
      origin: 'computed',
      working: {
        formula: 'log₂(E_bounced / E_direct), both at the shot’s distance',
        substituted: `${threeFigures(light.totalLx)} lx against ${threeFigures(directLx)} lx; the surface gives back ${threeFigures(kept)} lm`,
        inputs: [
          given(
            'ρ',
            'reflectance of the surface',
            bounce.reflectance,
            'ratio',
            bounce.origin ?? 'typical',
          ),
        ],
        source: 'Two-step transport: exitance ρ·E(x) as a Lambertian polygon',
        leavesOut: 'The lamp standing in the way, and light the room sends back.',
      },
    },
  ];
}
