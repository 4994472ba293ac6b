import type { Emission } from '../colour/emission';
import { SOME_SUPPLY, SUPPLY_EFFICIENCY } from '../electrics/supply';
import type { Protection } from '../electrics/protection';
import { sourced, type Sourced } from '../origin';
import { classOf, isFilament } from './classes';
import { channelsOf, type Channels } from './channels';
import { lumensOfEquivalent } from './equivalence';
import type { MeasuredSpectrum } from './spectrum';
import type { Unit, UnitOf } from './unit';

/** A light-giving part with every gap filled by a typical figure, each figure with its origin. */
export interface EffectiveUnit {
  id: string;
  name: string;
  category: Unit['category'];
  wattsW: Sourced;
  luminousFluxLm: Sourced;
  cctK: Sourced;
  criRa: Sourced;
  powerFactor: Sourced;
  /** share of the watts that ends as heat near the lamp */
  heatShare: number;
  /** a glowing wire: it reddens when dimmed and burns what it touches */
  filament: boolean;
  /** least distance to what burns [common practice, docs/model/power.md]; null for cool lamps */
  keepAwayM: KeepAway | null;
  /** electronics that charge at switch-on */
  hasDriver: boolean;
  dimmable: Unit['dimmable'];
  flicker: Unit['flicker'];
  /** mains voltage it is made for; null behind a supply */
  supplyV: number | null;
  /** the highest of a range it is made for; null for one voltage alone */
  supplyToV: number | null;
  /** of a body that can be touched; null for bulbs in holders and tape behind a supply */
  body: { protection: Protection; weather: 'dry' | 'IP44' | 'IP65' } | null;
  /** ends of a tube the mains goes to; null for what is no bare tube */
  fedAt: 'ballast' | 'one' | 'both' | 'unknown' | null;
  /** what makes its light, and its metered spectrum where there is one */
  emission: Emission;
  spectrum: MeasuredSpectrum | null;
  /** false when the label says nothing of colour rendering */
  criKnown: boolean;
  /** colours that can be mixed; null for a lamp of one */
  channels: Channels | null;
}

/** To cloth and film, to anything that burns beside the lamp, and in its beam; metres from its surface. */
interface KeepAway {
  cloth: number;
  other: number;
  beam: number;
}

/** Household filament lamp, all round. */
export const HOUSEHOLD_FILAMENT: KeepAway = { cloth: 0.15, other: 0.15, beam: 0.15 };
/** A household lamp that throws a beam, and a halogen work light. */
const SPOT: KeepAway = { cloth: 0.5, other: 0.15, beam: 0.5 };
const HALOGEN_WORK_LIGHT: KeepAway = { cloth: 0.5, other: 0.5, beam: 1 };
/** Watts these distances are meant for; stronger lamps want as much more as keeps the same W/m². */
const MEANT_FOR_W = { household: 100, spot: 75, work: 500 };

function keepAwayOf(unit: MainsUnit): KeepAway {
  const spot = unit.category === 'bulb' && unit.spread.class === 'reflector';
  const [meantW, { cloth, other, beam }] =
    unit.category !== 'bulb'
      ? [MEANT_FOR_W.work, HALOGEN_WORK_LIGHT]
      : spot
        ? [MEANT_FOR_W.spot, SPOT]
        : [MEANT_FOR_W.household, HOUSEHOLD_FILAMENT];
  const more = Math.max(1, Math.sqrt(unit.wattsW / meantW));
  return { cloth: cloth * more, other: other * more, beam: beam * more };
}

/** A unit that hangs on the mains by itself. */
type MainsUnit = Exclude<Unit, { category: 'strip' }>;

/** What a record says of a figure, or what is typical; a figure of unnamed origin is a guess too. */
const figure = (unit: Unit, field: string, said: number | null, typical: number): Sourced =>
  said === null ? sourced(typical, 'typical') : sourced(said, unit.origins[field] ?? 'typical');

/** @param wholeLm  lumens as it is sold, of one piece or a metre */
function shared(unit: Unit, wholeLm: number) {
  const typical = classOf(unit);
  const cctK = figure(unit, 'cctK', unit.cctK, typical.cctK);
  const criRa = figure(unit, 'criRa', unit.criRa, typical.criRa);
  return {
    id: unit.id as string,
    name: unit.name,
    category: unit.category,
    cctK,
    criRa,
    channels: channelsOf(unit, wholeLm, cctK.value, criRa.value),
    heatShare: typical.heatShare,
    // A shop panel dims by its own knob; on a mains dimmer it is a driver like any other.
    dimmable: unit.category === 'panel' ? ('no' as const) : unit.dimmable,
    flicker: unit.flicker,
    criKnown: unit.criRa !== null,
    emission: typical.emission,
    spectrum: unit.spectrum,
  };
}

