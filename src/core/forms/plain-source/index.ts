import { effectiveUnit } from '../../units/effectiveUnit';
import type { EffectiveUnit } from '../../units/effective';
import type { Spread } from '../../units/spread';
import type { Drawing } from '../drawing';
import type { FormContext, FormDefinition } from '../form';
import { fact, resolved } from '../kit/build';
import { look, notChosen, unitOf } from '../kit/choices';
import { bulbLamps, bulbNeeds, unitLamps, type Lamps } from '../kit/lamps';
import { apparentVa, fromUnit, wiringSlots } from '../kit/needs';
import {
  bulbGroups,
  choice,
  defineParameters,
  length,
  quantity,
  share,
  unit,
} from '../kit/parameters';
import { box, circle, knob, measure, view } from '../kit/shapes';
import { meterIt, step } from '../kit/steps';
import { tubePoints, tubeSpread } from '../kit/tubes';
import { wiringView } from '../kit/wiringView';
import type { ResolvedBuild } from '../resolved';

const parameters = defineParameters({
  source: choice('What it is', 'Source', [
    ['bulb', 'a bulb or table lamp'],
    ['panel', 'a panel'],
    ['work-light', 'a work light'],
    ['tube', 'a tube or bar'],
    ['window', 'a window'],
  ]),
  groups: bulbGroups('Bulb', 'Source'),
  panelId: unit('Panel', 'Source', 'panel', { when: { parameter: 'source', is: 'panel' } }),
  workLightId: unit('Work light', 'Source', 'work-light', {
    when: { parameter: 'source', is: 'work-light' },
  }),
  tubeId: unit('Tube or bar', 'Source', 'tube', { when: { parameter: 'source', is: 'tube' } }),
  windowW: length('Window width', 'Window', { start: 1, min: 0.1, max: 10 }),
  windowH: length('Window height', 'Window', { start: 1.2, min: 0.1, max: 10 }),
  windowCdM2: quantity('count', '', 10, 'Brightness, cd/m²', 'Window', {
    start: 200,
    min: 1,
    max: 50_000,
    help: 'overcast dusk about 200, overcast day about 2000',
  }),
  windowK: quantity('colourTemperature', 'K', 100, 'Colour', 'Window', {
    start: 6500,
    min: 2000,
    max: 20_000,
  }),
  level: share('Level', 'Source', { start: 1, min: 0, max: 1 }),
});
type Plain = ReturnType<typeof parameters.defaults>;

/** Daylight through glass as a lamp with no cord: Φ = π·L·A of a Lambertian opening. */
function windowUnit({ windowW, windowH, windowCdM2, windowK }: Plain): EffectiveUnit {
  const typical = (value: number) => ({ value, origin: 'user' as const });
  return {
    id: 'window',
    name: 'Window',
    wattsW: typical(0),
    luminousFluxLm: typical(Math.PI * windowCdM2 * windowW * windowH),
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
  };
}

interface Source {
  lamps: Lamps;
  widthM: number;
  heightM: number;
  depthM: number;
  massKg: number;
}

const facing = { positionM: [0, 0, 0] as const, axis: [0, 0, 1] as const };

function sourceOf(plain: Plain, context: FormContext): Source {
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
        widthM: plain.windowW,
        heightM: plain.windowH,
        depthM: 0.01,
        massKg: 0,
      };
    }
  }
}

