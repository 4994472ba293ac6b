import { FINISHES } from '../../materials/finish';
import type { Drawing } from '../drawing';
import type { FormContext, FormDefinition } from '../form';
import { fact, resolved } from '../kit/build';
import {
  exactMm,
  layerOf,
  layerParts,
  look,
  mm,
  notChosen,
  partOf,
  stopsFor,
  typicalLayers,
} from '../kit/choices';
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
  count,
  defineParameters,
  finish,
  layerParameters,
  length,
  mainsParameters,
  part,
  share,
  unit,
} from '../kit/parameters';
import { clothPiece, rectanglePiece, stickPiece } from '../kit/pieces';
import { box, circle, knob, labelled, line, measure, rectangle, view } from '../kit/shapes';
import { checkLamps, cutBoard, finishSteps, markOut, step, wireMains } from '../kit/steps';
import {
  ballastCount,
  TUBE_DIAMETER_M,
  TUBE_LENGTH_M,
  tubeFindings,
  tubeOf,
  tubePoints,
  tubeSpread,
  tubeTooLong,
  tubeUnit,
  tubeVa,
} from '../kit/tubes';
import { wiringView } from '../kit/wiringView';
import type { Problem } from '../../result';
import type { ResolvedBuild } from '../resolved';

const parameters = defineParameters({
  widthM: length('Board width', 'Board', { start: 1.2, min: 0.2, max: 3 }),
  heightM: length('Board height', 'Board', { start: 0.8, min: 0.2, max: 3 }),
  sheets: count('Sheets glued', 'Board', { start: 1, min: 1, max: 4 }),
  boardPartId: part('White board', 'Board', 'sheet'),
  finish: finish('Face', 'Board', 'foam-core'),
  stiffenerPartId: part('Stiffener', 'Board', 'stick', false),
  unitId: unit('Tube', 'Tubes', 'tube'),
  linkRun: count('Tubes end to end', 'Tubes', { start: 1, min: 1, max: 4 }),
  offsetM: length('In from the edge', 'Tubes', { start: 0.04, min: 0.01, max: 0.5, step: 0.005 }),
  standoffM: length('Over the board', 'Tubes', { start: 0.05, min: 0.01, max: 0.5, step: 0.005 }),
  clips: count('Clips a tube', 'Tubes', { start: 2, min: 2, max: 6 }),
  clipInM: length('Clip from the tube’s end', 'Tubes', {
    start: 0.12,
    min: 0.02,
    max: 1,
    step: 0.005,
    help: 'clear of the control end',
  }),
  level: share('Level', 'Tubes', { start: 1, min: 0, max: 1 }),
  ballastPartId: part('Ballast', 'Tubes', 'ballast', false),
  ...layerParameters('Drape'),
  drapeOutM: length('Drape over the board', 'Drape', {
    start: 0.15,
    min: 0.02,
    max: 1,
    step: 0.005,
  }),
  ...mainsParameters(3),
});
type Bounce = ReturnType<typeof parameters.defaults>;

/** Two tubes, one along each long edge, shining into the board. */
function layout(bounce: Bounce, context: FormContext) {
  const tube = tubeOf(bounce.unitId, context);
  const longM = (tube?.lengthM ?? TUBE_LENGTH_M) * bounce.linkRun;
  return {
    tube,
    longM,
    diameterM: tube?.diameterM ?? TUBE_DIAMETER_M,
    y: bounce.heightM / 2 - bounce.offsetM,
  };
}

function problems(bounce: Bounce, context: FormContext): Problem[] {
  const { longM } = layout(bounce, context);
  const found: Problem[] = [];
  if (2 * bounce.offsetM >= bounce.heightM - 0.02)
    found.push({
      code: 'offset',
      path: 'offsetM',
      message: `Tubes ${mm(bounce.offsetM)} in from both edges meet in the middle of a board ${mm(bounce.heightM)} high.`,
    });
  if (bounce.clipInM * 2 >= longM)
    found.push({
      code: 'clips',
      path: 'clipInM',
      message: `Clips ${mm(bounce.clipInM)} from both ends pass each other on a tube ${mm(longM)} long.`,
    });
  return found;
}

