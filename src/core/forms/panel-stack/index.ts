import { effectiveUnit } from '../../units/effectiveUnit';
import type { Drawing } from '../drawing';
import type { FormContext, FormDefinition } from '../form';
import { fact, resolved } from '../kit/build';
import {
  layerOf,
  layerParts,
  look,
  mm,
  notChosen,
  partOf,
  stopsFor,
  typicalLayers,
  unitOf,
} from '../kit/choices';
import { unitLamps } from '../kit/lamps';
import {
  apparentVa,
  cordMassKg,
  fromPart,
  fromUnit,
  hardware,
  mainsNeeds,
  mainsOpen,
  wiringSlots,
} from '../kit/needs';
import {
  choice,
  count,
  defineParameters,
  fillMode,
  layerParameters,
  length,
  mainsParameters,
  part,
  share,
  unit,
} from '../kit/parameters';
import { rectanglePiece } from '../kit/pieces';
import { box, circle, knob, labelled, line, measure, polygon, view } from '../kit/shapes';
import { checkLamps, cutBoard, finishSteps, step, wireMains } from '../kit/steps';
import { extraction } from '../../light/mouth';
import { wiringView } from '../kit/wiringView';
import type { Problem } from '../../result';
import type { ResolvedBuild } from '../resolved';

const parameters = defineParameters({
  unitId: unit('Panel', 'Panels', 'panel'),
  fillMode: fillMode('Panels'),
  panelCount: count('Panels', 'Panels', {
    start: 2,
    min: 1,
    max: 4,
    when: { parameter: 'fillMode', is: 'count' },
  }),
  gapM: length('Between panels', 'Panels', { start: 0.01, min: 0, max: 0.3, step: 0.005 }),
  level: share('Level', 'Panels', { start: 1, min: 0, max: 1 }),
  bracketPartId: part('Bracket board', 'Panels', 'sheet', false),
  softboxPartId: part('Softbox', 'Box', 'softbox', false),
  boxShape: choice('Shape', 'Box', [
    ['disc', 'round umbrella'],
    ['rectangle', 'square'],
  ]),
  boxM: length('Box across', 'Box', { start: 0.9, min: 0.2, max: 3 }),
  boxDepthM: length('Box depth', 'Box', { start: 0.45, min: 0.05, max: 2 }),
  ...layerParameters('Front'),
  ...mainsParameters(2),
});
type Stack = ReturnType<typeof parameters.defaults>;

/** Silvered cloth of a folding softbox [typ]. */
const INSIDE = 0.8;

const panelOf = (stack: Stack, context: FormContext) => unitOf(context, stack.unitId, 'panel');

function layout(stack: Stack, context: FormContext) {
  const panel = panelOf(stack, context);
  const [w, h] = [panel?.faceWidthM ?? 0.15, panel?.faceHeightM ?? 0.1];
  const columns = stack.panelCount > 2 ? 2 : 1;
  const rows = Math.ceil(stack.panelCount / columns);
  const places = Array.from({ length: stack.panelCount }, (_, k) => {
    const [column, row] = [k % columns, Math.floor(k / columns)];
    return [
      (column - (columns - 1) / 2) * (w + stack.gapM),
      ((rows - 1) / 2 - row) * (h + stack.gapM),
    ] as const;
  });
  return {
    panel,
    w,
    h,
    places,
    stackW: columns * w + (columns - 1) * stack.gapM,
    stackH: rows * h + (rows - 1) * stack.gapM,
  };
}

function problems(stack: Stack, context: FormContext): Problem[] {
  const { stackW, stackH } = layout(stack, context);
  return Math.hypot(stackW, stackH) > stack.boxM
    ? [
        {
          code: 'stack',
          path: 'boxM',
          message: `${stack.panelCount} panels, ${mm(stackW)} × ${mm(stackH)}, do not go into a box ${mm(stack.boxM)} across.`,
        },
      ]
    : [];
}

