import { FINISHES } from '../../materials/finish';
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
} from '../kit/choices';
import { pointsAlong, unitLamps } from '../kit/lamps';
import { cordMassKg, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import {
  choice,
  count,
  defineParameters,
  finish,
  layerParameters,
  length,
  mainsParameters,
  part,
} from '../kit/parameters';
import { rectanglePiece } from '../kit/pieces';
import { circle, knob, labelled, line, measure, rectangle, view, type XY } from '../kit/shapes';
import {
  checkTape,
  cutBoard,
  finishSteps,
  joinTape,
  layTape,
  markOut,
  step,
  wireMains,
} from '../kit/steps';
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
import type { Problem } from '../../result';
import type { ResolvedBuild } from '../resolved';

const WASHER_M = 0.0016;
const BOLT_RADIUS_M = 0.00275;
const COUNTERSINK_RADIUS_M = 0.005;

const parameters = defineParameters({
  widthM: length('Width', 'Panel', { start: 0.6, min: 0.1, max: 2.4 }),
  heightM: length('Height', 'Panel', { start: 0.3, min: 0.1, max: 2.4 }),
  backPartId: part('Back sheet', 'Panel', 'sheet'),
  frontPartId: part('Front sheet', 'Panel', 'sheet'),
  edgeM: length('Edge without tape', 'Panel', { start: 0.03, min: 0.01, max: 0.3, step: 0.005 }),
  finish: finish('Back reflects like', 'Panel', 'mirror-acrylic'),
  ...tapeParameters(5),
  rowPitchM: length('Row pitch', 'Tape', { start: 0.03, min: 0.005, max: 0.4, step: 0.005 }),
  spacerM: length('Spacer', 'Panel', { start: 0.032, min: 0.003, max: 0.2, step: 0.0016 }),
  boltsX: count('Bolts along', 'Panel', { start: 3, min: 2, max: 12 }),
  boltsY: count('Bolts up', 'Panel', { start: 2, min: 2, max: 12 }),
  backing: choice('Under the tape', 'Tape', [
    ['bare', 'the sheet itself'],
    ['metal', 'aluminium tape'],
  ]),
  ...layerParameters('Front'),
  ...mainsParameters(2),
});
type Sandwich = ReturnType<typeof parameters.defaults>;

function layout(panel: Sandwich, context: FormContext) {
  const strip = stripOf(panel, context);
  const width = tapeWidthOf(strip);
  const room = panel.heightM - 2 * panel.edgeM - width;
  const count = room < -1e-9 ? 0 : Math.min(200, Math.floor(room / panel.rowPitchM + 1e-9) + 1);
  const rowM = Math.max(0, panel.widthM - 2 * panel.edgeM);
  const rows = cutRows(Array<number>(count).fill(rowM), panel.tapeLengthM, cutMarkOf(strip));
  const heights = Array.from({ length: count }, (_, k) => ((count - 1) / 2 - k) * panel.rowPitchM);
  return { strip, count, rowM, rows, heights };
}

/** Bolt holes along the border, corners counted once. */
function bolts({ widthM, heightM, edgeM, boltsX, boltsY }: Sandwich): XY[] {
  const [x, y] = [widthM / 2 - edgeM / 2, heightM / 2 - edgeM / 2];
  const along = Array.from({ length: boltsX }, (_, k) => -x + (2 * x * k) / (boltsX - 1));
  const up = Array.from({ length: boltsY }, (_, k) => -y + (2 * y * k) / (boltsY - 1)).slice(1, -1);
  return [
    ...along.flatMap((px): XY[] => [
      [px, -y],
      [px, y],
    ]),
    ...up.flatMap((py): XY[] => [
      [-x, py],
      [x, py],
    ]),
  ];
}

function problems(panel: Sandwich, context: FormContext): Problem[] {
  const width = tapeWidthOf(stripOf(panel, context));
  const found: Problem[] = [];
  if (2 * panel.edgeM + width > Math.min(panel.widthM, panel.heightM))
    found.push({
      code: 'edge',
      path: 'edgeM',
      message: `Edges of ${mm(panel.edgeM)} leave no room for tape on a panel ${mm(Math.min(panel.widthM, panel.heightM))} across.`,
    });
  if (panel.rowPitchM < width - 1e-9)
    found.push({
      code: 'rows_overlap',
      path: 'rowPitchM',
      message: `Rows ${mm(panel.rowPitchM)} apart overlap: the tape is ${mm(width)} wide.`,
    });
  return found;
}

function resolve(panel: Sandwich, context: FormContext): ResolvedBuild {
  const { strip, rowM, rows, heights, count } = layout(panel, context);
  const { unit } = tapeUnit(panel, rows.usedM, context);
  const layers = layerParts(panel, context);
  const holes = bolts(panel);
  const points = rows.rowsM.flatMap((laid, row) =>
    pointsAlong(
      [-rowM / 2, heights[row]!, 0.002],
      [-rowM / 2 + laid, heights[row]!, 0.002],
      8,
      [0, 0, 1],
    ),
  );
  const frontM2 = panel.widthM * panel.heightM;
  const sidesM2 = 2 * (panel.widthM + panel.heightM) * panel.spacerM;
  const drill = holes.flatMap(([x, y]) => [
    labelled(
      circle(x + panel.widthM / 2, y + panel.heightM / 2, BOLT_RADIUS_M, 'drill'),
      'bolt, 5.5 mm',
    ),
    labelled(
      circle(x + panel.widthM / 2, y + panel.heightM / 2, COUNTERSINK_RADIUS_M, 'mark'),
      'countersink',
    ),
  ]);
  const sheet = (name: string, id: Sandwich['backPartId']) =>
    rectanglePiece(name, id, panel.widthM, panel.heightM, context, {
      shapes: drill,
      markOut: ['Clamp both sheets together and drill them in one go; leave the film on.'],
    });
  const washers = Math.ceil(panel.spacerM / WASHER_M - 1e-6);
  const jumpers = Math.max(0, rows.rowsM.length - 1);
  const joints =
    2 * jumpers + (panel.feed === 'one' ? 1 : panel.feed === 'both' ? 2 : rows.rowsM.length);
  return resolved(
    {
      ...unitLamps(unit, strip, rows.usedM > 0 ? 1 : 0, panel.level, { class: 'lambert' }, points),
      mouth: {
        shape: 'rectangle',
        widthM: panel.widthM,
        heightM: panel.heightM,
        heightOverBackM: panel.spacerM,
        layers: layers.map(layerOf),
        cavity: { areaM2: 2 * frontM2 + sidesM2, reflectance: FINISHES[panel.finish].reflectance },
        directShare: frontM2 / (frontM2 + sidesM2),
      },
      enclosure: {
        areaM2: 2 * frontM2 + sidesM2,
        closed: true,
        limitC: Math.min(85, ...layers.map(({ limitC }) => limitC)),
        ref: 'panel',
        field: 'widthM',
      },
      lampsAt: { drawing: 'tape', field: 'stripId' },
      wiring: { ...wiringSlots(panel), loads: tapeLoads(panel, rows.usedM, context) },
      pieces: [sheet('Back sheet', panel.backPartId), sheet('Front sheet', panel.frontPartId)],
      needs: [
        ...tapeNeeds(panel, rows, joints, 0.3 + jumpers * (panel.rowPitchM + 0.04), context),
        ...hardware('bolt', holes.length, 'through both sheets'),
        ...hardware('washer', holes.length * washers, `${washers} a bolt, spacer / 1.6 mm`),
        ...(panel.backing === 'metal' ? hardware('foil-tape', rows.usedM, 'under the tape') : []),
        ...mainsNeeds(panel, panel.tailLengthM),
      ],
      steps: [
        checkTape(rows.usedM),
        markOut('rows and bolts'),
        cutBoard('both sheets', 25),
        step(
          'Drill both sheets together, countersink the front',
          'Holes that were drilled apart never meet',
          'drill, clamps',
          4 * holes.length,
          'no cracks; film still on',
          'Acrylic grabs the bit: slow speed, a board underneath, glasses on.',
        ),
        layTape(rows.usedM, rows.rowsM.length),
        joinTape(joints),
        wireMains(context, 15),
        step(
          'Bolt the sandwich',
          'Washers hold the sheets apart',
          'spanner',
          3 * holes.length,
          'sheets parallel, nothing rattles',
        ),
        ...finishSteps(layers.length),
      ],
      facts: [
        ...tapeFacts(rows, strip, 'row'),
        fact('row', 'Row cut to', rows.rowsM[0] ?? 0, 'width − 2 × edge, down to a mark'),
        fact(
          'rows-fit',
          'Rows that fit',
          count,
          '(height − 2 · edge − width) / pitch + 1',
          'count',
        ),
        fact('jumpers', 'Jumpers', jumpers, 'rows − 1', 'count'),
        fact('bolts', 'Bolts', holes.length, 'round the border', 'count'),
        fact('washers', 'Washers a bolt', washers, 'spacer / 1.6 mm, rounded up', 'count'),
        fact(
          'ratio',
          'Stand-off over pitch',
          panel.spacerM / Math.max(panel.rowPitchM, 1 / (strip?.ledsPerM ?? 60)),
          'even from about 1',
          'ratio',
        ),
      ],
      findings: [
        ...stopsFor('sandwich', problems(panel, context), 'panel'),
        ...notChosen('sandwich', [
          [
            'tape',
            strip,
            'stripId',
            'tape',
            'Choose a tape, and rows, light, load and cost follow.',
          ],
          [
            'back sheet',
            panel.backPartId,
            'backPartId',
            'panel',
            'Mirror, white board or foil-faced board.',
          ],
          [
            'front sheet',
            panel.frontPartId,
            'frontPartId',
            'panel',
            'Opal acrylic as a rule; give its transmittance as the first layer.',
          ],
          ...mainsOpen(panel),
        ]),
        ...tapeFindings('sandwich', panel, rows, null, panel.backing === 'metal', context),
        ...typicalLayers('sandwich', layers),
        ...(panel.spacerM < panel.rowPitchM
          ? [
              look(
                'sandwich.hot-spots',
                'The rows will show',
                `The front stands ${mm(panel.spacerM)} off rows ${mm(panel.rowPitchM)} apart: it looks striped. Thicker spacers or closer rows.`,
                { field: 'spacerM', drawing: 'panel' },
                'Common practice: stand-off at least the pitch',
                mm(panel.rowPitchM),
              ),
            ]
          : []),
        ...(layers.length === 0
          ? [
              look(
                'sandwich.front',
                'The front’s loss is not counted',
                'Give the opal sheet as the first layer, or the light is counted as if the front were open.',
                { field: 'layer1PartId', drawing: 'panel' },
                'This design',
              ),
            ]
          : []),
      ],
      apparent: { widthM: panel.widthM, heightM: panel.heightM },
      frontM: panel.spacerM,
      folded: { widthM: panel.widthM, heightM: panel.heightM, depthM: panel.spacerM + 0.008 },
    },
    rows.usedM * (strip?.massKgPerM ?? 0.02) +
      holes.length * (0.01 + 0.001 * washers) +
      cordMassKg(panel, panel.tailLengthM, context),
    context,
  );
}

function draw(panel: Sandwich, context: FormContext): Drawing {
  const { rows, heights, rowM } = layout(panel, context);
  const [W, H] = [panel.widthM / 2, panel.heightM / 2];
  const size = Math.max(W, H);
  const ends = rows.rowsM.map((laid, row): [XY, XY] => [
    [-rowM / 2, heights[row]!],
    [-rowM / 2 + laid, heights[row]!],
  ]);
  const back = partOf(context, panel.backPartId, 'sheet')?.thicknessM ?? 0.003;
  const route = ends.flatMap(([a, b], row) => (row % 2 ? [b, a] : [a, b]));
  return {
    views: [
      view(
        'front',
        'Front, opal sheet lifted off',
        [
          rectangle(-W, -H, W, H, 'cut', 'panel'),
          ...ends.map(([a, b]) => line([a, b], 'tape', 'tape')),
          ...bolts(panel).map(([x, y]) => circle(x, y, BOLT_RADIUS_M * 1.6, 'drill', 'bolt')),
        ],
        [
          measure([-W, -H], [W, -H], -0.16 * size, 'Width'),
          measure([W, -H], [W, H], -0.16 * size, 'Height'),
        ],
        [
          knob('widthM', 'Width', [W, 0], [1, 0], 2),
          knob('heightM', 'Height', [0, H], [0, 1], 2),
          ...(heights.length > 1
            ? [
                knob(
                  'rowPitchM',
                  'Row pitch',
                  [-rowM / 2, heights[0]!],
                  [0, 1],
                  2 / (heights.length - 1),
                ),
              ]
            : []),
        ],
      ),
      view(
        'section',
        'Section, light upwards',
        [
          rectangle(-W, -back, W, 0, 'cut', 'panel'),
          rectangle(-W, panel.spacerM, W, panel.spacerM + back, 'glass', 'layer'),
          ...rows.rowsM.map((_, row) =>
            rectangle(heights[row]! - 0.004, 0, heights[row]! + 0.004, 0.003, 'tape', 'tape'),
          ),
          ...[-1, 1].map((side) =>
            rectangle(
              side * (W - panel.edgeM / 2) - 0.003,
              -back,
              side * (W - panel.edgeM / 2) + 0.003,
              panel.spacerM + back,
              'part',
              'bolt',
            ),
          ),
        ],
        [measure([-W, 0], [-W, panel.spacerM], 0.1 * size, 'Spacer')],
        [knob('spacerM', 'Spacer', [0, panel.spacerM], [0, 1])],
      ),
      wiringView(
        {
          outline: [rectangle(-W, -H, W, H, 'hidden', 'panel')],
          terminals: route.map(([x, y]) => [-x, y] as const),
          terminalM: size * 0.03,
          supply: true,
          dimmer: panel.dimmerPartId !== null,
          refOf: () => 'tape',
        },
        context,
      ),
    ],
  };
}

export const sandwichPanel: FormDefinition<Sandwich> = {
  id: 'sandwich-panel',
  name: 'Sandwich panel',
  summary: 'Tape in rows between a bright back and an opal front, held apart by bolts.',
  gallery: {
    goodFor: ['insert', 'dressing', 'face'],
    skill: 3,
    reach: 'A thin flat panel that looks finished: for inserts, signs and window light.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  fill: tapeFill(
    (panel, context) => layout({ ...panel, tapeLengthM: 400 }, context).rows.capacityM,
  ),
  problems,
  limits: (panel) => ({
    widthM: { min: Math.max(0.1, 2 * panel.edgeM + 0.02), max: 2.4 },
    heightM: { min: Math.max(0.1, 2 * panel.edgeM + 0.02), max: 2.4 },
  }),
  resolve,
  draw,
};
