import { HARDWARE } from '@/core/materials/hardware';
import type { Part } from '@/core/materials/part';
import { CORDS } from '@/core/electrics/cord';
import { TAPE_LOADS, TAPE_LOAD_NAMES } from '@/core/electrics/tapeLoad';
import type { Dimension } from '@/core/quantity';
import { BASES } from '@/core/electrics/caps';
import { STRIP_COLOURS, type Unit } from '@/core/units/unit';

/** How one field of a shelf record is edited; the editor works from these alone. */
export type RecordField =
  | {
      kind: 'quantity';
      field: string;
      label: string;
      dimension: Dimension;
      assumedUnit: string;
      step: number;
      min: number;
      max: number;
      whole?: boolean;
      emptyText?: string;
    }
  | { kind: 'choice'; field: string; label: string; options: { value: string; label: string }[] }
  | { kind: 'flag'; field: string; label: string };

const measured =
  (dimension: Dimension, assumedUnit: string, step: number) =>
  (field: string, label: string, min: number, max: number, emptyText?: string): RecordField => ({
    kind: 'quantity',
    field,
    label,
    dimension,
    assumedUnit,
    step,
    min,
    max,
    emptyText,
  });
const length = measured('length', 'mm', 0.001);
const mass = measured('mass', 'g', 0.01);
const watts = measured('power', 'W', 1);
const volts = measured('voltage', 'V', 1);
const amps = measured('current', 'A', 1);
const number = measured('count', '', 0.01);
const share = measured('ratio', '%', 0.01);
const whole = (field: string, label: string, min: number, max: number, emptyText?: string) => ({
  ...measured('count', '', 1)(field, label, min, max, emptyText),
  whole: true,
});
const choice = (
  field: string,
  label: string,
  values: readonly (string | [string, string])[],
): RecordField => ({
  kind: 'choice',
  field,
  label,
  options: values.map((value) =>
    typeof value === 'string' ? { value, label: value } : { value: value[0], label: value[1] },
  ),
});
const flag = (field: string, label: string): RecordField => ({ kind: 'flag', field, label });

const silent = 'the label does not say';
const YES_NO: [string, string][] = [
  ['yes', 'yes'],
  ['no', 'no'],
  ['unknown', 'not known'],
];
const label = [
  {
    ...whole('cctK', 'Colour temperature, K', 1000, 20_000, silent),
    dimension: 'colourTemperature',
    assumedUnit: 'K',
    step: 100,
  } as RecordField,
  number('criRa', 'CRI Ra', 0, 100, silent),
  choice('dimmable', 'Dimmable', YES_NO),
  choice('flicker', 'Flicker', [
    ['steady', 'steady driver'],
    ['mains', 'follows the mains'],
    ['unknown', 'not known'],
  ]),
];
const stock = [
  whole('packCount', 'In a pack', 1, 1000),
  number('onHand', 'On hand', 0, 100_000),
  flag('onHandCounts', 'What is on hand'),
];
const mains = [
  watts('wattsW', 'Watts', 0.5, 5000),
  measured('luminousFlux', 'lm', 10)('luminousFluxLm', 'Lumens', 1, 1_000_000, silent),
  ...label,
  volts('supplyV', 'Supply', 5, 250),
  number('powerFactor', 'Power factor', 0.1, 1, silent),
  mass('massKg', 'Mass', 0.01, 50),
];

/** Fields of a unit by its category. */
export const UNIT_FIELDS: Record<Unit['category'], RecordField[]> = {
  strip: [
    volts('voltageV', 'Volts', 3, 60),
    watts('wattsPerM', 'Watts a metre', 0.5, 60),
    measured('luminousFlux', 'lm', 10)('lumensPerM', 'Lumens a metre', 1, 10_000, silent),
    ...label,
    whole('ledsPerM', 'LED a metre', 5, 1000),
    length('cutIncrementM', 'Cut marks apart', 0.005, 1),
    length('reelLengthM', 'Reel', 0.1, 100),
    length('tapeWidthM', 'Tape width', 0.003, 0.05),
    choice('colour', 'Colour', STRIP_COLOURS),
    choice(
      'load',
      'Its sections',
      TAPE_LOADS.map((load): [string, string] => [load, TAPE_LOAD_NAMES[load]]),
    ),
    number('loopOhmPerM', 'Copper out and back, Ω/m', 0.001, 20, 'typical of its width'),
    choice('coated', 'Coat', [
      ['false', 'bare'],
      ['true', 'coated, will not bend'],
    ]),
    number('massKgPerM', 'Mass a metre, kg', 0.005, 0.5),
    ...stock,
  ],
  tube: [
    ...mains,
    choice('technology', 'Kind', [
      ['fluorescent', 'fluorescent'],
      ['led-tube', 'LED tube'],
      ['led-bar', 'LED bar, flat cover'],
      ['wand', 'colour wand'],
    ]),
    length('lengthM', 'Length', 0.1, 3),
    length('diameterM', 'Across', 0.005, 0.1),
    choice('needsBallast', 'Ballast', [
      ['false', 'wants none'],
      ['true', 'needs one'],
    ]),
    whole('linkMost', 'Linked at most', 1, 50),
    measured('time', 's', 10)('warmUpS', 'Warm-up', 0, 600),
    ...stock,
  ],
  'work-light': [
    ...mains,
    choice('lamp', 'Lamp', [
      ['led', 'LED'],
      ['halogen', 'halogen'],
    ]),
    length('faceWidthM', 'Face width', 0.03, 1),
    length('faceHeightM', 'Face height', 0.03, 1),
    length('depthM', 'Depth', 0.01, 0.6),
    ...stock,
  ],
  panel: [
    ...mains,
    length('faceWidthM', 'Face width', 0.03, 2),
    length('faceHeightM', 'Face height', 0.03, 2),
    length('depthM', 'Depth', 0.005, 0.4),
    ...stock,
  ],
};