function resolve(stack: Stack, context: FormContext): ResolvedBuild {
  const { panel, places, stackW, stackH, w, h } = layout(stack, context);
  const lampUnit = panel && effectiveUnit(panel);
  const softbox = partOf(context, stack.softboxPartId, 'softbox');
  const layers = layerParts(stack, context);
  const across = stack.boxM;
  const mouthM2 = stack.boxShape === 'disc' ? (Math.PI / 4) * across ** 2 : across ** 2;
  const wallM2 =
    stack.boxShape === 'disc'
      ? (Math.PI * across * Math.hypot(across / 2, stack.boxDepthM)) / 2
      : 2 * across * Math.hypot(across / 2, stack.boxDepthM);
  const ratio = across / 2 / stack.boxDepthM;
  const mouth = {
    shape: stack.boxShape,
    widthM: across,
    heightM: across,
    heightOverBackM: stack.boxDepthM,
    layers: layers.map(layerOf),
    cavity: { areaM2: mouthM2 + wallM2, reflectance: softbox?.reflectance ?? INSIDE },
    // A Lambertian panel on the axis to a coaxial disc: R²/(R² + h²).
    directShare: ratio ** 2 / (1 + ratio ** 2),
  } as const;
  const va = lampUnit ? apparentVa(lampUnit.wattsW.value, lampUnit.powerFactor.value) : 0;
  const cordM = stack.tailLengthM + 0.3 * stack.panelCount;
  return resolved(
    {
      ...unitLamps(
        lampUnit,
        panel,
        stack.panelCount,
        stack.level,
        panel?.spread ?? { class: 'lambert' },
        places.map(([x, y]) => ({ positionM: [x, y, 0] as const, axis: [0, 0, 1] as const })),
      ),
      mouth,
      enclosure: {
        areaM2: wallM2 + mouthM2,
        closed: layers.length > 0,
        limitC: layers.length ? Math.min(...layers.map(({ limitC }) => limitC)) : null,
        ref: 'box',
        field: 'boxM',
      },
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...wiringSlots(stack),
        loads: places.map((_, k) => ({
          ref: `seat-${k}`,
          apparentVa: va,
          cordM: k ? 0.3 : stack.tailLengthM,
        })),
      },
      pieces: stack.bracketPartId
        ? [
            rectanglePiece('Bracket', stack.bracketPartId, stackW + 0.04, stackH + 0.04, context, {
              shapes: places.map(([x, y], k) =>
                labelled(
                  circle(x + stackW / 2 + 0.02, y + stackH / 2 + 0.02, 0.0033, 'drill'),
                  `panel ${k + 1}, 1/4 in`,
                ),
              ),
            }),
          ]
        : [],
      needs: [
        ...fromUnit(stack.unitId, stack.panelCount, 'piece', 'the panels'),
        ...fromPart(stack.softboxPartId, 1, 'piece', 'the box'),
        ...hardware('bolt', 2 * stack.panelCount, 'panels to bracket'),
        ...hardware('spigot', 1, 'bracket to stand'),
        ...mainsNeeds(stack, cordM),
      ],
      steps: [
        checkLamps(stack.panelCount),
        cutBoard('the bracket', 15),
        step(
          'Bolt the panels to the bracket',
          'One aim for all',
          'spanner',
          8 * stack.panelCount,
          'no panel tilts',
        ),
        step(
          'Hang the box over them',
          'The ring of ribs sits on the bracket',
          'hands',
          10,
          'fabric clear of the panels',
        ),
        wireMains(context, 10),
        ...finishSteps(layers.length),
      ],
      facts: [
        fact('stack-w', 'Stack, width', stackW, 'panels and gaps'),
        fact('stack-h', 'Stack, height', stackH, 'panels and gaps'),
        fact(
          'size-bought',
          'Size bought',
          mouthM2 / Math.max(1e-6, stack.panelCount * w * h),
          'mouth area / panel area',
          'ratio',
        ),
        fact(
          'output-lost',
          'Output lost in box and layers',
          1 - extraction(mouth),
          '1 − η',
          'ratio',
        ),
      ],
      findings: [
        ...stopsFor('panel-stack', problems(stack, context), 'box'),
        ...notChosen('panel-stack', [
          ['panel', panel, 'unitId', 'seat-0', 'Choose the panel, and light and load follow.'],
          ...mainsOpen(stack),
        ]),
        ...typicalLayers('panel-stack', layers),
        ...(stack.dimmerPartId
          ? [
              look(
                'panel-stack.dimmer',
                'Panels on a mains dimmer',
                'Their drivers are dimmed at the panel, not in the cord: take the dimmer out.',
                { field: 'dimmerPartId', drawing: 'dimmer' },
              ),
            ]
          : []),
      ],
      apparent: { widthM: across, heightM: across },
      frontM: stack.boxDepthM,
      folded: { widthM: stack.boxM * 0.6, heightM: 0.2, depthM: 0.2 },
    },
    stack.panelCount * 0.4 +
      (panel ? stack.panelCount * (panel.massKg - 0.4) : 0) +
      (softbox?.massKg ?? 0.8) +
      cordMassKg(stack, cordM, context),
    context,
  );
}

