import { FINISHES } from '../../materials/finish';
import type { Drawing } from '../drawing';
import type { FormContext, FormDefinition } from '../form';
import { fact, resolved } from '../kit/build';
import { mm, notChosen, partOf, stopsFor } from '../kit/choices';
import { unitLamps } from '../kit/lamps';
import {
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
  finish,
  length,
  mainsParameters,
  part,
  share,
  unit,
} from '../kit/parameters';
import { rectanglePiece } from '../kit/pieces';
import { box, circle, knob, labelled, measure, rectangle, view } from '../kit/shapes';
import { checkLamps, cutBoard, finishSteps, markOut, step, wireMains } from '../kit/steps';
import {
  ballastCount,
  TUBE_DIAMETER_M,
  TUBE_LENGTH_M,
  tubeFindings,
  tubeOf,
  tubePoints,
  tubeSpread,
  tubeUnit,
  tubeVa,
} from '../kit/tubes';
import { unearthedMetal } from '../kit/sockets';
import { wiringView } from '../kit/wiringView';
import type { Problem } from '../../result';
import type { ResolvedBuild } from '../resolved';

const parameters = defineParameters({
  unitId: unit('Tube or bar', 'Tubes', 'tube'),
  fillMode: fillMode('Tubes'),
  tubeCount: count('Tubes', 'Tubes', {
    start: 4,
    min: 1,
    max: 8,
    when: { parameter: 'fillMode', is: 'count' },
  }),
  linkRun: count('End to end', 'Tubes', {
    start: 1,
    min: 1,
    max: 12,
    help: 'linkable bars in one row',
  }),
  pitchM: length('Pitch', 'Tubes', { start: 0.08, min: 0.01, max: 0.6, step: 0.005 }),
  orientation: choice('Tubes run', 'Tubes', [
    ['upright', 'upright'],
    ['level', 'level'],
  ]),
  standoffM: length('Over the back', 'Tubes', { start: 0.04, min: 0.005, max: 0.3, step: 0.005 }),
  level: share('Level', 'Tubes', { start: 1, min: 0, max: 1 }),
  ballastPartId: part('Ballast', 'Tubes', 'ballast', false),
  boardPartId: part('Sheet', 'Housing', 'sheet'),
  edgeM: length('Edge round the tubes', 'Housing', { start: 0.05, min: 0, max: 0.4, step: 0.005 }),
  lipM: length('Side walls', 'Housing', { start: 0.08, min: 0, max: 0.5, step: 0.005 }),
  finish: finish('Reflector', 'Housing', 'white-emulsion'),
  bracket: choice('Stand bracket', 'Housing', [
    ['yes', 'across the back'],
    ['no', 'none'],
  ]),
  ...mainsParameters(3),
});
type TubeBank = ReturnType<typeof parameters.defaults>;

function layout(bank: TubeBank, context: FormContext) {
  const tube = tubeOf(bank.unitId, context);
  const longM = (tube?.lengthM ?? TUBE_LENGTH_M) * bank.linkRun;
  const acrossM = bank.tubeCount * bank.pitchM;
  const upright = bank.orientation === 'upright';
  const [w, h] = upright ? [acrossM, longM] : [longM, acrossM];
  return {
    tube,
    longM,
    upright,
    diameterM: tube?.diameterM ?? TUBE_DIAMETER_M,
    rowsM: Array.from(
      { length: bank.tubeCount },
      (_, k) => (k - (bank.tubeCount - 1) / 2) * bank.pitchM,
    ),
    backW: w + 2 * bank.edgeM,
    backH: h + 2 * bank.edgeM,
  };
}

/** From end to end of one row of tubes, on the back's plane. */
const rowEnds = (
  upright: boolean,
  across: number,
  longM: number,
): readonly [readonly [number, number], readonly [number, number]] =>
  upright
    ? [
        [across, -longM / 2],
        [across, longM / 2],
      ]
    : [
        [-longM / 2, across],
        [longM / 2, across],
      ];

function problems(bank: TubeBank, context: FormContext): Problem[] {
  const { diameterM } = layout(bank, context);
  return bank.pitchM < diameterM
    ? [
        {
          code: 'tubes_overlap',
          path: 'pitchM',
          message: `Tubes of Ø ${mm(diameterM)} do not fit ${mm(bank.pitchM)} apart.`,
        },
      ]
    : [];
}

