import { duvOf } from '../colour/chromaticity';
import { clashOf, mired } from '../colour/mired';
import type { Circuit } from '../location/circuit';
import { type Shot } from '../location/shot';
import { CRI_GATE, USE_NAMES } from '../location/use';
import type { Finding } from '../findings/finding';
import { isCleanExposure, mainsFlickerHz, nearestCleanShutter } from '../flicker/shutter';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { threeFigures } from '../quantity';
import { cctAtLevel, raAsMixed, uvMixed } from '../power/watts';
import { isColoured, mixedLight, MIX_WORDS } from '../units/channels';
import type { EffectiveUnit } from '../units/effective';
import type { LightResult } from './light';
import { leastSure, unknownReadout, type Readout } from './readout';

export function colourRung(light: LightResult, resolved: ResolvedBuild, shot: Shot): Readout {
  const [id, label, dimension] = ['colour', 'Colour', 'colourTemperature'] as const;
  const { cctK } = light;
  const origin = leastSure(resolved.groups.map(({ unit }) => unit.cctK.origin));
  const shift = cctK === null ? 0 : mired(cctK) - mired(shot.cctK);
  const working = {
    formula: 'Δ mired = 10⁶/K − 10⁶/K_shot;  several sources mix by their lux share in u, v',
    substituted:
      cctK === null
        ? 'no light yet'
        : `10⁶/${Math.round(cctK)} − 10⁶/${shot.cctK} = ${threeFigures(shift)} mired`,
    inputs: [
      ...resolved.groups.map((group, index) => ({
        symbol: `K${index + 1}`,
        name: `${group.unit.name}, at its level`,
        value: cctAtLevel(group),
        dimension,
        origin: group.unit.cctK.origin,
      })),
      {
        symbol: 'K',
        name: 'the shot’s colour',
        value: shot.cctK,
        dimension,
        origin: 'yours' as const,
      },
    ],
    source:
      'CIE 15 mixing on the Planckian locus; filaments by IES exponents; clash steps are common practice',
    leavesOut: light.uv
      ? 'Diodes are taken as typical of their colour: a specimen may lie 10 nm aside.'
      : 'Green or magenta tint (Duv): labels do not tell it.',
  };
  if (cctK === null) return unknownReadout(id, label, dimension, 'choose a lamp first', working);
  const clash = clashOf(shift);
  const direction = shift > 0 ? 'warmer' : 'cooler';
  const least = Math.min(...resolved.groups.map(raAsMixed));
  const coloured = light.uv !== null && isColoured(light.uv, cctK);
  const dull = least < CRI_GATE[shot.use] ? `, but renders Ra ${Math.round(least)}` : '';
  return {
    id,
    label,
    value: cctK,
    dimension,
    target: { value: shot.cctK, dimension, label: 'shot' },
    words: coloured
      ? `coloured: Duv ${duvOf(light.uv!, cctK).toFixed(2)}, no white to a camera`
      : clash === 'unseen'
        ? `matches the shot${dull}`
        : `${Math.round(Math.abs(shift))} mired ${direction}, ${clash}${dull}`,
    state: !coloured && (clash === 'unseen' || clash === 'slight') ? 'ok' : 'look',
    origin,
    working,
  };
}

/** Lamps whose colours are to be mixed and that have none. */
const unmixed = ({ groups, lampsAt }: ResolvedBuild): Finding[] =>
  groups.flatMap(({ unit, mixture }, index): Finding[] =>
    mixture && mixture.mix !== 'sold' && !mixedLight(unit.channels, mixture)
      ? [
          {
            id: `colour.mix.${index}`,
            topic: 'colour',
            severity: 'look',
            title: 'It has no such colours to mix',
            message: `“${unit.name}” is not a lamp of ${mixture.mix === 'whites' ? 'two whites' : 'several colours'} by its label: it is worked out as it comes. Set its colours on the shelf, or choose “${MIX_WORDS.mixes.sold}”.`,
            limit: 'colours its label names',
            source: 'Common practice',
            where: { ...lampsAt, field: 'mix' },
          },
        ]
      : [],
  );