function resolve(bounce: Bounce, context: FormContext): ResolvedBuild {
  const { tube, longM, diameterM, y } = layout(bounce, context);
  const spread = tubeSpread(tube);
  const points = [-1, 1].flatMap((side) =>
    tubePoints(
      [-longM / 2, side * y, bounce.standoffM],
      [longM / 2, side * y, bounce.standoffM],
      spread,
      [0, 0, -1],
    ),
  );
  const tubes = 2 * bounce.linkRun;
  const ballasts = ballastCount(tube, tubes, bounce.ballastPartId, context);
  const layers = layerParts(bounce, context);
  const faceM2 = bounce.widthM * bounce.heightM;
  const sidesM2 = 2 * (bounce.widthM + bounce.heightM) * bounce.drapeOutM;
  const clipsAt = Array.from(
    { length: bounce.clips },
    (_, k) => -longM / 2 + bounce.clipInM + ((longM - 2 * bounce.clipInM) * k) / (bounce.clips - 1),
  );
  const board = rectanglePiece(
    'White board',
    bounce.boardPartId,
    bounce.widthM,
    bounce.heightM,
    context,
    {
      count: bounce.sheets,
      shapes: [-1, 1].flatMap((side) =>
        clipsAt.map((x) =>
          labelled(
            circle(x + bounce.widthM / 2, bounce.heightM / 2 + side * y, 0.003, 'drill'),
            'clip, 6 mm',
          ),
        ),
      ),
      markOut: [`Clips ${exactMm(bounce.clipInM)} from the tubes’ ends.`],
    },
  );
  const drape = {
    w: bounce.widthM + 2 * bounce.drapeOutM + 0.1,
    h: bounce.heightM + 2 * bounce.drapeOutM + 0.1,
  };
  const cordM = bounce.tailLengthM + bounce.heightM;
  return resolved(
    {
      ...unitLamps(tubeUnit(tube), tube, tubes, bounce.level, spread, points),
      mouth: {
        shape: 'rectangle',
        widthM: bounce.widthM,
        heightM: bounce.heightM,
        heightOverBackM: bounce.drapeOutM,
        layers: layers.map(layerOf),
        // The drape's sides count as wall: what leaves by them is spill, not light at the subject.
        cavity: { areaM2: 2 * faceM2 + sidesM2, reflectance: FINISHES[bounce.finish].reflectance },
        directShare: spread.class === 'tube' ? 0.35 : 0,
      },
      enclosure: {
        areaM2: 2 * faceM2 + sidesM2,
        closed: layers.length > 0,
        limitC: layers.length ? Math.min(...layers.map(({ limitC }) => limitC)) : null,
        ref: 'board',
        field: 'drapeOutM',
      },
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...wiringSlots(bounce),
        loads: [0, 1].map((k) => ({
          ref: `seat-${k}`,
          apparentVa: tubeVa(tube) * bounce.linkRun,
          cordM: k ? bounce.heightM : bounce.tailLengthM,
        })),
      },
      pieces: [
        board,
        ...(bounce.stiffenerPartId
          ? [stickPiece('Stiffener', bounce.stiffenerPartId, bounce.widthM, 2)]
          : []),
        ...layers.map((layer, k) =>
          clothPiece(`Drape ${k + 1}`, layer.id, drape.w, drape.h, {
            hemM: 0.02,
            markOut: ['Corners darted, clipped to the back.'],
          }),
        ),
      ],
      needs: [
        ...fromUnit(bounce.unitId, tubes, 'piece', 'the lamps'),
        ...fromPart(bounce.ballastPartId, ballasts, 'piece', 'for the tubes'),
        ...hardware('pipe-clip', 2 * bounce.clips, 'hold the tubes'),
        ...hardware('clip', layers.length ? 12 : 0, 'hold the drape'),
        ...hardware('glue', bounce.sheets > 1 ? bounce.sheets - 1 : 0, 'between the sheets'),
        ...mainsNeeds(bounce, cordM),
      ],
      steps: [
        checkLamps(tubes),
        markOut('the clips'),
        cutBoard('the board', 20),
        step(
          'Glue sheets, screw stiffener and clips',
          'A flat board bounces evenly',
          'glue, screwdriver',
          30,
          'no bow; clips clear of the control ends',
        ),
        wireMains(context, 20 + 10 * ballasts),
        ...finishSteps(layers.length),
      ],
      facts: [
        fact('tubes', 'Tubes', tubes, 'two rows', 'count'),
        fact(
          'clip',
          'First clip from the board’s edge',
          bounce.widthM / 2 - longM / 2 + bounce.clipInM,
          'middle − half tube + clip distance',
        ),
        fact('drape-w', 'Drape, width', drape.w, 'board + 2 × drape + 10 cm to clip'),
        fact('drape-h', 'Drape, height', drape.h, 'board + 2 × drape + 10 cm to clip'),
        fact('tube-apart', 'Tubes apart', 2 * y, 'height − 2 × inset'),
      ],
      findings: [
        ...stopsFor('covered-bounce', problems(bounce, context), 'board'),
        ...notChosen('covered-bounce', [
          ['tube', tube, 'unitId', 'seat-0', 'Choose a tube, and light and load follow.'],
          ['board', bounce.boardPartId, 'boardPartId', 'board', 'Choose the white board.'],
          ...mainsOpen(bounce),
        ]),
        ...tubeFindings('covered-bounce', bounce, bounce.linkRun, context),
        ...tubeTooLong(
          'covered-bounce',
          tube && { ...tube, lengthM: longM },
          bounce.widthM,
          'widthM',
        ),
        ...typicalLayers('covered-bounce', layers),
        ...(layers.length === 0
          ? [
              look(
                'covered-bounce.bare',
                'No drape',
                'Bare tubes show at the edges; cloth over the whole makes one even face, one to two stops below bare tubes.',
                { field: 'layer1PartId', drawing: 'board' },
              ),
            ]
          : []),
        ...(!bounce.stiffenerPartId && bounce.widthM > 0.9 && bounce.sheets === 1
          ? [
              look(
                'covered-bounce.bow',
                'One thin sheet bows',
                'Glue two sheets or add a stiffener.',
                { field: 'stiffenerPartId', drawing: 'board' },
              ),
            ]
          : []),
      ],
      apparent: { widthM: bounce.widthM, heightM: bounce.heightM },
      array: { spacingM: Infinity, emitterWidthM: diameterM },
      frontM: bounce.drapeOutM,
      folded: {
        widthM: bounce.widthM,
        heightM: bounce.heightM,
        depthM:
          bounce.standoffM +
          diameterM +
          bounce.sheets * (partOf(context, bounce.boardPartId, 'sheet')?.thicknessM ?? 0.005),
      },
    },
    tubes * (tube?.massKg ?? 0.2) +
      cordMassKg(bounce, cordM, context) +
      layers.length * drape.w * drape.h * 0.12,
    context,
  );
}