function resolve(bank: TubeBank, context: FormContext): ResolvedBuild {
  const { tube, longM, upright, diameterM, rowsM, backW, backH } = layout(bank, context);
  const spread = tubeSpread(tube);
  const z = bank.standoffM + diameterM / 2;
  const points = rowsM.flatMap((across) => {
    const [a, b] = rowEnds(upright, across, longM);
    return tubePoints([a[0], a[1], z], [b[0], b[1], z], spread, [0, 0, 1]);
  });
  const tubes = bank.tubeCount * bank.linkRun;
  const ballasts = ballastCount(tube, tubes, bank.ballastPartId, context);
  const pieces = [
    rectanglePiece('Back', bank.boardPartId, backW, backH, context, {
      shapes: [-1, 1].map((side) =>
        labelled(
          circle(backW / 2 + side * backW * 0.2, backH / 2, 0.003, 'drill'),
          'bracket bolt, 6 mm',
        ),
      ),
    }),
    ...(bank.lipM > 0
      ? [
          rectanglePiece(
            'Long wall',
            bank.boardPartId,
            Math.max(backW, backH),
            bank.lipM,
            context,
            { count: 2 },
          ),
          rectanglePiece(
            'Short wall',
            bank.boardPartId,
            Math.min(backW, backH),
            bank.lipM,
            context,
            { count: 2 },
          ),
        ]
      : []),
  ];
  const cordM = bank.tailLengthM + bank.tubeCount * bank.pitchM;
  return resolved(
    {
      ...unitLamps(tubeUnit(tube), tube, tubes, bank.level, spread, points),
      surfaces: [
        {
          kind: 'rectangle',
          widthM: backW,
          depthM: backH,
          heightM: 0,
          reflectance: FINISHES[bank.finish].reflectance,
        },
      ],
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...wiringSlots(bank),
        loads: rowsM.map((_, k) => ({
          ref: `seat-${k}`,
          apparentVa: tubeVa(tube) * bank.linkRun,
          cordM: k ? bank.pitchM : bank.tailLengthM,
        })),
      },
      pieces,
      needs: [
        ...fromUnit(bank.unitId, tubes, 'piece', 'the lamps'),
        ...fromPart(bank.ballastPartId, ballasts, 'piece', 'one for every so many tubes'),
        ...hardware('pipe-clip', 2 * tubes, 'two a tube'),
        ...hardware('screw', 2 * tubes + (bank.lipM > 0 ? 16 : 0), 'clips and walls'),
        ...hardware('strain-relief', 1, 'where the tail enters'),
        ...(bank.bracket === 'yes'
          ? [...hardware('spigot', 1, 'bracket'), ...hardware('bolt', 2, 'bracket')]
          : []),
        ...mainsNeeds(bank, cordM),
      ],
      steps: [
        checkLamps(tubes),
        markOut('the housing'),
        cutBoard('back and walls', 25),
        step(
          'Put the housing together and finish it',
          'A bright back sends the rear light forwards',
          'glue, screws, roller',
          35,
          'square; the finish dry',
        ),
        step(
          'Clip the tubes in',
          'Hold them near their ends',
          'screwdriver',
          3 * tubes,
          'no tube under strain',
          tube?.technology === 'fluorescent'
            ? 'Tubes contain mercury. If one breaks: air the room 15 minutes, gather with card and tape, hand it in.'
            : null,
        ),
        wireMains(context, 20 + 6 * bank.tubeCount + 10 * ballasts),
        ...finishSteps(),
      ],
      facts: [
        fact('tubes', 'Tubes in all', tubes, 'rows × end to end', 'count'),
        ...(ballasts
          ? [fact('ballasts', 'Ballasts', ballasts, 'tubes / tubes a ballast', 'count')]
          : []),
        fact('run', 'Length of a row', longM, 'tube length × end to end'),
        fact('back-w', 'Back, width', backW, 'tubes and edges'),
        fact('back-h', 'Back, height', backH, 'tubes and edges'),
      ],
      findings: [
        ...stopsFor('tube-bank', problems(bank, context), 'seat-0'),
        ...notChosen('tube-bank', [
          [
            'tube',
            tube,
            'unitId',
            'seat-0',
            'Choose a tube or bar, and size, light and load follow.',
          ],
          ['board', bank.boardPartId, 'boardPartId', 'board', 'Choose the sheet of the housing.'],
          ...mainsOpen(bank),
        ]),
        ...tubeFindings('tube-bank', bank, bank.linkRun, context),
        ...unearthedMetal('tube-bank', bank.boardPartId, bank.cordPartId, context),
      ],
      apparent: { widthM: backW - 2 * bank.edgeM, heightM: backH - 2 * bank.edgeM },
      array: { spacingM: rowsM.length > 1 ? bank.pitchM : Infinity, emitterWidthM: diameterM },
      frontM: z + diameterM / 2,
      folded: {
        widthM: backW,
        heightM: backH,
        depthM:
          Math.max(bank.lipM, z + diameterM / 2) +
          (partOf(context, bank.boardPartId, 'sheet')?.thicknessM ?? 0.006),
      },
    },
    tubes * (tube?.massKg ?? 0.2) +
      ballasts * (partOf(context, bank.ballastPartId, 'ballast')?.massKg ?? 0.3) +
      cordMassKg(bank, cordM, context),
    context,
  );
}

