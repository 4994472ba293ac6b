import type { Emission } from '../colour/emission';
import { sourced, type Origin, type Sourced } from '../origin';
import type { Bulb, BulbKind, SourcedField } from './bulb';
import { lumensOfEquivalent } from './equivalence';
import type { MeasuredSpectrum } from './spectrum';

/** What is typical where a label is silent [typ: docs/model/units.md, power.md]. */
interface KindDefaults {
  /** lm/W of an ordinary specimen */
  efficacyLmPerW: number;
  /** lm/W that no specimen passes */
  efficacyBoundLmPerW: number;
  cctK: number;
  criRa: number;
  powerFactor: number;
  /** share of the watts that ends as heat near the lamp */
  heatShare: number;
}

const led: KindDefaults = {
  efficacyLmPerW: 90,
  efficacyBoundLmPerW: 220,
  cctK: 3000,
  criRa: 80,
  powerFactor: 0.6,
  heatShare: 0.65,
};

export const KIND_DEFAULTS: Record<BulbKind, KindDefaults> = {
  led,
  'led-filament': { ...led, efficacyLmPerW: 110, cctK: 2700 },
  corn: { ...led, efficacyLmPerW: 95 },
  cfl: {
    efficacyLmPerW: 58,
    efficacyBoundLmPerW: 75,
    cctK: 2700,
    criRa: 80,
    powerFactor: 0.55,
    heatShare: 0.75,
  },
  halogen: {
    efficacyLmPerW: 17,
    efficacyBoundLmPerW: 25,
    cctK: 2900,
    criRa: 99,
    powerFactor: 1,
    heatShare: 0.92,
  },
  incandescent: {
    efficacyLmPerW: 12,
    efficacyBoundLmPerW: 20,
    cctK: 2750,
    criRa: 99,
    powerFactor: 1,
    heatShare: 0.94,
  },
};

export const isFilament = (kind: BulbKind): boolean =>
  kind === 'incandescent' || kind === 'halogen';

/** A light-giving part with every gap filled by a typical figure, each figure with its origin. */
export interface EffectiveUnit {
  id: string;
  name: string;
  wattsW: Sourced;
  luminousFluxLm: Sourced;
  cctK: Sourced;
  criRa: Sourced;
  powerFactor: Sourced;
  /** share of the watts that ends as heat near the lamp */
  heatShare: number;
  /** a glowing wire: it reddens when dimmed and burns what it touches */
  filament: boolean;
  /** least distance to things that burn [common practice, docs/model/power.md]; null for cool lamps */
  keepAwayM: { cloth: number; other: number } | null;
  /** electronics that charge at switch-on */
  hasDriver: boolean;
  dimmable: Bulb['dimmable'];
  flicker: Bulb['flicker'];
  /** mains voltage it is made for; null behind a supply */
  supplyV: number | null;
  /** what makes its light, and its metered spectrum where there is one */
  emission: Emission;
  spectrum: MeasuredSpectrum | null;
  /** false when the label says nothing of colour rendering */
  criKnown: boolean;
}

/** Household filament lamp to anything that burns; halogen work light to cloth and in its beam. */
export const HOUSEHOLD_FILAMENT = { cloth: 0.15, other: 0.15 };
export const HALOGEN_WORK_LIGHT = { cloth: 0.5, other: 1 };

export interface EffectiveBulb extends EffectiveUnit {
  bulb: Bulb;
}

function labelled(bulb: Bulb, field: SourcedField, typical: number): Sourced {
  const value = bulb[field];
  return value === null ? sourced(typical, 'typical') : sourced(value, originOf(bulb, field));
}

const originOf = (bulb: Bulb, field: SourcedField): Origin => bulb.origins[field] ?? 'label';

/** Fills in what the label hides. Never fails; the origin tells which figures are guesses. */
export function effectiveBulb(bulb: Bulb): EffectiveBulb {
  const typical = KIND_DEFAULTS[bulb.kind];
  const fromClaim = bulb.equivalentW === null ? null : lumensOfEquivalent(bulb.equivalentW);
  return {
    bulb,
    id: bulb.id,
    name: bulb.name,
    filament: isFilament(bulb.kind),
    emission: isFilament(bulb.kind)
      ? 'filament'
      : bulb.kind === 'cfl'
        ? 'fluorescent'
        : 'phosphor-led',
    spectrum: bulb.spectrum,
    keepAwayM: isFilament(bulb.kind) ? HOUSEHOLD_FILAMENT : null,
    hasDriver: !isFilament(bulb.kind),
    dimmable: bulb.dimmable,
    flicker: bulb.flicker,
    supplyV: bulb.supplyV,
    criKnown: bulb.criRa !== null,
    wattsW: sourced(bulb.wattsW, originOf(bulb, 'wattsW')),
    luminousFluxLm: labelled(
      bulb,
      'luminousFluxLm',
      fromClaim ?? bulb.wattsW * typical.efficacyLmPerW,
    ),
    cctK: labelled(bulb, 'cctK', typical.cctK),
    criRa: labelled(bulb, 'criRa', typical.criRa),
    powerFactor: labelled(bulb, 'powerFactor', typical.powerFactor),
    heatShare: typical.heatShare,
  };
}

/** Luminous efficacy of one bulb, lm/W. */
export const efficacyLmPerW = (unit: EffectiveUnit): number =>
  unit.luminousFluxLm.value / unit.wattsW.value;

/** Money per thousand lumens, in minor units, at the price of one piece of a pack. */
export const minorPerKilolumen = (unit: EffectiveBulb): number =>
  (unit.bulb.priceMinor / unit.bulb.packCount / unit.luminousFluxLm.value) * 1000;
