import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { layerOf, layerParts, partOf } from '../kit/lookup';
import { notChosen, typicalLayers, stopsFor } from '../kit/findingWriters';
import { exactMm, KELVIN } from '../../quantity';
import { bulbLamps, bulbLoads, bulbMassKg, bulbNeeds, bulbsOf } from '../kit/lamps';
import { holderFindings, holderOf, sharedHolderWatts } from '../kit/sockets';
import { fromPart, hardware, ownCordNeeds, ownCordSteps } from '../kit/needs';
import { discPiece } from '../kit/pieces';
import { roundCavity } from '../kit/cavities';
import { addLayers, checkLamps, cutDiscs, step } from '../kit/steps';
import { mouthMatter } from '../../light/mouth';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type ClampLamp } from './parameters';
import {
  CORD_M,
  GLOW_SHARE,
  NECK,
  REFLECTOR,
  REFLECTOR_MIRROR,
  bulbsFrontM,
  layerC,
  problems,
  seats,
} from './layout';

/** Clamp and arm behind the shade; a shade of 22 cm with both [typ; from memory]. */
export const CLAMP_M = 0.12;
const SHADE_KG = 0.4;
/** Round the rim. */
const PEGS = 6;
/** A gap like this round the rim lets warm air out [common practice]. */
const LETS_AIR_OUT_M = 0.03;

/** What is worked out once and told in several places. */
function partsOf(lamp: ClampLamp, context: FormContext) {
  const shade = partOf(context, lamp.lampPartId, 'clamp-lamp');
  const layers = layerParts(lamp, context);
  const places = seats(lamp);
  const radius = lamp.reflectorM / 2;
  const mouthM2 = Math.PI * radius ** 2;
  const wallM2 = Math.PI * radius * Math.hypot(radius, lamp.depthM);
  const h = lamp.depthM * (1 - GLOW_SHARE);
  const disc = lamp.reflectorM + 2 * lamp.tabM;
  const where = { field: 'groups', drawing: 'seat-0' };
  const misfit = shade
    ? [
        ...holderFindings('clamp-lamp', lamp.groups, { ...shade, ratedV: null }, where, context),
        ...sharedHolderWatts('clamp-lamp', lamp.groups, shade, where, context),
      ]
    : [];
  const lamps = bulbLamps(lamp.groups, places, context);
  return { lamp, context, shade, layers, places, radius, mouthM2, wallM2, h, disc, misfit, lamps };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(lamp: ClampLamp, context: FormContext): ResolvedBuild {
  const parts = partsOf(lamp, context);
  const { shade, layers, places, disc, lamps } = parts;
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
      enclosure: enclosureOf(parts),
      lampsAt: { drawing: 'seat-0', field: 'groups' },
      wiring: {
        // It comes with its own cord.
        cord: { partId: null },
        plug: { partId: lamp.plugPartId, field: 'plugPartId' },
        dimmer: { partId: lamp.dimmerPartId, field: 'dimmerPartId' },
        ...holderOf(shade, lamp.groups, 'lampPartId', context, true),
        loads: bulbLoads(lamp.groups, places, (k) => (k ? 0 : CORD_M), context),
      },
      pieces: layers.map((layer, k) =>
        discPiece(
          `layer-${k + 1}`,
          `Layer ${k + 1}`,
          layer.id,
          disc,
          { field: 'tabM', nowM: lamp.tabM },
          [`Circle of Ø ${exactMm(disc)}; the tab goes over the rim.`],
        ),
      ),
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM: lamp.reflectorM, heightM: lamp.reflectorM, round: true },
      frontM: lamp.depthM + lamp.standoffM,
      built: {
        widthM: lamp.reflectorM,
        heightM: lamp.reflectorM,
        depthM: Math.max(lamp.depthM, bulbsFrontM(lamp, context)) + CLAMP_M,
      },
      bought: shade
        ? [
            {
              id: 'clamp-lamp.reflector',
              name: shade.name,
              what: 'reflector',
              drawnM: lamp.reflectorM,
              boughtM: shade.reflectorDiameterM,
              sameM: SAME_REFLECTOR_M,
              field: 'reflectorM',
              ref: 'shade',
            },
          ]
        : [],
    },
    bulbMassKg(lamp.groups, places, context) + (shade?.massKg ?? SHADE_KG),
    context,
  );
}