function draw(bounce: Bounce, context: FormContext): Drawing {
  const { longM, diameterM, y } = layout(bounce, context);
  const [W, H] = [bounce.widthM / 2, bounce.heightM / 2];
  const size = Math.max(W, H);
  const layers = layerParts(bounce, context);
  const out = bounce.drapeOutM;
  return {
    views: [
      view(
        'front',
        'Front, drape lifted off',
        [
          rectangle(-W, -H, W, H, 'cut', 'board'),
          ...[-1, 1].map((side, k) => box(0, side * y, longM, diameterM, 'glass', `seat-${k}`)),
        ],
        [
          measure([-W, -H], [W, -H], -0.14 * size, 'Width'),
          measure([W, -H], [W, H], -0.14 * size, 'Height'),
        ],
        [
          knob('widthM', 'Board width', [W, 0], [1, 0], 2),
          knob('heightM', 'Board height', [0, H], [0, 1], 2),
          knob('offsetM', 'In from the edge', [0, y], [0, 1], -1),
        ],
      ),
      view(
        'section',
        'Section from the side, light to the right',
        [
          rectangle(-0.01, -H, 0, H, 'cut', 'board'),
          ...[-1, 1].map((side, k) =>
            circle(bounce.standoffM, side * y, diameterM / 2, 'glass', `seat-${k}`),
          ),
          ...layers.map((_, k) =>
            line(
              [
                [0, -H],
                [out + 0.01 * k, -H * 0.9],
                [out + 0.01 * k, H * 0.9],
                [0, H],
              ],
              'hidden',
              'layer',
            ),
          ),
        ],
        [measure([0, -H], [out, -H], -0.14 * size, 'Drape')],
        [knob('drapeOutM', 'Drape over the board', [out, 0], [1, 0])],
      ),
      wiringView(
        {
          outline: [rectangle(-W, -H, W, H, 'hidden', 'board')],
          terminals: [
            [longM / 2, y],
            [longM / 2, -y],
          ],
          terminalM: size * 0.05,
          dimmer: bounce.dimmerPartId !== null,
        },
        context,
      ),
    ],
  };
}

export const coveredBounce: FormDefinition<Bounce> = {
  id: 'covered-bounce',
  name: 'Covered bounce',
  summary: 'Two tubes shine into a white board, with cloth over the whole.',
  gallery: {
    goodFor: ['face', 'overhead', 'wash'],
    skill: 2,
    reach: 'The softest face light that still folds into a car.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  problems,
  limits: (bounce) => ({
    heightM: { min: Math.max(0.2, 2 * bounce.offsetM + 0.03), max: 3 },
    offsetM: { min: 0.01, max: Math.min(0.5, bounce.heightM / 2 - 0.02) },
  }),
  resolve,
  draw,
};
