import type { Shot } from '@/core/location/shot';
import type { Dimension } from '@/core/quantity';

/** Measured fields of a shot, in the order a shooter thinks of them. */
interface ShotField {
  field: {
    [K in keyof Shot]: Shot[K] extends number ? K : never;
  }[keyof Shot];
  label: string;
  group: 'Place' | 'Camera' | 'Look';
  dimension: Dimension;
  assumedUnit: string;
  step: number;
  min: number;
  max: number;
  whole?: boolean;
  help?: string;
}

const place = (
  field: ShotField['field'],
  label: string,
  min: number,
  max: number,
  help?: string,
): ShotField => ({
  field,
  label,
  group: 'Place',
  dimension: 'length',
  assumedUnit: 'm',
  step: 0.05,
  min,
  max,
  help,
});
const bare = { dimension: 'count', assumedUnit: '' } as const;

export const SHOT_FIELDS: readonly ShotField[] = [
  place('distanceM', 'Light to subject', 0.1, 50),
  place('coverageWidthM', 'Lit width', 0.02, 30),
  place('coverageHeightM', 'Lit height', 0.02, 30),
  {
    field: 'isoSpeed',
    label: 'ISO',
    group: 'Camera',
    ...bare,
    step: 100,
    min: 25,
    max: 409_600,
    whole: true,
  },
  {
    field: 'fNumber',
    label: 'f-number',
    group: 'Camera',
    dimension: 'fNumber',
    assumedUnit: '',
    step: 0.1,
    min: 0.7,
    max: 64,
  },
  {
    field: 'frameRateHz',
    label: 'Frames per second',
    group: 'Camera',
    ...bare,
    step: 1,
    min: 1,
    max: 1000,
  },
  {
    field: 'shutterAngleDeg',
    label: 'Shutter angle, °',
    group: 'Camera',
    ...bare,
    step: 1,
    min: 1,
    max: 360,
  },
  {
    field: 'calibrationLxS',
    label: 'Meter constant, lx·s',
    group: 'Camera',
    ...bare,
    step: 10,
    min: 200,
    max: 600,
    help: '250 for a flat receptor',
  },
  {
    field: 'offsetStops',
    label: 'Brighter or darker',
    group: 'Look',
    dimension: 'stops',
    assumedUnit: 'stops',
    step: 0.5,
    min: -10,
    max: 10,
    help: 'against a metered mid-grey',
  },
  {
    field: 'softnessDeg',
    label: 'Softness wanted, °',
    group: 'Look',
    ...bare,
    step: 1,
    min: 0,
    max: 180,
    help: 'angle the light fills; a 90 cm dome at 1.2 m fills 41°',
  },
  {
    field: 'evennessStops',
    label: 'Evenness allowed, ± stops',
    group: 'Look',
    ...bare,
    step: 0.05,
    min: 0.05,
    max: 5,
  },
  {
    field: 'cctK',
    label: 'Colour',
    group: 'Look',
    dimension: 'colourTemperature',
    assumedUnit: 'K',
    step: 100,
    min: 1500,
    max: 15_000,
    whole: true,
  },
];

export const GROUPS = ['Place', 'Camera', 'Look'] as const;