function draw(bank: TubeBank, context: FormContext): Drawing {
  const { longM, upright, diameterM, rowsM, backW, backH } = layout(bank, context);
  const size = Math.max(backW, backH);
  const tubes = rowsM.map((across, k) =>
    upright
      ? box(across, 0, diameterM, longM, 'glass', `seat-${k}`)
      : box(0, across, longM, diameterM, 'glass', `seat-${k}`),
  );
  const last = rowsM.at(-1)!;
  const thickness = partOf(context, bank.boardPartId, 'sheet')?.thicknessM ?? 0.006;
  const half = (bank.tubeCount * bank.pitchM) / 2 + bank.edgeM;
  return {
    views: [
      view(
        'front',
        'Front, as the subject sees it',
        [rectangle(-backW / 2, -backH / 2, backW / 2, backH / 2, 'cut', 'board'), ...tubes],
        [
          measure([-backW / 2, -backH / 2], [backW / 2, -backH / 2], -0.08 * size, 'Width'),
          measure([backW / 2, -backH / 2], [backW / 2, backH / 2], -0.08 * size, 'Height'),
        ],
        [
          knob(
            'edgeM',
            'Edge round the tubes',
            [backW / 2, backH / 2],
            [Math.SQRT1_2, Math.SQRT1_2],
          ),
          ...(bank.tubeCount > 1
            ? [
                upright
                  ? knob('pitchM', 'Pitch', [last, 0], [1, 0], 2 / (bank.tubeCount - 1))
                  : knob('pitchM', 'Pitch', [0, last], [0, 1], 2 / (bank.tubeCount - 1)),
              ]
            : []),
        ],
      ),
      view(
        'section',
        'Section across the tubes, light upwards',
        [
          box(0, -thickness / 2, 2 * half, thickness, 'cut', 'board'),
          ...rowsM.map((across, k) =>
            circle(across, bank.standoffM + diameterM / 2, diameterM / 2, 'glass', `seat-${k}`),
          ),
          ...(bank.lipM > 0
            ? [
                rectangle(-half, 0, -half + thickness, bank.lipM, 'cut', 'board'),
                rectangle(half - thickness, 0, half, bank.lipM, 'cut', 'board'),
              ]
            : []),
        ],
        [
          measure(
            [-half, 0],
            [-half, Math.max(bank.lipM, bank.standoffM + diameterM)],
            0.04,
            'Depth',
          ),
        ],
        [knob('standoffM', 'Over the back', [rowsM[0]!, bank.standoffM + diameterM / 2], [0, 1])],
      ),
      wiringView(
        {
          outline: [rectangle(-backW / 2, -backH / 2, backW / 2, backH / 2, 'hidden', 'board')],
          terminals: rowsM.map((across) =>
            upright ? ([-across, longM / 2] as const) : ([-longM / 2, across] as const),
          ),
          terminalM: diameterM,
          dimmer: bank.dimmerPartId !== null,
        },
        context,
      ),
    ],
  };
}

export const tubeBank: FormDefinition<TubeBank> = {
  id: 'tube-bank',
  name: 'Tube bank',
  summary: 'Tubes or LED bars side by side in a housing, or end to end.',
  gallery: {
    goodFor: ['wash', 'overhead', 'edge'],
    skill: 2,
    reach: 'An even wash: two banks of four make an even green screen.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  fill: {
    parameter: 'tubeCount',
    step: () => 1,
    most: () => 8,
    onHand: (bank, context) =>
      Math.floor((tubeOf(bank.unitId, context)?.onHand ?? 0) / bank.linkRun),
  },
  problems,
  limits: (bank, context) => ({
    pitchM: { min: Math.max(0.01, layout(bank, context).diameterM), max: 0.6 },
  }),
  resolve,
  draw,
};