function draw(stack: Stack, context: FormContext): Drawing {
  const { places, w, h, stackW, stackH } = layout(stack, context);
  const R = stack.boxM / 2;
  const layers = layerParts(stack, context);
  return {
    views: [
      view(
        'front',
        'Front, layers lifted off',
        [
          stack.boxShape === 'disc'
            ? circle(0, 0, R, 'cut', 'box')
            : box(0, 0, 2 * R, 2 * R, 'cut', 'box'),
          ...places.map(([x, y], k) => box(x, y, w, h, 'glass', `seat-${k}`)),
        ],
        [
          measure([-R, -R], [R, -R], -R * 0.16, 'Box across'),
          measure([-stackW / 2, -stackH / 2], [stackW / 2, -stackH / 2], -R * 0.14, 'Stack'),
        ],
        [knob('boxM', 'Box across', [R, 0], [1, 0], 2)],
      ),
      view(
        'section',
        'Section from the side, light to the right',
        [
          polygon(
            [
              [0, -stackH / 2],
              [stack.boxDepthM, -R],
              [stack.boxDepthM, R],
              [0, stackH / 2],
            ],
            'cut',
            'box',
          ),
          box(-0.01, 0, 0.03, stackH, 'part', 'seat-0'),
          ...layers.map((_, k) =>
            line(
              [
                [stack.boxDepthM + 0.01 * k, -R],
                [stack.boxDepthM + 0.01 * k, R],
              ],
              'glass',
              'layer',
            ),
          ),
        ],
        [measure([0, -R], [stack.boxDepthM, -R], -R * 0.16, 'Depth')],
        [knob('boxDepthM', 'Box depth', [stack.boxDepthM, 0], [1, 0])],
      ),
      wiringView(
        {
          outline: [box(0, 0, stackW, stackH, 'hidden', 'box')],
          terminals: places.map(([x, y]) => [-x, y] as const),
          terminalM: h * 0.3,
          dimmer: stack.dimmerPartId !== null,
        },
        context,
      ),
    ],
  };
}

export const panelStack: FormDefinition<Stack> = {
  id: 'panel-stack',
  name: 'Panel stack',
  summary: 'Two to four shop panels on a bracket inside a folding softbox.',
  gallery: { goodFor: ['face', 'overhead'], skill: 1, reach: 'Makes panels you own big and soft.' },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  fill: {
    parameter: 'panelCount',
    step: () => 1,
    most: () => 4,
    onHand: (stack, context) => panelOf(stack, context)?.onHand ?? 0,
  },
  problems,
  limits: (stack, context) => {
    const { stackW, stackH } = layout(stack, context);
    return { boxM: { min: Math.max(0.2, Math.hypot(stackW, stackH)), max: 3 } };
  },
  resolve,
  draw,
};