/** Lumens where the label gives none: by the lamp it claims to replace, else by watts and class. */
function typicalLm(unit: MainsUnit): number {
  const claimed = unit.category === 'bulb' && unit.equivalentW;
  return (
    (claimed ? lumensOfEquivalent(claimed) : null) ?? unit.wattsW * classOf(unit).efficacyLmPerW
  );
}

/** Bars and wands come with their own cord or link. */
function fedAtOf(unit: MainsUnit): EffectiveUnit['fedAt'] {
  if (unit.category !== 'tube') return null;
  if (unit.needsBallast) return 'ballast';
  return unit.technology === 'led-tube' ? unit.fedAt : null;
}

/** One mains unit, its gaps filled. Never fails; the origin tells which figures are guesses. */
export function effectiveUnit(unit: MainsUnit): EffectiveUnit {
  const filament = isFilament(unit);
  const luminousFluxLm = figure(unit, 'luminousFluxLm', unit.luminousFluxLm, typicalLm(unit));
  return {
    ...shared(unit, luminousFluxLm.value),
    wattsW: figure(unit, 'wattsW', unit.wattsW, unit.wattsW),
    luminousFluxLm,
    powerFactor: figure(unit, 'powerFactor', unit.powerFactor, classOf(unit).powerFactor),
    filament,
    keepAwayM: filament ? keepAwayOf(unit) : null,
    hasDriver: !filament,
    supplyV: unit.supplyV,
    supplyToV: unit.supplyToV,
    body: unit.category === 'bulb' ? null : { protection: unit.protection, weather: unit.weather },
    fedAt: fedAtOf(unit),
  };
}

/** Out-and-back resistance of 10 mm tape with 1 oz copper, Ω/m; narrower tape has less copper [typ]. */
const LOOP_OHM_PER_M = 0.33;
const LOOP_WIDTH_M = 0.01;

/** Copper of a tape out and back, Ω/m; what is typical of its width where nobody metered it. */
export const tapeCopper = (strip: UnitOf<'strip'>): Sourced =>
  figure(
    strip,
    'loopOhmPerM',
    strip.loopOhmPerM,
    (LOOP_OHM_PER_M * LOOP_WIDTH_M) / strip.tapeWidthM,
  );

/** A bi-colour tape lights half its diodes at a time unless its driver allows both [docs/model/units.md]. */
const litShare = (strip: UnitOf<'strip'>): number => (strip.colour === 'bi-colour' ? 0.5 : 1);

/** Lumens of one metre of tape as it can be lit at once. */
export function tapeLumensPerM(strip: UnitOf<'strip'>): Sourced {
  const typical = strip.wattsPerM * classOf(strip).efficacyLmPerW;
  const said = figure(strip, 'lumensPerM', strip.lumensPerM, typical);
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
  const watts = figure(strip, 'wattsPerM', strip.wattsPerM, strip.wattsPerM);
  return {
    ...shared(strip, lumens.value),
    name: `${Number(lengthM.toFixed(2))} m of ${strip.name}`,
    wattsW: { ...watts, value: (tapeWattsPerM(strip) * lengthM) / SUPPLY_EFFICIENCY },
    luminousFluxLm: { ...lumens, value: lumens.value * lengthM },
    powerFactor: sourced(powerFactor, 'typical'),
    filament: false,
    keepAwayM: null,
    hasDriver: true,
    supplyV: null,
    supplyToV: null,
    body: null,
    fedAt: null,
  };
}

/** One piece; one metre of tape, behind its supply. */
export const oneOf = (unit: Unit): EffectiveUnit =>
  unit.category === 'strip' ? effectiveTape(unit, 1, SOME_SUPPLY) : effectiveUnit(unit);

/** What a unit is counted in: tape by its length. */
export const measureOf = ({ category }: Unit): 'm' | 'piece' =>
  category === 'strip' ? 'm' : 'piece';

/** Pieces in a pack; metres for tape. */
export const packSizeOf = (unit: Unit): number =>
  unit.packCount * (unit.category === 'strip' ? unit.reelLengthM : 1);

/** Luminous efficacy, lm/W. */
export const efficacyLmPerW = (unit: EffectiveUnit): number =>
  unit.luminousFluxLm.value / unit.wattsW.value;

/** Money for one piece (or metre) of a pack, in minor units; null for a price nobody has told. */
export const minorEach = (unit: Unit): number | null =>
  unit.priceMinor === null ? null : unit.priceMinor / packSizeOf(unit);

/** Money per thousand lumens, in minor units, at the price of one piece (or metre) of a pack. */
export const minorPerKilolumen = (unit: Unit): number | null => {
  const each = minorEach(unit);
  return each === null ? null : (each / oneOf(unit).luminousFluxLm.value) * 1000;
};
