import type { Drawing, Shape } from '../drawing';
import type { FormContext, FormDefinition } from '../form';
import { fact, resolved } from '../kit/build';
import {
  exactMm,
  layerOf,
  layerParts,
  look,
  notChosen,
  ok,
  partOf,
  stop,
  typicalLayers,
} from '../kit/choices';
import { bulbLamps, bulbLoads, bulbMassKg, bulbNeeds, bulbsOf, type Seat } from '../kit/lamps';
import { fromPart, hardware, wiringSlots } from '../kit/needs';
import {
  bulbGroups,
  choice,
  defineParameters,
  layerParameters,
  length,
  part,
} from '../kit/parameters';
import { clothPiece } from '../kit/pieces';
import { circle, knob, line, measure, polygon, view } from '../kit/shapes';
import { checkLamps, finishSteps, step } from '../kit/steps';
import { isFilament } from '../../units/effective';
import { wiringView } from '../kit/wiringView';
import type { Finding } from '../../findings/finding';
import type { ResolvedBuild } from '../resolved';

const parameters = defineParameters({
  lampPartId: part('Clamp lamp', 'Lamp', 'clamp-lamp'),
  reflectorM: length('Reflector Ø', 'Lamp', { start: 0.22, min: 0.05, max: 1, step: 0.005 }),
  depthM: length('Reflector depth', 'Lamp', { start: 0.12, min: 0.02, max: 0.6, step: 0.005 }),
  groups: bulbGroups('Bulb', 'Lamp'),
  ...layerParameters('Layer'),
  tabM: length('Tab over the rim', 'Layer', { start: 0.03, min: 0, max: 0.2, step: 0.005 }),
  standoffM: length('Layer before the rim', 'Layer', { start: 0, min: 0, max: 0.5, step: 0.005 }),
  plugPartId: part('Plug', 'Cord', 'plug', false),
  dimmerPartId: part('Dimmer', 'Cord', 'dimmer', false),
  hold: choice('Held by', 'Lamp', [
    ['clamp', 'its own clamp'],
    ['stand', 'a pipe stand, see accessories'],
  ]),
});
type ClampLamp = ReturnType<typeof parameters.defaults>;

/** Reflectance of a spun aluminium reflector [typ]. */
const REFLECTOR = 0.75;
const CORD_M = 1.8;
/** Still air over a small shade, W/(m²·K) [common practice estimate, handbook 05]. */
const AIR_W_PER_M2_K = 8;
const ROOM_C = 25;

const seats = (lamp: ClampLamp): Seat[] =>
  lamp.groups.map((_, group) => ({
    positionM: [0, 0, lamp.depthM * 0.45] as const,
    axis: [0, 0, 1] as const,
    group,
  }));

/** Estimated temperature of a layer over the mouth: all the lamp's heat through shade and layer. */
export function layerC(lamp: ClampLamp, context: FormContext): number {
  const heat = bulbsOf(lamp.groups, context).reduce(
    (sum, bulb) => sum + (bulb ? bulb.wattsW * (isFilament(bulb.kind) ? 0.94 : 0.65) : 0),
    0,
  );
  const radius = lamp.reflectorM / 2;
  const area = Math.PI * radius ** 2 + Math.PI * radius * Math.hypot(radius, lamp.depthM);
  return ROOM_C + heat / (AIR_W_PER_M2_K * area);
}

