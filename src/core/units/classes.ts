import type { Emission } from '../colour/emission';
import type { BulbKind, Unit, UnitOf } from './unit';

/** What is typical of a class where its label is silent [typ: docs/model/units.md, power.md]. */
interface ClassDefaults {
  /** lm/W of an ordinary specimen */
  efficacyLmPerW: number;
  /** lm/W that no specimen passes */
  efficacyBoundLmPerW: number;
  cctK: number;
  criRa: number;
  powerFactor: number;
  /** share of the watts that ends as heat near the lamp */
  heatShare: number;
  emission: Emission;
}

const phosphor: ClassDefaults = {
  efficacyLmPerW: 95,
  efficacyBoundLmPerW: 220,
  cctK: 4000,
  criRa: 80,
  powerFactor: 0.9,
  heatShare: 0.65,
  emission: 'phosphor-led',
};
const filament: ClassDefaults = {
  efficacyLmPerW: 17,
  efficacyBoundLmPerW: 25,
  cctK: 2900,
  criRa: 99,
  powerFactor: 1,
  heatShare: 0.92,
  emission: 'filament',
};

const bulb: ClassDefaults = { ...phosphor, efficacyLmPerW: 90, cctK: 3000, powerFactor: 0.6 };
const BULBS: Record<BulbKind, ClassDefaults> = {
  led: bulb,
  'led-filament': { ...bulb, efficacyLmPerW: 110, cctK: 2700 },
  corn: { ...bulb, efficacyLmPerW: 95 },
  cfl: {
    efficacyLmPerW: 58,
    efficacyBoundLmPerW: 75,
    cctK: 2700,
    criRa: 80,
    powerFactor: 0.55,
    heatShare: 0.75,
    emission: 'fluorescent',
  },
  halogen: filament,
  incandescent: {
    ...filament,
    efficacyLmPerW: 12,
    efficacyBoundLmPerW: 20,
    cctK: 2750,
    heatShare: 0.94,
  },
};
const TUBES: Record<UnitOf<'tube'>['technology'], ClassDefaults> = {
  fluorescent: {
    efficacyLmPerW: 85,
    efficacyBoundLmPerW: 105,
    cctK: 4000,
    criRa: 80,
    powerFactor: 0.95,
    heatShare: 0.75,
    emission: 'fluorescent',
  },
  'led-tube': phosphor,
  'led-bar': phosphor,
  wand: { ...phosphor, emission: 'colour-led' },
};
const WORK_LIGHTS: Record<UnitOf<'work-light'>['lamp'], ClassDefaults> = {
  led: { ...phosphor, cctK: 6000, criRa: 70 },
  halogen: { ...filament, heatShare: 0.95 },
};
const COLOUR_TAPE: ClassDefaults = {
  ...phosphor,
  efficacyLmPerW: 30,
  efficacyBoundLmPerW: 60,
  criRa: 50,
  emission: 'colour-led',
};

export const isWhite = ({ colour }: UnitOf<'strip'>): boolean =>
  colour === 'white' || colour === 'bi-colour';

export function classOf(unit: Unit): ClassDefaults {
  switch (unit.category) {
    case 'bulb':
      return BULBS[unit.kind];
    case 'strip':
      return isWhite(unit) ? phosphor : COLOUR_TAPE;
    case 'tube':
      return TUBES[unit.technology];
    case 'work-light':
      return WORK_LIGHTS[unit.lamp];
    case 'panel':
      return phosphor;
  }
}

/** A glowing wire: it reddens when dimmed and burns what it touches. */
export const isFilament = (unit: Unit): boolean => classOf(unit).emission === 'filament';
