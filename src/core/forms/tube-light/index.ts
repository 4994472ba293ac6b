import type { Drawing } from '../drawing';
import type { FormContext, FormDefinition } from '../form';
import { fact, resolved } from '../kit/build';
import { exactMm, layerOf, look, mm, notChosen, partOf, stopsFor } from '../kit/choices';
import { pointsAlong, unitLamps } from '../kit/lamps';
import { cordMassKg, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import { choice, count, defineParameters, length, mainsParameters, part } from '../kit/parameters';
import { clothPiece, stickPiece } from '../kit/pieces';
import { circle, knob, line, measure, rectangle, view } from '../kit/shapes';
import { checkTape, finishSteps, joinTape, layTape, step, sticks, wireMains } from '../kit/steps';
import {
  cutMarkOf,
  cutRows,
  stripOf,
  tapeFacts,
  tapeFill,
  tapeFindings,
  tapeLoads,
  tapeNeeds,
  tapeParameters,
  tapeUnit,
  tapeWidthOf,
} from '../kit/tape';
import { wiringView } from '../kit/wiringView';
import { stackLayers } from '../../light/mouth';
import type { Problem } from '../../result';
import type { ResolvedBuild } from '../resolved';

const parameters = defineParameters({
  tubeLengthM: length('Tube length', 'Tube', { start: 1, min: 0.1, max: 3 }),
  insideDiameterM: length('Inside Ø', 'Tube', { start: 0.04, min: 0.008, max: 0.3, step: 0.001 }),
  tubePartId: part('Clear tube', 'Tube', 'stick'),
  capM: length('Cap takes', 'Tube', {
    start: 0.015,
    min: 0,
    max: 0.1,
    step: 0.001,
    help: 'of the length at each end',
  }),
  cableExit: choice('Cable leaves', 'Tube', [
    ['end', 'by an end cap'],
    ['side', 'through the wall'],
  ]),
  ...tapeParameters(1),
  strands: choice('Strands', 'Tape', [
    [1, 'one'],
    [2, 'two, back to back'],
  ]),
  linerPartId: part('Liner', 'Liner', 'diffusion', false),
  linerTurns: count('Turns', 'Liner', { start: 1, min: 1, max: 4 }),
  overlapM: length('Overlap', 'Liner', { start: 0.005, min: 0, max: 0.05, step: 0.001 }),
  foldM: length('Fold over each end', 'Liner', { start: 0.01, min: 0, max: 0.1, step: 0.001 }),
  ...mainsParameters(2),
});
type TubeLight = ReturnType<typeof parameters.defaults>;

function layout(light: TubeLight, context: FormContext) {
  const strip = stripOf(light, context);
  const strandM = Math.max(0, light.tubeLengthM - 2 * light.capM);
  const rows = cutRows(
    Array<number>(light.strands).fill(strandM),
    light.tapeLengthM,
    cutMarkOf(strip),
  );
  return { strip, strandM, rows };
}

function problems(light: TubeLight, context: FormContext): Problem[] {
  const { strip, strandM } = layout(light, context);
  const width = tapeWidthOf(strip);
  const found: Problem[] = [];
  if (light.insideDiameterM < width)
    found.push({
      code: 'narrow',
      path: 'insideDiameterM',
      message: `Tape ${mm(width)} wide does not go into a tube of Ø ${mm(light.insideDiameterM)} inside.`,
    });
  if (strandM < cutMarkOf(strip))
    found.push({
      code: 'short',
      path: 'tubeLengthM',
      message: `Between its caps the tube holds ${mm(strandM)}; one section of tape is ${mm(cutMarkOf(strip))}.`,
    });
  return found;
}

function resolve(light: TubeLight, context: FormContext): ResolvedBuild {
  const { strip, strandM, rows } = layout(light, context);
  const { unit } = tapeUnit(light, rows.usedM, context);
  const liner = partOf(context, light.linerPartId, 'diffusion');
  const layers = liner ? Array.from({ length: light.linerTurns }, () => layerOf(liner)) : [];
  const { transmittance, backReflectance } = stackLayers(layers);
  const lit = rows.rowsM[0] ?? 0;
  // A lined tube glows all round; bare tape shines from the side it faces.
  const spread =
    liner || light.strands === 2 ? ({ class: 'tube' } as const) : ({ class: 'lambert' } as const);
  const facing = spread.class === 'tube' ? ([0, 1, 0] as const) : ([0, 0, 1] as const);
  const z = light.insideDiameterM / 2;
  const points = pointsAlong([0, -lit / 2, z], [0, lit / 2, z], 24, facing);
  const lamps = unitLamps(unit, strip, rows.usedM > 0 ? 1 : 0, light.level, spread, points);
  const dot = 1 / (strip?.ledsPerM ?? 60);
  const linerW = Math.PI * light.insideDiameterM * light.linerTurns + light.overlapM;
  const wallM2 = Math.PI * light.insideDiameterM * light.tubeLengthM;
  return resolved(
    {
      groups: lamps.groups,
      // What the liner sends back crosses the tube and meets it again: η = τ/(1 − ρd).
      emitters: lamps.emitters.map((emitter) => ({
        ...emitter,
        luminousFluxLm: (emitter.luminousFluxLm * transmittance) / (1 - backReflectance),
      })),
      enclosure: {
        areaM2: wallM2,
        closed: true,
        limitC: liner?.limitC ?? 80,
        ref: 'tube',
        field: 'insideDiameterM',
      },
      lampsAt: { drawing: 'tape', field: 'stripId' },
      wiring: { ...wiringSlots(light), loads: tapeLoads(light, rows.usedM, context) },
      pieces: [
        stickPiece('Tube', light.tubePartId, light.tubeLengthM, 1, [
          'Saw it square with a fine blade, deburr inside.',
        ]),
        ...(liner
          ? [
              clothPiece('Liner', light.linerPartId, linerW, light.tubeLengthM + 2 * light.foldM, {
                markOut: [
                  'Roll it round a stick, slide it in, let it spring open; the overlap goes to the back.',
                ],
              }),
            ]
          : []),
      ],
      needs: [
        ...tapeNeeds(light, rows, light.strands, 0.2, context),
        ...hardware('cap', 2, 'ends of the tube'),
        ...hardware('strain-relief', 1, 'where the cable leaves'),
        ...mainsNeeds(light, light.tailLengthM),
      ],
      steps: [
        checkTape(rows.usedM),
        step(
          'Look through the tube',
          'Scratches show as lines',
          'a lamp',
          2,
          'clear from end to end',
        ),
        sticks('the tube', 1),
        step(
          'Roll the liner in',
          'It hides the dots',
          'a stick',
          8,
          'no crease, overlap at the back',
        ),
        layTape(rows.usedM, light.strands),
        joinTape(light.strands),
        step(
          'Pull the tape in and cap it',
          'A thread through first makes it easy',
          'thread',
          10,
          'tape straight, cable held',
        ),
        wireMains(context, 15),
        ...finishSteps(),
      ],
      facts: [
        ...tapeFacts(rows, strip, 'strand'),
        fact('strand', 'Strand cut to', lit, 'length − caps, down to a mark'),
        fact('room', 'Room between the caps', strandM, 'length − 2 × cap'),
        fact('liner-w', 'Liner width', linerW, 'π · Ø · turns + overlap'),
        fact('liner-l', 'Liner length', light.tubeLengthM + 2 * light.foldM, 'length + 2 × fold'),
      ],
      findings: [
        ...stopsFor('tube-light', problems(light, context), 'tube'),
        ...notChosen('tube-light', [
          ['tape', strip, 'stripId', 'tape', 'Choose a tape, and light, load and cost follow.'],
          ['tube', light.tubePartId, 'tubePartId', 'tube', 'Choose the clear tube it is cut from.'],
          ...mainsOpen(light),
        ]),
        ...tubeTooLong(light, context),
        ...tapeFindings('tube-light', light, rows, null, false, context),
        ...(liner
          ? []
          : [
              look(
                'tube-light.dots',
                'Dots on the wall of the tube',
                'Tape that touches the wall shows every diode: roll a liner in, or leave it as set dressing.',
                { field: 'linerPartId', drawing: 'tube' },
              ),
            ]),
        ...(liner && light.insideDiameterM < dot
          ? [
              look(
                'tube-light.near',
                'Dots through the liner',
                `Diodes ${exactMm(dot)} apart in a tube of Ø ${exactMm(light.insideDiameterM)}: the liner is nearer than they are apart. A wider tube or denser tape.`,
                { field: 'insideDiameterM', drawing: 'tube' },
                'Common practice: stand-off at least the pitch',
              ),
            ]
          : []),
        ...(light.overlapM > 0.01
          ? [
              look(
                'tube-light.stripe',
                'A dark stripe',
                'A wide overlap of the liner shows as a dark line: turn it to the back, keep it under a centimetre.',
                { field: 'overlapM', drawing: 'tube' },
              ),
            ]
          : []),
      ],
      apparent: { widthM: light.insideDiameterM, heightM: light.tubeLengthM },
      array: { spacingM: Infinity, emitterWidthM: light.insideDiameterM },
      frontM: light.insideDiameterM,
      folded: {
        widthM: light.insideDiameterM + 0.004,
        heightM: light.tubeLengthM,
        depthM: light.insideDiameterM + 0.004,
      },
    },
    rows.usedM * (strip?.massKgPerM ?? 0.02) + cordMassKg(light, light.tailLengthM, context) + 0.03,
    context,
  );
}

function tubeTooLong(light: TubeLight, context: FormContext) {
  const stock = partOf(context, light.tubePartId, 'stick');
  if (!stock || light.tubeLengthM <= stock.stockLengthM + 1e-9) return [];
  return stopsFor(
    'tube-light',
    [
      {
        code: 'stock',
        path: 'tubeLengthM',
        message: `“${stock.name}” comes ${mm(stock.stockLengthM)} long: make the light shorter or choose a longer tube.`,
      },
    ],
    'tube',
  );
}

function draw(light: TubeLight, context: FormContext): Drawing {
  const { rows } = layout(light, context);
  const [L, d] = [light.tubeLengthM / 2, light.insideDiameterM / 2];
  const lit = rows.rowsM[0] ?? 0;
  return {
    views: [
      view(
        'front',
        'Front; stands or lies',
        [
          rectangle(-L, -d, L, d, 'cut', 'tube'),
          rectangle(-L, -d, -L + light.capM, d, 'part', 'tube'),
          rectangle(L - light.capM, -d, L, d, 'part', 'tube'),
          line(
            [
              [-lit / 2, 0],
              [lit / 2, 0],
            ],
            'tape',
            'tape',
          ),
        ],
        [measure([-L, -d], [L, -d], -0.12 * L, 'Length')],
        [knob('tubeLengthM', 'Tube length', [L, 0], [1, 0], 2)],
      ),
      view(
        'section',
        'Section across',
        [
          circle(0, 0, d, 'cut', 'tube'),
          ...(light.linerPartId ? [circle(0, 0, d * 0.93, 'glass', 'layer')] : []),
          line(
            [
              [-0.005, -d * 0.1],
              [0.005, -d * 0.1],
            ],
            'tape',
            'tape',
          ),
          ...(light.strands === 2
            ? [
                line(
                  [
                    [-0.005, d * 0.1],
                    [0.005, d * 0.1],
                  ],
                  'tape',
                  'tape',
                ),
              ]
            : []),
        ],
        [measure([-d, 0], [d, 0], 0, 'Inside Ø')],
        [knob('insideDiameterM', 'Inside diameter', [d, 0], [1, 0], 2)],
      ),
      wiringView(
        {
          outline: [
            rectangle(-L, -Math.max(d, L * 0.08), L, Math.max(d, L * 0.08), 'hidden', 'tube'),
          ],
          terminals: [
            [-lit / 2, 0],
            [lit / 2, 0],
          ],
          terminalM: 0.02,
          supply: true,
          dimmer: light.dimmerPartId !== null,
          refOf: () => 'tape',
        },
        context,
      ),
    ],
  };
}

export const tubeLight: FormDefinition<TubeLight> = {
  id: 'tube-light',
  name: 'Tube light',
  summary: 'Tape in a clear tube with a rolled liner: a glowing line.',
  gallery: {
    goodFor: ['edge', 'dressing'],
    skill: 1,
    reach: 'A line of light in the picture, or an edge along a wall.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  fill: tapeFill(
    (light, context) => layout({ ...light, tapeLengthM: 400 }, context).rows.capacityM,
  ),
  problems,
  limits: (light, context) => ({
    insideDiameterM: { min: Math.max(0.008, tapeWidthOf(stripOf(light, context))), max: 0.3 },
  }),
  resolve,
  draw,
};
