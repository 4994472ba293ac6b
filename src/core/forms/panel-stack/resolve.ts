import { effectiveUnit } from '../../units/effective';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { furtherLayers, layerOf, layerParts, partOf } from '../kit/lookup';
import { look, notChosen, stopsFor, typicalLayers } from '../kit/findingWriters';
import { unitLamps } from '../kit/lamps';
import {
  apparentVa,
  bolts,
  cordMassKg,
  fromPart,
  fromUnit,
  hardware,
  mainsNeeds,
  mainsOpen,
  wiringSlots,
} from '../kit/needs';
import { boughtSizes } from '../kit/boughtSizes';
import { clothPiece, discPiece, rectanglePiece } from '../kit/pieces';
import { boxCavity, roundCavity } from '../kit/cavities';
import { circle, labelled } from '../../drawing/shapes';
import { checkLamps, cutBoard, addLayers, step } from '../kit/steps';
import { extraction, mouthMatter, type Layer } from '../../light/mouth';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import type { Emitter } from '../../light/emitter';
import type { Arrangement, WallMatter } from '../../light/transport/arrangement';
import { type Stack } from './parameters';
import { INSIDE, SILVERED_MIRROR, layout, problems } from './layout';
import { BOARD_M, LINK_M } from '../kit/typical';
import { machineScrewFor, THREADS } from '../../materials/fasteners';
import { exactMm } from '../../quantity';

/** Bracket round the panels, a side; bolts of panels and spigot. */
const RIM_M = 0.02;
const PANEL_BOLT = '1/4-20';
const SPIGOT_BOLT = 'M6';
const SPIGOT_BOLTS = 2;
const SPIGOT_APART_M = 0.03;
const SPIGOT_PLATE_M = 0.004;
/** Of a small panel without a label [typ]. */
export const PANEL_DEEP_M = 0.04;
/** A panel's face before its bracket. */
const FACE_M = 0.002;
/** A collapsible box rolled up [typ; from memory]. */
const FOLDED_SHARE = 0.6;
const ROLL_M = 0.2;
const SOFTBOX_KG = 0.8;
/** A small panel without a label [typ; from memory]. */
const PANEL_KG = 0.4;

/** The box in front of the panels, as light passes through it. */
function roomOf(
  stack: Stack,
  [stackW, stackH]: readonly [number, number],
  wall: WallMatter,
  layers: readonly Layer[],
  emitters: readonly Emitter[],
): Arrangement {
  const across = stack.boxM;
  const mouth = mouthMatter(layers);
  if (stack.boxShape === 'disc')
    return roundCavity(
      {
        baseRadiusM: Math.min(across / 2, Math.hypot(stackW, stackH) / 2 + RIM_M),
        mouthRadiusM: across / 2,
        depthM: stack.boxDepthM,
        wall,
        mouth,
      },
      emitters,
    );
  return boxCavity(
    {
      back: [Math.min(across, stackW + 2 * RIM_M), Math.min(across, stackH + 2 * RIM_M)],
      front: [across, across],
      depthM: stack.boxDepthM,
      backMatter: wall,
      sideMatter: wall,
      mouth,
    },
    emitters,
  );
}

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
    stack,
    panel?.spread ?? { class: 'lambert' },
    places.map(([x, y]) => ({ positionM: [x, y, FACE_M] as const, axis: [0, 0, 1] as const })),
  );
  const wall = {
    kind: 'wall',
    reflectance: softbox?.reflectance ?? INSIDE,
    mirrorShare: SILVERED_MIRROR,
  } as const;
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
    room: roomOf(stack, [stackW, stackH], wall, layers.map(layerOf), lamps.emitters),
    // A Lambertian panel on the axis to a coaxial disc: R²/(R² + h²).
    directShare: ratio ** 2 / (1 + ratio ** 2),
  } as const;
  const va = lampUnit ? apparentVa(lampUnit.wattsW.value, lampUnit.powerFactor.value) : 0;
  const cordM = stack.tailLengthM + LINK_M * stack.panelCount;
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
    bracketM: partOf(context, stack.bracketPartId, 'sheet')?.thicknessM ?? BOARD_M,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(stack: Stack, context: FormContext): ResolvedBuild {
  const parts = partsOf(stack, context);
  const { places, across, lamps, mouth, va, stackW, stackH, panel, bracketM } = parts;
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
          cordM: k ? LINK_M : stack.tailLengthM,
        })),
      },
      pieces: [...bracketPieces(stack, parts, context), ...layerPieces(parts)],
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: {
        widthM: across,
        heightM: across,
        ...(parts.stack.boxShape === 'disc' ? { round: true as const } : {}),
      },
      frontM: stack.boxDepthM,
      built: {
        widthM: across,
        heightM: across,
        depthM: stack.boxDepthM + (panel?.depthM ?? PANEL_DEEP_M) + bracketM,
      },
      // The rolled box lies on the panels, which stay on their bracket: it does not fold.
      folded: {
        widthM: Math.max(stack.boxM * FOLDED_SHARE, stackW + 2 * RIM_M),
        heightM: Math.max(ROLL_M, stackH + 2 * RIM_M),
        depthM: ROLL_M + bracketM + (panel?.depthM ?? PANEL_DEEP_M),
      },
      bought: boughtOf(parts),
    },
    fittingsKg(parts),
    context,
  );
}

