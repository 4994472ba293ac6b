import type { Emission } from '../colour/emission';
import type { EffectiveUnit } from '../units/effective';

/** What stands between mains and lamp, by how it makes less of it. */
export const DIMMERS = ['leading', 'trailing', 'pwm'] as const;
type DimmerKind = (typeof DIMMERS)[number];
export const DIMMER_NAMES: Record<DimmerKind, string> = {
  leading: 'leading edge (triac)',
  trailing: 'trailing edge',
  pwm: 'PWM, behind the supply',
};

/** Loads as a dimmer meets them. */
export const LOADS = [
  'filament',
  'dimmable-led',
  'plain-led',
  'unknown-led',
  'fluorescent',
  'tape',
] as const;
export type LoadKind = (typeof LOADS)[number];
export const LOAD_NAMES: Record<LoadKind, string> = {
  filament: 'incandescent, halogen',
  'dimmable-led': 'LED marked dimmable',
  'plain-led': 'LED not dimmable, shop panel or driver',
  'unknown-led': 'LED, label silent',
  fluorescent: 'fluorescent, ordinary ballast',
  tape: 'tape behind its supply',
};

export type Match = 'yes' | 'maybe' | 'no';

/** Dimmer type against load type [common practice, docs/model/power.md]. */
const TABLE: Record<LoadKind, Record<DimmerKind, readonly [Match, string]>> = {
  filament: {
    leading: ['yes', 'reddens as it dims'],
    trailing: ['yes', 'reddens as it dims; mind its rating'],
    pwm: ['no', 'only for low-voltage direct current'],
  },
  'dimmable-led': {
    leading: ['maybe', 'mind its least load; may strobe near the top'],
    trailing: ['yes', 'the usual match'],
    pwm: ['no', 'only for low-voltage direct current'],
  },
  'plain-led': {
    leading: ['no', 'strobes, hums, may overheat'],
    trailing: ['no', 'strobes, hums, may overheat'],
    pwm: ['no', 'only for low-voltage direct current'],
  },
  'unknown-led': {
    leading: ['no', 'not before the label says so'],
    trailing: ['no', 'not before the label says so'],
    pwm: ['no', 'only for low-voltage direct current'],
  },
  fluorescent: {
    leading: ['no', 'wants a dimming ballast'],
    trailing: ['no', 'wants a dimming ballast'],
    pwm: ['no', 'only for low-voltage direct current'],
  },
  tape: {
    leading: ['no', 'most supplies strobe or fail on it'],
    trailing: ['no', 'most supplies strobe or fail on it'],
    pwm: ['yes', 'its frequency matters to the camera: film a test'],
  },
};

export const matchOf = (load: LoadKind, dimmer: DimmerKind): readonly [Match, string] =>
  TABLE[load][dimmer];

/** The row of the table a unit belongs to. */
export function loadKindOf(
  unit: Pick<EffectiveUnit, 'filament' | 'dimmable' | 'supplyV'> & { emission: Emission },
): LoadKind {
  if (unit.filament) return 'filament';
  // Behind a supply of its own: tape.
  if (unit.supplyV === null) return 'tape';
  if (unit.emission === 'fluorescent' && unit.dimmable !== 'yes') return 'fluorescent';
  if (unit.dimmable === 'yes') return 'dimmable-led';
  return unit.dimmable === 'no' ? 'plain-led' : 'unknown-led';
}