function mouthOf({
  lamp,
  layers,
  radius,
  mouthM2,
  wallM2,
  h,
  lamps,
}: Parts): ResolvedBuild['mouth'] {
  return {
    shape: 'disc',
    widthM: lamp.reflectorM,
    heightM: lamp.reflectorM,
    heightOverBackM: lamp.depthM + lamp.standoffM,
    layers: layers.map(layerOf),
    cavity: { areaM2: mouthM2 + wallM2, mouthM2, reflectance: REFLECTOR },
    room: roundCavity(
      {
        baseRadiusM: radius * NECK,
        mouthRadiusM: radius,
        depthM: lamp.depthM,
        gapM: lamp.standoffM,
        wall: { kind: 'wall', reflectance: REFLECTOR, mirrorShare: REFLECTOR_MIRROR },
        mouth: mouthMatter(layers.map(layerOf)),
      },
      lamps.emitters,
    ),
    // Solid angle of the mouth from the bulb: (1 − cos)/2.
    directShare: (1 - h / Math.hypot(h, radius)) / 2,
  };
}

/** Layer and shade; with the layer on the rim it is shut, held off it the warm air gets out. */
function enclosureOf({ lamp, layers, mouthM2, wallM2 }: Parts): ResolvedBuild['enclosure'] {
  if (layers.length === 0) return null;
  return {
    areaM2: mouthM2 + wallM2,
    resistanceM2KPerW: 0,
    closed: lamp.standoffM < LETS_AIR_OUT_M,
    limitC: Math.min(...layers.map(({ limitC }) => limitC)),
    ref: 'layer',
    field: 'layer1PartId',
  };
}

function needsOf({ lamp, context, layers, places }: Parts): ResolvedBuild['needs'] {
  return [
    ...bulbNeeds(lamp.groups, places, context),
    ...fromPart(lamp.lampPartId, 1, 'piece', 'reflector, socket and cord', 'check-lamps'),
    ...ownCordNeeds(lamp),
    ...hardware('clip', layers.length ? PEGS : 0, 'wooden pegs hold the layer', 'fit-layers'),
    ...hardware('safety-bond', 1, 'holds what the clamp lets go', 'clamp'),
  ];
}

function stepsOf({ lamp, layers }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(1),
    ...cutDiscs(layers.length),
    ...ownCordSteps(lamp),
    step(
      'rig',
      'clamp',
      'Clamp it and aim it',
      'Clamps slip: a bond holds what the clamp lets go',
      'steel safety bond',
      10,
      'holds a hard tug; the bond goes round its bracket and round something that bears ten times its weight',
      [
        'A lamp that falls takes its cord along: tie the cord off too.',
        'High up: from a footed ladder, somebody holding it, nobody underneath.',
      ],
    ),
    ...addLayers(layers.length),
  ];
}

function factsOf({ lamp, context, mouthM2, disc }: Parts): ResolvedBuild['facts'] {
  return [
    fact('disc', 'Layer Ø', disc, 'reflector + 2 × tab'),
    fact(
      'layer-c',
      'Layer, estimated',
      layerC(lamp, context) + KELVIN,
      '25 °C + P/(h·A)',
      'temperature',
    ),
    fact('mouth', 'Mouth', mouthM2, 'π·R²', 'area'),
    fact('reflector', 'Reflector Ø', lamp.reflectorM, 'as set'),
  ];
}

function findingsOf({ lamp, context, shade, layers, misfit }: Parts): ResolvedBuild['findings'] {
  return [
    ...stopsFor('clamp-lamp', problems(lamp, context), 'shade'),
    ...notChosen('clamp-lamp', [
      [
        'clamp lamp',
        shade,
        'lampPartId',
        'shade',
        'Choose the lamp; its rating is unknown until then.',
      ],
      ['bulb', !bulbsOf(lamp.groups, context).includes(null), 'groups', 'seat-0', 'Choose a bulb.'],
    ]),
    ...misfit,
    ...typicalLayers('clamp-lamp', layers),
  ];
}

/** Rims are measured inside or outside: less than this is no other reflector [practice]. */
const SAME_REFLECTOR_M = 0.01;
