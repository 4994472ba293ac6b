import { effectiveUnit } from '../../units/effectiveUnit';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { layerOf, layerParts, partOf } from '../kit/lookup';
import { look, notChosen, stopsFor, typicalLayers } from '../kit/findingWriters';
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
import { rectanglePiece } from '../kit/pieces';
import { boxCavity, roundCavity } from '../kit/cavities';
import { circle, labelled } from '../../drawing/shapes';
import { checkLamps, cutBoard, finishSteps, step, wireMains } from '../kit/steps';
import { extraction, mouthMatter } from '../../light/mouth';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type Stack } from './parameters';
import { INSIDE, SILVERED_MIRROR, layout, problems } from './layout';

/** What is worked out once and told in several places. */
function partsOf(stack: Stack, context: FormContext) {
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
  const lamps = unitLamps(
    lampUnit,
    panel,
    stack.panelCount,
    stack.level,
    panel?.spread ?? { class: 'lambert' },
    places.map(([x, y]) => ({ positionM: [x, y, 0.002] as const, axis: [0, 0, 1] as const })),
  );
  const wall = {
    kind: 'wall',
    reflectance: softbox?.reflectance ?? INSIDE,
    mirrorShare: SILVERED_MIRROR,
  } as const;
  const inFront = mouthMatter(layers.map(layerOf));
  const baseRadiusM = Math.min(across / 2, Math.hypot(stackW, stackH) / 2 + 0.02);
  const room =
    stack.boxShape === 'disc'
      ? roundCavity(
          {
            baseRadiusM,
            mouthRadiusM: across / 2,
            depthM: stack.boxDepthM,
            wall,
            mouth: inFront,
          },
          lamps.emitters,
        )
      : boxCavity(
          {
            back: [Math.min(across, stackW + 0.04), Math.min(across, stackH + 0.04)],
            front: [across, across],
            depthM: stack.boxDepthM,
            backMatter: wall,
            sideMatter: wall,
            mouth: inFront,
          },
          lamps.emitters,
        );
  const mouth = {
    shape: stack.boxShape,
    widthM: across,
    heightM: across,
    heightOverBackM: stack.boxDepthM,
    layers: layers.map(layerOf),
    cavity: {
      areaM2: mouthM2 + wallM2,
      mouthM2,
      reflectance: softbox?.reflectance ?? INSIDE,
    },
    room,
    // A Lambertian panel on the axis to a coaxial disc: R²/(R² + h²).
    directShare: ratio ** 2 / (1 + ratio ** 2),
  } as const;
  const va = lampUnit ? apparentVa(lampUnit.wattsW.value, lampUnit.powerFactor.value) : 0;
  const cordM = stack.tailLengthM + 0.3 * stack.panelCount;
  return {
    stack,
    context,
    panel,
    places,
    stackW,
    stackH,
    w,
    h,
    softbox,
    layers,
    across,
    mouthM2,
    wallM2,
    lamps,
    mouth,
    va,
    cordM,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(stack: Stack, context: FormContext): ResolvedBuild {
  const parts = partsOf(stack, context);
  const { places, across, lamps, mouth, va } = parts;
  return completeBuild(
    {
      ...lamps,
      mouth,
      enclosure: enclosureOf(parts),
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...wiringSlots(stack),
        loads: places.map((_, k) => ({
          ref: `seat-${k}`,
          apparentVa: va,
          cordM: k ? 0.3 : stack.tailLengthM,
        })),
      },
      pieces: piecesOf(parts),
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM: across, heightM: across },
      frontM: stack.boxDepthM,
      folded: { widthM: stack.boxM * 0.6, heightM: 0.2, depthM: 0.2 },
    },
    fittingsKg(parts),
    context,
  );
}

function enclosureOf({ layers, mouthM2, wallM2 }: Parts): ResolvedBuild['enclosure'] {
  return {
    areaM2: wallM2 + mouthM2,
    closed: layers.length > 0,
    limitC: layers.length ? Math.min(...layers.map(({ limitC }) => limitC)) : null,
    ref: 'box',
    field: 'boxM',
  };
}

function piecesOf({ stack, context, places, stackW, stackH }: Parts): ResolvedBuild['pieces'] {
  return stack.bracketPartId
    ? [
        rectanglePiece(
          'bracket',
          'Bracket',
          stack.bracketPartId,
          stackW + 0.04,
          stackH + 0.04,
          context,
          {
            shapes: places.map(([x, y], k) =>
              labelled(
                circle(x + stackW / 2 + 0.02, y + stackH / 2 + 0.02, 0.0033, 'drill'),
                `panel ${k + 1}, 1/4 in`,
              ),
            ),
          },
        ),
      ]
    : [];
}

function needsOf({ stack, cordM }: Parts): ResolvedBuild['needs'] {
  return [
    ...fromUnit(stack.unitId, stack.panelCount, 'piece', 'the panels'),
    ...fromPart(stack.softboxPartId, 1, 'piece', 'the box'),
    ...hardware('bolt', 2 * stack.panelCount, 'panels to bracket'),
    ...hardware('spigot', 1, 'bracket to stand'),
    ...mainsNeeds(stack, cordM),
  ];
}

function stepsOf({ stack, context, layers }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(stack.panelCount),
    cutBoard('the bracket', 15),
    step(
      'mount',
      'bolt-panels',
      'Bolt the panels to the bracket',
      'One aim for all',
      'spanner',
      8 * stack.panelCount,
      'no panel tilts',
    ),
    step(
      'dress',
      'hang-box',
      'Hang the box over them',
      'The ring of ribs sits on the bracket',
      'hands',
      10,
      'fabric clear of the panels',
    ),
    wireMains(context, 10),
    ...finishSteps(layers.length),
  ];
}

function factsOf({ stack, stackW, stackH, w, h, mouthM2, mouth }: Parts): ResolvedBuild['facts'] {
  return [
    fact('stack-w', 'Stack, width', stackW, 'panels and gaps'),
    fact('stack-h', 'Stack, height', stackH, 'panels and gaps'),
    fact(
      'size-bought',
      'Size bought',
      mouthM2 / Math.max(1e-6, stack.panelCount * w * h),
      'mouth area / panel area',
      'ratio',
    ),
    fact('output-lost', 'Output lost in box and layers', 1 - extraction(mouth), '1 − η', 'ratio'),
  ];
}

function findingsOf({ stack, context, panel, layers }: Parts): ResolvedBuild['findings'] {
  return [
    ...stopsFor('panel-stack', problems(stack, context), 'box'),
    ...notChosen('panel-stack', [
      ['panel', panel, 'unitId', 'seat-0', 'Choose the panel, and light and load follow.'],
      ...mainsOpen(stack),
    ]),
    ...typicalLayers('panel-stack', layers),
    ...(stack.dimmerPartId
      ? [
          look(
            'dimmer',
            'panel-stack.dimmer',
            'Panels on a mains dimmer',
            'Their drivers are dimmed at the panel, not in the cord: take the dimmer out.',
            { field: 'dimmerPartId', drawing: 'dimmer' },
          ),
        ]
      : []),
  ];
}

/** Everything that is not cut, kg. */
function fittingsKg({ stack, context, panel, softbox, cordM }: Parts): number {
  return (
    stack.panelCount * 0.4 +
    (panel ? stack.panelCount * (panel.massKg - 0.4) : 0) +
    (softbox?.massKg ?? 0.8) +
    cordMassKg(stack, cordM, context)
  );
}
