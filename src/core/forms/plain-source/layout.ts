import { type EffectiveUnit, effectiveUnit } from '../../units/effective';
import type { Spread } from '../../units/spread';
import type { FormContext } from '../form';
import { bulbOf, unitOf } from '../kit/lookup';
import { bulbLamps, unitLamps, type Lamps } from '../kit/lamps';
import { tubePoints, tubeSpread } from '../kit/tubes';
import { type Plain } from './parameters';
import { GLOBE_LONG_M, GLOBE_M, TUBE_ACROSS_M, TUBE_KG, TUBE_LONG_M } from '../kit/typical';

/** Of an unlabelled globe, and of a small work light or panel [typ; from memory]. */
const GLOBE_KG = 0.05;
const FACE_WIDTH_M = 0.2;
const FACE_HEIGHT_M = 0.15;
const FACE_DEPTH_M = 0.05;
const FACE_KG = 0.5;
/** The holder a tube lies in; the pane a window is. */
const BATTEN_M = 0.03;
const GLASS_M = 0.01;

/** Daylight through glass as a lamp with no cord: Φ = π·L·A of a Lambertian opening. */
function windowUnit({ windowWidthM, windowHeightM, windowCdM2, windowK }: Plain): EffectiveUnit {
  const typical = (value: number) => ({ value, origin: 'yours' as const });
  return {
    id: 'window',
    name: 'Window',
    category: 'panel',
    wattsW: typical(0),
    luminousFluxLm: typical(Math.PI * windowCdM2 * windowWidthM * windowHeightM),
    cctK: typical(windowK),
    criRa: typical(100),
    powerFactor: typical(1),
    heatShare: 0,
    filament: false,
    keepAwayM: null,
    hasDriver: false,
    dimmable: 'no',
    flicker: 'steady',
    supplyV: null,
    supplyToV: null,
    body: null,
    fedAt: null,
    criKnown: true,
    channels: null,
    emission: 'daylight',
    spectrum: null,
  };
}

export interface Source {
  lamps: Lamps;
  widthM: number;
  heightM: number;
  depthM: number;
  massKg: number;
}

export const facing = { positionM: [0, 0, 0] as const, axis: [0, 0, 1] as const };

function bulbSource(plain: Plain, context: FormContext): Source {
  const bulb = bulbOf(context, plain.groups[0]!.bulbId);
  const across = bulb?.globeDiameterM ?? GLOBE_M;
  const groups = [{ ...plain.groups[0]!, level: plain.groups[0]!.level * plain.level }];
  return {
    lamps: bulbLamps(groups, [{ ...facing, group: 0 }], context),
    widthM: across,
    heightM: across,
    depthM: bulb?.lengthM ?? GLOBE_LONG_M,
    massKg: bulb?.massKg ?? GLOBE_KG,
  };
}

/** A shop-bought panel or a work light, its face forwards. */
function faceSource(plain: Plain, context: FormContext): Source {
  const found =
    plain.source === 'panel'
      ? unitOf(context, plain.panelId, 'panel')
      : unitOf(context, plain.workLightId, 'work-light');
  return {
    lamps: unitLamps(
      found && effectiveUnit(found),
      found,
      found ? 1 : 0,
      plain,
      found?.spread ?? { class: 'lambert' },
      [facing],
    ),
    widthM: found?.faceWidthM ?? FACE_WIDTH_M,
    heightM: found?.faceHeightM ?? FACE_HEIGHT_M,
    depthM: found?.depthM ?? FACE_DEPTH_M,
    massKg: found?.massKg ?? FACE_KG,
  };
}

function tubeSource(plain: Plain, context: FormContext): Source {
  const tube = unitOf(context, plain.tubeId, 'tube');
  const long = tube?.lengthM ?? TUBE_LONG_M;
  const spread: Spread = tubeSpread(tube);
  return {
    lamps: unitLamps(
      tube && effectiveUnit(tube),
      tube,
      tube ? 1 : 0,
      plain,
      spread,
      tubePoints([0, -long / 2, 0], [0, long / 2, 0], spread, [0, 0, 1]),
    ),
    widthM: tube?.diameterM ?? TUBE_ACROSS_M,
    heightM: long,
    depthM: BATTEN_M,
    massKg: tube?.massKg ?? TUBE_KG,
  };
}

function windowSource(plain: Plain): Source {
  const unitNow = windowUnit(plain);
  const emitters = [
    {
      ...facing,
      luminousFluxLm: unitNow.luminousFluxLm.value * plain.level,
      spread: { class: 'lambert' } as const,
    },
  ];
  return {
    lamps: {
      emitters,
      groups: [
        {
          name: 'Window',
          unit: unitNow,
          count: 1,
          level: plain.level,
          mixture: null,
          emitters: [0],
          bodyRadiusM: 0,
          labelFindings: [],
        },
      ],
    },
    widthM: plain.windowWidthM,
    heightM: plain.windowHeightM,
    depthM: GLASS_M,
    massKg: 0,
  };
}

export function sourceOf(plain: Plain, context: FormContext): Source {
  switch (plain.source) {
    case 'bulb':
      return bulbSource(plain, context);
    case 'panel':
    case 'work-light':
      return faceSource(plain, context);
    case 'tube':
      return tubeSource(plain, context);
    case 'window':
      return windowSource(plain);
  }
}