function layerFindings(lamp: ClampLamp, context: FormContext): Finding[] {
  const layers = layerParts(lamp, context);
  if (layers.length === 0) return [];
  const hot = bulbsOf(lamp.groups, context).some((bulb) => bulb && isFilament(bulb.kind));
  const weakest = layers.reduce((a, b) => (a.limitC < b.limitC ? a : b));
  const celsius = layerC(lamp, context);
  const where = { field: 'layer1PartId', drawing: 'layer' };
  const source = 'ΔT = P/(h·A), h ≈ 8 W/(m²·K), room 25 °C; common practice estimate';
  const limit = `${weakest.limitC} °C for ${weakest.name}`;
  if (hot && weakest.limitC < 120)
    return [
      stop(
        'clamp-lamp.plastic',
        'Film on a filament lamp',
        `“${weakest.name}” softens at ${weakest.limitC} °C and lies over a lamp of more than 150 °C: it melts, drips and burns. Use an LED bulb.`,
        where,
        'Common practice: no plastic over incandescent lamps',
        limit,
      ),
    ];
  if (celsius >= weakest.limitC)
    return [
      stop(
        'clamp-lamp.layer',
        'The layer gets too hot',
        `About ${Math.round(celsius)} °C at the layer: ${weakest.name} fails at ${weakest.limitC} °C. Fewer watts, or a layer that bears it.`,
        where,
        source,
        limit,
      ),
    ];
  if (hot)
    return [
      look(
        'clamp-lamp.paper',
        'Paper on a hot lamp',
        `About ${Math.round(celsius)} °C in still air, more where it touches: keep it off the bulb, never leave it alone, let it cool before packing.`,
        where,
        source,
        limit,
      ),
    ];
  return [
    ok(
      'clamp-lamp.layer',
      'The layer bears it',
      `About ${Math.round(celsius)} °C, an estimate. Feel it after ten minutes.`,
      where,
      source,
      limit,
    ),
  ];
}

function resolve(lamp: ClampLamp, context: FormContext): ResolvedBuild {
  const shade = partOf(context, lamp.lampPartId, 'clamp-lamp');
  const layers = layerParts(lamp, context);
  const places = seats(lamp);
  const radius = lamp.reflectorM / 2;
  const mouthM2 = Math.PI * radius ** 2;
  const wallM2 = Math.PI * radius * Math.hypot(radius, lamp.depthM);
  const h = lamp.depthM * 0.55;
  const disc = lamp.reflectorM + 2 * lamp.tabM;
  const where = { field: 'groups', drawing: 'seat-0' };
  const misfit = bulbsOf(lamp.groups, context).flatMap((bulb): Finding[] => {
    if (!bulb || !shade) return [];
    if (bulb.base !== shade.base)
      return [
        stop(
          'clamp-lamp.base',
          'The bulb does not fit the lamp',
          `“${bulb.name}” has a ${bulb.base} base, “${shade.name}” takes ${shade.base}.`,
          where,
          'Lamp cap standards, IEC 60061; from memory',
        ),
      ];
    return bulb.wattsW > shade.ratedW
      ? [
          stop(
            'clamp-lamp.watts',
            'Too many watts for the lamp',
            `“${bulb.name}” takes ${bulb.wattsW} W in a lamp for ${shade.ratedW} W: its socket chars.`,
            where,
            'Rating printed on the lamp',
            `${shade.ratedW} W`,
          ),
        ]
      : [];
  });
  return resolved(
    {
      ...bulbLamps(lamp.groups, places, context),
      mouth: {
        shape: 'disc',
        widthM: lamp.reflectorM,
        heightM: lamp.reflectorM,
        heightOverBackM: lamp.depthM + lamp.standoffM,
        layers: layers.map(layerOf),
        cavity: { areaM2: mouthM2 + wallM2, reflectance: REFLECTOR },
        // Solid angle of the mouth from the bulb: (1 − cos)/2.
        directShare: (1 - h / Math.hypot(h, radius)) / 2,
      },
      lampsAt: { drawing: 'seat-0', field: 'groups' },
      wiring: {
        ...wiringSlots({
          cordPartId: null,
          plugPartId: lamp.plugPartId,
          dimmerPartId: lamp.dimmerPartId,
          tailLengthM: CORD_M,
        }),
        loads: bulbLoads(lamp.groups, places, (k) => (k ? 0 : CORD_M), context),
      },
      pieces: layers.map((layer, k) =>
        clothPiece(`Layer ${k + 1}`, layer.id, disc, disc, {
          markOut: [`Circle of Ø ${exactMm(disc)}; the tab goes over the rim.`],
        }),
      ),
      needs: [
        ...bulbNeeds(lamp.groups, places, context),
        ...fromPart(lamp.lampPartId, 1, 'piece', 'reflector, socket and cord'),
        ...fromPart(lamp.plugPartId, 1, 'piece', 'if its own does not fit'),
        ...fromPart(lamp.dimmerPartId, 1, 'piece', 'in the cord'),
        ...hardware('clip', layers.length ? 6 : 0, 'wooden pegs hold the layer'),
      ],
      steps: [
        checkLamps(1),
        step('Cut the layer', 'A circle with a tab', 'scissors', 10, 'no overlap near the bulb'),
        step(
          'Clamp it and aim it',
          'Clamps slip: add a turn of wire',
          'wire',
          10,
          'holds a tug',
          'A lamp that falls takes its cord along: tie the cord off too.',
        ),
        ...finishSteps(layers.length),
      ],
      facts: [
        fact('disc', 'Layer Ø', disc, 'reflector + 2 × tab'),
        fact(
          'layer-c',
          'Layer, estimated',
          layerC(lamp, context) + 273.15,
          '25 °C + P/(h·A)',
          'temperature',
        ),
        fact('mouth', 'Mouth', mouthM2, 'π·R²', 'area'),
      ],
      findings: [
        ...notChosen('clamp-lamp', [
          [
            'clamp lamp',
            shade,
            'lampPartId',
            'shade',
            'Choose the lamp; its rating is unknown until then.',
          ],
          [
            'bulb',
            !bulbsOf(lamp.groups, context).includes(null),
            'groups',
            'seat-0',
            'Choose a bulb.',
          ],
        ]),
        ...misfit,
        ...layerFindings(lamp, context),
        ...typicalLayers('clamp-lamp', layers),
      ],
      apparent: { widthM: lamp.reflectorM, heightM: lamp.reflectorM },
      frontM: lamp.depthM + lamp.standoffM,
      folded: { widthM: lamp.reflectorM, heightM: lamp.reflectorM, depthM: lamp.depthM + 0.12 },
    },
    bulbMassKg(lamp.groups, places, context) + (shade?.massKg ?? 0.4),
    context,
  );
}

