import { effectiveUnit } from '../../units/effectiveUnit';
import type { EffectiveUnit } from '../../units/effective';
import type { Spread } from '../../units/spread';
import type { FormContext } from '../form';
import { unitOf } from '../kit/lookup';
import { bulbLamps, unitLamps, type Lamps } from '../kit/lamps';
import { tubePoints, tubeSpread } from '../kit/tubes';
import { type Plain } from './parameters';

/** Daylight through glass as a lamp with no cord: Φ = π·L·A of a Lambertian opening. */
function windowUnit({ windowWidthM, windowHeightM, windowCdM2, windowK }: Plain): EffectiveUnit {
  const typical = (value: number) => ({ value, origin: 'user' as const });
  return {
    id: 'window',
    name: 'Window',
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
    criKnown: true,
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

export function sourceOf(plain: Plain, context: FormContext): Source {
  switch (plain.source) {
    case 'bulb': {
      const bulb = context.bulb(plain.groups[0]!.bulbId);
      const across = bulb?.globeDiameterM ?? 0.06;
      const groups = [{ ...plain.groups[0]!, level: plain.groups[0]!.level * plain.level }];
      return {
        lamps: bulbLamps(groups, [{ ...facing, group: 0 }], context),
        widthM: across,
        heightM: across,
        depthM: bulb?.lengthM ?? 0.1,
        massKg: bulb?.massKg ?? 0.05,
      };
    }
    case 'panel':
    case 'work-light': {
      const found =
        plain.source === 'panel'
          ? unitOf(context, plain.panelId, 'panel')
          : unitOf(context, plain.workLightId, 'work-light');
      return {
        lamps: unitLamps(
          found && effectiveUnit(found),
          found,
          found ? 1 : 0,
          plain.level,
          found?.spread ?? { class: 'lambert' },
          [facing],
        ),
        widthM: found?.faceWidthM ?? 0.2,
        heightM: found?.faceHeightM ?? 0.15,
        depthM: found?.depthM ?? 0.05,
        massKg: found?.massKg ?? 0.5,
      };
    }
    case 'tube': {
      const tube = unitOf(context, plain.tubeId, 'tube');
      const long = tube?.lengthM ?? 1.2;
      const spread: Spread = tubeSpread(tube);
      return {
        lamps: unitLamps(
          tube && effectiveUnit(tube),
          tube,
          tube ? 1 : 0,
          plain.level,
          spread,
          tubePoints([0, -long / 2, 0], [0, long / 2, 0], spread, [0, 0, 1]),
        ),
        widthM: tube?.diameterM ?? 0.026,
        heightM: long,
        depthM: 0.03,
        massKg: tube?.massKg ?? 0.2,
      };
    }
    case 'window': {
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
              emitters: [0],
              labelFindings: [],
            },
          ],
        },
        widthM: plain.windowWidthM,
        heightM: plain.windowHeightM,
        depthM: 0.01,
        massKg: 0,
      };
    }
  }
}