/** Colour rendering against the shot's use, and groups that clash with one another. */
export function colourFindings(resolved: ResolvedBuild, shot: Shot): Finding[] {
  const gate = CRI_GATE[shot.use];
  const poor = resolved.groups.flatMap((group, index) => {
    const uv = uvMixed(group);
    const ra = raAsMixed(group);
    // A saturated colour is there for its colour.
    return ra < gate && !(uv && isColoured(uv)) ? [{ unit: group.unit, ra, index }] : [];
  });
  const kelvins = resolved.groups.filter((group) => group.level > 0).map(cctAtLevel);
  const spread = kelvins.length ? mired(Math.min(...kelvins)) - mired(Math.max(...kelvins)) : 0;
  const clash = clashOf(spread);
  return [
    ...unmixed(resolved),
    ...poor.map(({ unit, ra, index }): Finding => ({
      id: `colour.cri.${index}`,
      topic: 'colour',
      severity: 'look',
      title: 'Colours may look dull',
      message: `“${unit.name}” renders with Ra ${Math.round(ra)}${criNote(unit)}; ${USE_NAMES[shot.use]} wants ${gate} or more. Skin and costume lose red: film a test beside daylight.`,
      limit: `Ra ${gate} for ${USE_NAMES[shot.use]}`,
      source: 'Common practice',
      where: resolved.lampsAt,
    })),
    ...(clash === 'visible' || clash === 'obvious'
      ? [
          {
            id: 'colour.groups',
            topic: 'colour' as const,
            severity: 'look' as const,
            title: 'Two whites in one light',
            message: `The groups lie ${Math.round(spread)} mired apart, which is ${clash}: catchlights and shadow edges show both colours.`,
            limit: '25 mired',
            source: 'Common practice',
            where: resolved.lampsAt,
          },
        ]
      : []),
  ];
}

function criNote(unit: EffectiveUnit): string {
  if (!unit.criKnown) return ' (assumed, the label is silent)';
  return unit.criRa.origin === 'typical' ? ' (typical of its class)' : '';
}

type FlickerCase = 'steady' | 'clean' | 'faint' | 'beats' | 'unknown';

function flickerCase(resolved: ResolvedBuild, clean: boolean): FlickerCase {
  const uneasy = resolved.groups
    .map(({ unit }) => unit)
    .filter(({ flicker }) => flicker !== 'steady');
  if (uneasy.length === 0) return 'steady';
  if (clean) return 'clean';
  // A glowing filament stores heat over the mains' zero crossings: its ripple is small.
  if (uneasy.every(({ filament }) => filament)) return 'faint';
  return uneasy.some(({ flicker }) => flicker === 'mains') ? 'beats' : 'unknown';
}

const FLICKER_WORDS: Record<FlickerCase, string> = {
  steady: 'steady lamps, any shutter',
  clean: 'this shutter is clean',
  faint: 'small filament ripple',
  beats: 'may pulse or band',
  unknown: 'depends on the lamps: film a test',
};

export function flickerRung(
  light: LightResult,
  resolved: ResolvedBuild,
  shot: Shot,
  circuit: Circuit,
): Readout {
  const [id, label, dimension] = ['flicker', 'Flicker', 'time'] as const;
  const flickerHz = mainsFlickerHz(circuit.frequencyHz);
  const periods = light.exposureTimeS * flickerHz;
  const working = {
    formula: 'clean when t · 2 · f_mains is a whole number',
    substituted: `${threeFigures(light.exposureTimeS)} s · ${flickerHz} Hz = ${threeFigures(periods)} periods`,
    inputs: [
      {
        symbol: 't',
        name: 'exposure time',
        value: light.exposureTimeS,
        dimension,
        origin: 'yours' as const,
      },
      {
        symbol: 'f',
        name: `mains on ${circuit.name}`,
        value: circuit.frequencyHz,
        dimension: 'frequency' as const,
        origin: 'yours' as const,
      },
    ],
    source: 'Light on mains ripples at twice its frequency; common practice',
    leavesOut:
      'Dimmers and drivers that flicker at frequencies of their own, and bands of rolling shutters.',
  };
  if (resolved.groups.length === 0)
    return unknownReadout(id, label, dimension, 'choose a lamp first', working);
  const found = flickerCase(resolved, isCleanExposure(light.exposureTimeS, flickerHz));
  const clean = nearestCleanShutter(shot.shutterAngleDeg, shot.frameRateHz, flickerHz);
  const advice = clean ? `; clean at ${clean.shutterAngleDeg.toFixed(1)}°` : '';
  const fine = found !== 'beats' && found !== 'unknown';
  return {
    id,
    label,
    value: light.exposureTimeS,
    dimension,
    words: FLICKER_WORDS[found] + (found === 'steady' || found === 'clean' ? '' : advice),
    state: fine ? 'ok' : found === 'beats' ? 'look' : 'unknown',
    origin: 'computed',
    working,
  };
}

/** Points at a shutter that is clean, when the chosen one is not. */
export function flickerFindings(rung: Readout, resolved: ResolvedBuild): Finding[] {
  if (rung.state === 'ok' || resolved.groups.length === 0) return [];
  const unknown = rung.state === 'unknown';
  return [
    {
      id: 'flicker.shutter',
      topic: 'flicker',
      severity: unknown ? 'unknown' : 'look',
      title: unknown ? 'Do these lamps flicker?' : 'The shutter beats with the mains',
      message: `${rung.working.substituted}: ${rung.words}. ${unknown ? 'Film one lamp at the shot’s shutter and look for pulsing.' : 'Change the shutter angle, or choose lamps with a steady driver.'}`,
      limit: 'a whole number of periods in an exposure',
      source: rung.working.source,
      where: { field: 'shot.shutterAngleDeg', drawing: 'seat-0' },
    },
  ];
}