function draw(lamp: ClampLamp, context: FormContext): Drawing {
  const R = lamp.reflectorM / 2;
  const globe = (bulbsOf(lamp.groups, context)[0]?.globeDiameterM ?? 0.06) / 2;
  const layers = layerParts(lamp, context);
  const z = lamp.depthM + lamp.standoffM;
  const shade: Shape = polygon(
    [
      [0, -R * 0.25],
      [lamp.depthM, -R],
      [lamp.depthM, R],
      [0, R * 0.25],
    ],
    'cut',
    'shade',
  );
  return {
    views: [
      view(
        'front',
        'Front, layer lifted off',
        [circle(0, 0, R, 'cut', 'shade'), circle(0, 0, globe, 'glass', 'seat-0')],
        [measure([-R, -R], [R, -R], -R * 0.18, 'Reflector Ø')],
        [
          knob(
            'reflectorM',
            'Reflector diameter',
            [R * Math.SQRT1_2, -R * Math.SQRT1_2],
            [Math.SQRT1_2, -Math.SQRT1_2],
            2,
          ),
        ],
      ),
      view(
        'section',
        'Section from the side, light to the right',
        [
          shade,
          circle(lamp.depthM * 0.45, 0, globe, 'glass', 'seat-0'),
          ...layers.map((_, k) =>
            line(
              [
                [z + 0.004 * k, -R],
                [z + 0.004 * k, R],
              ],
              'glass',
              'layer',
            ),
          ),
        ],
        [measure([0, -R], [lamp.depthM, -R], -R * 0.2, 'Depth')],
        [knob('depthM', 'Reflector depth', [lamp.depthM, R * 0.6], [1, 0])],
      ),
      wiringView(
        {
          outline: [circle(0, 0, R, 'hidden', 'shade')],
          terminals: [[0, 0]],
          terminalM: globe,
          dimmer: lamp.dimmerPartId !== null,
        },
        context,
      ),
    ],
  };
}

export const clampLamp: FormDefinition<ClampLamp> = {
  id: 'clamp-lamp',
  name: 'Clamp lamp',
  summary: 'A reflector clamp lamp with paper, film or cloth over it.',
  gallery: {
    goodFor: ['edge', 'insert', 'dressing'],
    skill: 1,
    reach: 'A small softish source in ten minutes.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  problems: () => [],
  limits: () => ({}),
  resolve,
  draw,
};