const partStock = [
  number('packSize', 'In a pack', 0.001, 10_000),
  number('onHand', 'On hand', 0, 100_000),
  flag('onHandCounts', 'What is on hand'),
];

/** Fields of a part by its role. */
export const PART_FIELDS: Record<Part['role'], RecordField[]> = {
  sheet: [
    length('widthM', 'Width', 0.05, 4),
    length('heightM', 'Height', 0.05, 4),
    length('thicknessM', 'Thickness', 0.0005, 0.06),
    number('densityKgPerM3', 'Density, kg/m³', 10, 9000),
    choice('burns', 'In heat it', [
      ['wood', 'chars'],
      ['foam', 'melts'],
      ['no', 'does neither: metal'],
    ]),
    choice('grain', 'Grain or flutes', [
      ['false', 'none, pieces may turn'],
      ['true', 'pieces keep their way'],
    ]),
    ...partStock,
  ],
  socket: [
    choice('base', 'Base', BASES),
    length('footprintDiameterM', 'Footprint Ø', 0.01, 0.3),
    length('heightM', 'Height', 0.005, 0.3),
    watts('ratedW', 'Rated', 1, 1000),
    volts('ratedV', 'Rated for', 12, 500),
    mass('massKg', 'Mass', 0.001, 2),
    ...partStock,
  ],
  cord: [
    choice(
      'cord',
      'Cord',
      Object.entries(CORDS).map(([id, { name }]) => [id, name]),
    ),
    number('massKgPerM', 'Mass a metre, kg', 0.005, 2),
    ...partStock,
  ],
  plug: [amps('ratedA', 'Rated', 1, 32), amps('fuseA', 'Fuse', 1, 32, 'none'), ...partStock],
  dimmer: [
    choice('edge', 'Edge', ['leading', 'trailing']),
    watts('minimumW', 'At least', 0, 500),
    watts('maximumW', 'At most', 10, 10_000),
    ...partStock,
  ],
  paint: [number('coverageM2PerL', 'Covers, m² a litre', 1, 40), ...partStock],
  cloth: [
    length('widthM', 'Bolt width', 0.2, 6),
    number('massKgPerM2', 'Mass, kg/m²', 0.01, 2),
    ...partStock,
  ],
  hardware: [
    choice(
      'kind',
      'Kind',
      Object.entries(HARDWARE).map(([id, { name }]) => [id, name]),
    ),
    ...partStock,
  ],
  stick: [
    length('stockLengthM', 'Stock length', 0.1, 12),
    choice('profile', 'Profile', ['round', 'square']),
    length('diameterM', 'Across', 0.003, 0.4),
    length('wallM', 'Wall, 0 for solid', 0, 0.05),
    number('massKgPerM', 'Mass a metre, kg', 0.01, 20),
    number('stiffnessGPa', 'Stiffness E, GPa', 0.5, 250),
    ...partStock,
  ],
  diffusion: [
    length('widthM', 'Roll width', 0.1, 6),
    share('transmittance', 'Lets through', 0.02, 1),
    share('backReflectance', 'Sends back', 0, 0.9),
    number('spreadDeg', 'Spread, °', 0, 180),
    number('shiftMired', 'Colour shift, mired', -100, 100),
    number('limitC', 'Softens or scorches at, °C', 40, 600),
    choice('origin', 'Figures come from', [
      ['typical', 'typical of the class'],
      ['label', 'the label'],
      ['metered', 'my meter'],
      ['user', 'my own reckoning'],
    ]),
    ...partStock,
  ],
  supply: [
    volts('voltageV', 'Gives', 3, 60),
    watts('ratedW', 'Rated', 1, 2000),
    number('powerFactor', 'Power factor', 0.3, 1),
    mass('massKg', 'Mass', 0.02, 10),
    ...partStock,
  ],
  ballast: [
    choice('kind', 'Kind', ['electronic', 'magnetic']),
    whole('tubes', 'Tubes', 1, 4),
    mass('massKg', 'Mass', 0.05, 5),
    ...partStock,
  ],
  'clamp-lamp': [
    choice('base', 'Base', BASES),
    watts('ratedW', 'Rated', 5, 1000),
    length('reflectorDiameterM', 'Reflector Ø', 0.05, 1),
    mass('massKg', 'Mass', 0.05, 5),
    ...partStock,
  ],
  softbox: [
    length('diameterM', 'Across', 0.2, 3),
    length('depthM', 'Depth', 0.1, 2),
    share('reflectance', 'Inside reflects', 0.2, 0.98),
    mass('massKg', 'Mass', 0.1, 10),
    ...partStock,
  ],
};