function resolve(plain: Plain, context: FormContext): ResolvedBuild {
  const { lamps, widthM, heightM, depthM, massKg } = sourceOf(plain, context);
  const unitNow = lamps.groups[0]?.unit ?? null;
  const isWindow = plain.source === 'window';
  const chosen = lamps.groups.length > 0;
  return resolved(
    {
      ...lamps,
      // An opening as large as a window is summed from patches, not taken for a point.
      mouth: isWindow
        ? {
            shape: 'rectangle',
            widthM,
            heightM,
            heightOverBackM: 0,
            layers: [],
            cavity: null,
            directShare: 1,
          }
        : null,
      lampsAt: { drawing: 'seat-0', field: isWindow ? 'windowCdM2' : 'source' },
      wiring: {
        ...wiringSlots({ cordPartId: null, plugPartId: null, dimmerPartId: null, tailLengthM: 0 }),
        loads:
          unitNow && !isWindow
            ? [
                {
                  ref: 'seat-0',
                  apparentVa: apparentVa(unitNow.wattsW.value, unitNow.powerFactor.value),
                  cordM: 1.5,
                },
              ]
            : [],
      },
      pieces: [],
      needs:
        plain.source === 'bulb'
          ? bulbNeeds(plain.groups.slice(0, 1), [{ group: 0 }], context)
          : fromUnit(
              {
                panel: plain.panelId,
                'work-light': plain.workLightId,
                tube: plain.tubeId,
                window: null,
              }[plain.source],
              1,
              'piece',
              'as it is',
            ),
      steps: [
        step(
          'Look at it where it stands',
          'A plain source is used as found',
          'eyes',
          5,
          'it lights, its cord is whole, nothing hot near cloth',
          isWindow
            ? 'Never climb out to cover a window: work from inside.'
            : 'A lamp that has fallen once may have live metal: do not use it.',
        ),
        step(
          'Place it',
          'Height and distance make its shadow',
          'stand, tape',
          10,
          'the cord is taped down',
        ),
        step(
          'Match it or switch it off',
          'Two whites in one picture show',
          'gel, dimmer',
          10,
          'its colour is known beside the key',
        ),
        meterIt(),
      ],
      facts: [
        fact('width', 'Width', widthM, 'of the source'),
        fact('height', 'Height', heightM, 'of the source'),
        fact(
          'flux',
          'Lumens',
          lamps.emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0),
          isWindow ? 'π · L · A' : 'of the lamp at its level',
          'luminousFlux',
        ),
        fact('area', 'Face', widthM * heightM, 'width × height', 'area'),
      ],
      findings: [
        ...notChosen('plain', [['lamp', chosen, 'source', 'seat-0', 'Choose what stands there.']]),
        ...(isWindow
          ? [
              look(
                'plain.daylight',
                'A window changes by the minute',
                'Clouds move it by two stops and dusk by five: meter it just before the take, and again after.',
                { field: 'windowCdM2', drawing: 'seat-0' },
              ),
            ]
          : []),
      ],
      apparent: { widthM, heightM },
      array: { spacingM: Infinity, emitterWidthM: widthM },
      frontM: isWindow ? 0 : depthM / 2,
      folded: { widthM, heightM, depthM },
    },
    massKg,
    context,
  );
}

function draw(plain: Plain, context: FormContext): Drawing {
  const { widthM: w, heightM: h, depthM } = sourceOf(plain, context);
  const size = Math.max(w, h);
  const shape =
    plain.source === 'bulb'
      ? circle(0, 0, w / 2, 'glass', 'seat-0')
      : box(0, 0, w, h, 'glass', 'seat-0');
  const isWindow = plain.source === 'window';
  return {
    views: [
      view(
        'front',
        'Front, as the subject sees it',
        [shape, ...(isWindow ? [box(0, 0, w * 1.06, h * 1.06, 'part')] : [])].reverse(),
        [
          measure([-w / 2, -h / 2], [w / 2, -h / 2], -0.12 * size, 'Width'),
          measure([w / 2, -h / 2], [w / 2, h / 2], -0.12 * size, 'Height'),
        ],
        isWindow
          ? [
              knob('windowW', 'Window width', [w / 2, 0], [1, 0], 2),
              knob('windowH', 'Window height', [0, h / 2], [0, 1], 2),
            ]
          : [knob('level', 'Level', [0, h / 2], [0, 1], 1 / size)],
      ),
      view(
        'section',
        'From the side, light to the right',
        [
          box(
            -depthM / 2,
            0,
            Math.max(depthM, size * 0.02),
            h,
            plain.source === 'bulb' ? 'glass' : 'part',
            'seat-0',
          ),
        ],
        [measure([-depthM, -h / 2], [0, -h / 2], -0.12 * size, 'Depth')],
      ),
      wiringView(
        { outline: [box(0, 0, size, size, 'hidden')], terminals: [[0, 0]], terminalM: size * 0.12 },
        context,
      ),
    ],
  };
}

export const plainSource: FormDefinition<Plain> = {
  id: 'plain-source',
  name: 'Plain source',
  summary: 'A bare lamp, window or panel placed as it is.',
  gallery: {
    goodFor: ['dressing', 'edge', 'face'],
    skill: 1,
    reach: 'What is there already, to be matched or compared.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  problems: () => [],
  limits: () => ({}),
  resolve,
  draw,
};