function enclosureOf({ layers, mouthM2, wallM2 }: Parts): ResolvedBuild['enclosure'] {
  return {
    areaM2: wallM2 + mouthM2,
    resistanceM2KPerW: 0,
    closed: layers.length > 0,
    limitC: layers.length ? Math.min(...layers.map(({ limitC }) => limitC)) : null,
    ref: 'box',
    field: 'boxM',
  };
}

/** Cloth that is turned over the edge of a front [common practice]. */
const TURNED_M = 0.04;

/** Layers over the front the box came with, hung from its ribs. */
const layerPieces = ({ stack, context }: Parts): ResolvedBuild['pieces'] =>
  furtherLayers(stack, context).map((layer, k) => {
    const [id, name, across] = [`layer-${k + 1}`, `Layer ${k + 1}`, stack.boxM + 2 * TURNED_M];
    const words = ['Turned over the edge of the front all round, and clipped to it.'];
    return stack.boxShape === 'disc'
      ? discPiece(id, name, layer.id, across, undefined, words)
      : clothPiece(id, name, layer.id, across, across, { lit: true, markOut: words });
  });

export function bracketPieces(
  stack: Stack,
  { places, stackW, stackH }: Pick<ReturnType<typeof layout>, 'places' | 'stackW' | 'stackH'>,
  context: FormContext,
): ResolvedBuild['pieces'] {
  return stack.bracketPartId
    ? [
        rectanglePiece(
          'bracket',
          'Bracket',
          stack.bracketPartId,
          stackW + 2 * RIM_M,
          stackH + 2 * RIM_M,
          context,
          {
            shapes: [
              ...places.map(([x, y], k) =>
                labelled(
                  circle(
                    x + stackW / 2 + RIM_M,
                    y + stackH / 2 + RIM_M,
                    THREADS[PANEL_BOLT].clearanceM / 2,
                    'drill',
                  ),
                  `panel ${k + 1}, ${PANEL_BOLT}, ${exactMm(THREADS[PANEL_BOLT].clearanceM)}`,
                ),
              ),
              // In the rim below the panels, where nothing lies behind them.
              ...[-1, 1].map((side) =>
                labelled(
                  circle(
                    stackW / 2 + RIM_M + side * SPIGOT_APART_M,
                    RIM_M / 2,
                    THREADS[SPIGOT_BOLT].clearanceM / 2,
                    'drill',
                  ),
                  `spigot ${SPIGOT_BOLT}, ${exactMm(THREADS[SPIGOT_BOLT].clearanceM)}`,
                ),
              ),
            ],
          },
        ),
      ]
    : [];
}

function needsOf({ stack, cordM, bracketM }: Parts): ResolvedBuild['needs'] {
  return [
    ...fromUnit(stack.unitId, stack.panelCount, 'piece', 'the panels', 'bolt-panels'),
    ...fromPart(stack.softboxPartId, 1, 'piece', 'the box', 'hang-box'),
    // A panel's thread is blind: its bolt holds without a nut.
    ...hardware(
      'machine-screw',
      stack.panelCount,
      'one a panel, into its own thread',
      'bolt-panels',
      machineScrewFor(PANEL_BOLT, bracketM)?.size,
    ),
    ...hardware('spigot', 1, 'bracket to stand', 'bolt-panels'),
    ...(stack.bracketPartId
      ? bolts(
          SPIGOT_BOLT,
          SPIGOT_BOLTS,
          bracketM + SPIGOT_PLATE_M,
          'spigot to bracket',
          'bolt-panels',
        )
      : []),
    ...mainsNeeds(stack, cordM),
  ];
}

function stepsOf({ stack, context }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(stack.panelCount),
    ...(stack.bracketPartId
      ? [cutBoard('the bracket', 15, partOf(context, stack.bracketPartId, 'sheet'))]
      : []),
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
      'fabric clear of the panels, its own front on',
    ),
    ...addLayers(furtherLayers(stack, context).length),
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

/** The box as it is drawn against the one on the shelf. */
function boughtOf({ stack, softbox }: Parts): ResolvedBuild['bought'] {
  if (!softbox) return [];
  return boughtSizes({ form: 'panel-stack', name: softbox.name, ref: 'box', sameM: SAME_BOX_M }, [
    ['box', 'width across', stack.boxM, softbox.diameterM, 'boxM'],
    ['box-depth', 'depth', stack.boxDepthM, softbox.depthM, 'boxDepthM'],
  ]);
}
/** Cloth boxes are measured flat or standing. */
const SAME_BOX_M = 0.05;

/** Everything that is not cut, kg. */
function fittingsKg({ stack, context, panel, softbox, cordM }: Parts): number {
  return (
    stack.panelCount * PANEL_KG +
    (panel ? stack.panelCount * (panel.massKg - PANEL_KG) : 0) +
    (softbox?.massKg ?? SOFTBOX_KG) +
    cordMassKg(stack, cordM, context)
  );
}
