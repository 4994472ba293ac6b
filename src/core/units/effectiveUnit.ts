import type { Emission } from '../colour/emission';
import { SUPPLY_EFFICIENCY } from '../electrics/supply';
import { sourced, type Origin, type Sourced } from '../origin';
import { HALOGEN_WORK_LIGHT, type EffectiveUnit } from './effective';
import type { Unit, UnitOf } from './unit';

/** What is typical of a class where its label is silent [typ: docs/model/units.md, power.md]. */
interface ClassDefaults {
  efficacyLmPerW: number;
  efficacyBoundLmPerW: number;
  cctK: number;
  criRa: number;
  powerFactor: number;
  heatShare: number;
}

const led: ClassDefaults = {
  efficacyLmPerW: 95,
  efficacyBoundLmPerW: 220,
  cctK: 4000,
  criRa: 80,
  powerFactor: 0.9,
  heatShare: 0.65,
};
const CLASSES = {
  'white-tape': led,
  'colour-tape': { ...led, efficacyLmPerW: 30, efficacyBoundLmPerW: 60, criRa: 50 },
  fluorescent: {
    efficacyLmPerW: 85,
    efficacyBoundLmPerW: 105,
    cctK: 4000,
    criRa: 80,
    powerFactor: 0.95,
    heatShare: 0.75,
  },
  led,
  'work-led': { ...led, cctK: 6000, criRa: 70 },
  halogen: {
    efficacyLmPerW: 17,
    efficacyBoundLmPerW: 25,
    cctK: 2900,
    criRa: 99,
    powerFactor: 1,
    heatShare: 0.95,
  },
} as const satisfies Record<string, ClassDefaults>;

/** A bi-colour tape lights half its diodes at a time unless its driver allows both [docs/model/units.md]. */
const litShare = (strip: UnitOf<'strip'>): number => (strip.colour === 'bi-colour' ? 0.5 : 1);

export function classOf(unit: Unit): ClassDefaults {
  switch (unit.category) {
    case 'strip':
      return CLASSES[isWhite(unit) ? 'white-tape' : 'colour-tape'];
    case 'tube':
      return CLASSES[unit.technology === 'fluorescent' ? 'fluorescent' : 'led'];
    case 'work-light':
      return CLASSES[unit.lamp === 'halogen' ? 'halogen' : 'work-led'];
    case 'panel':
      return CLASSES.led;
  }
}

export const isWhite = ({ colour }: UnitOf<'strip'>): boolean =>
  colour === 'white' || colour === 'bi-colour';

const originOf = (unit: Unit, field: keyof Unit['origins']): Origin =>
  unit.origins[field] ?? 'label';

function labelled(
  unit: Unit,
  field: keyof Unit['origins'],
  said: number | null,
  typical: number,
): Sourced {
  return said === null ? sourced(typical, 'typical') : sourced(said, originOf(unit, field));
}

function emissionOf(unit: Unit): Emission {
  if (unit.category === 'strip') return isWhite(unit) ? 'phosphor-led' : 'colour-led';
  if (unit.category === 'tube')
    return unit.technology === 'fluorescent'
      ? 'fluorescent'
      : unit.technology === 'wand'
        ? 'colour-led'
        : 'phosphor-led';
  return unit.category === 'work-light' && unit.lamp === 'halogen' ? 'filament' : 'phosphor-led';
}

function shared(unit: Unit) {
  const typical = classOf(unit);
  return {
    id: unit.id as string,
    name: unit.name,
    cctK: labelled(unit, 'cctK', unit.cctK, typical.cctK),
    criRa: labelled(unit, 'criRa', unit.criRa, typical.criRa),
    heatShare: typical.heatShare,
    dimmable: unit.dimmable,
    flicker: unit.flicker,
    criKnown: unit.criRa !== null,
    emission: emissionOf(unit),
    spectrum: unit.spectrum,
  };
}

/** One mains unit, its gaps filled. */
export function effectiveUnit(unit: Exclude<Unit, { category: 'strip' }>): EffectiveUnit {
  const typical = classOf(unit);
  const halogen = unit.category === 'work-light' && unit.lamp === 'halogen';
  return {
    ...shared(unit),
    wattsW: sourced(unit.wattsW, originOf(unit, 'wattsW')),
    luminousFluxLm: labelled(
      unit,
      'luminousFluxLm',
      unit.luminousFluxLm,
      unit.wattsW * typical.efficacyLmPerW,
    ),
    powerFactor: labelled(unit, 'powerFactor', unit.powerFactor, typical.powerFactor),
    filament: halogen,
    keepAwayM: halogen ? HALOGEN_WORK_LIGHT : null,
    hasDriver: !halogen,
    supplyV: unit.supplyV,
  };
}

/** Lumens of one metre of tape as it can be lit at once. */
export function tapeLumensPerM(strip: UnitOf<'strip'>): Sourced {
  const typical = strip.wattsPerM * classOf(strip).efficacyLmPerW;
  const said = labelled(strip, 'luminousFluxLm', strip.lumensPerM, typical);
  return { ...said, value: said.value * litShare(strip) };
}

/** Watts one metre of tape takes from its supply, lit as it can be. */
export const tapeWattsPerM = (strip: UnitOf<'strip'>): number => strip.wattsPerM * litShare(strip);

/**
 * A length of tape behind its supply as one unit on the mains.
 * @param lengthM installed length, ≥ 0
 * @param powerFactor of the supply
 */
export function effectiveTape(
  strip: UnitOf<'strip'>,
  lengthM: number,
  powerFactor: number,
): EffectiveUnit {
  const lumens = tapeLumensPerM(strip);
  return {
    ...shared(strip),
    name: `${Number(lengthM.toFixed(2))} m of ${strip.name}`,
    wattsW: sourced(
      (tapeWattsPerM(strip) * lengthM) / SUPPLY_EFFICIENCY,
      originOf(strip, 'wattsW'),
    ),
    luminousFluxLm: { ...lumens, value: lumens.value * lengthM },
    powerFactor: sourced(powerFactor, 'typical'),
    filament: false,
    keepAwayM: null,
    hasDriver: true,
    supplyV: null,
  };
}
