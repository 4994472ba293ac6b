import { FINISHES } from '../../materials/finish';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { partOf } from '../kit/lookup';
import { notChosen, stopsFor } from '../kit/findingWriters';
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
import { rectanglePiece } from '../kit/pieces';
import { circle, labelled } from '../../drawing/shapes';
import { checkLamps, cutBoard, markOut, step } from '../kit/steps';
import {
  ballastCount,
  ballastOf,
  tubeFindings,
  tubePoints,
  tubeSpread,
  tubeUnit,
  tubeVa,
  starterNeeds,
} from '../kit/tubes';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type TubeBank } from './parameters';
import { layout, rowEnds, problems } from './layout';
import { BALLAST_KG, BOARD_M, TUBE_KG } from '../kit/typical';

/** Four a wall. */
const LIP_SCREWS = 16;

/** The back with its bracket holes, and the lip round it. */
function boardsOf(bank: TubeBank, widthM: number, heightM: number, context: FormContext) {
  const wall = (id: string, name: string, longM: number) =>
    rectanglePiece(id, name, bank.boardPartId, longM, bank.lipM, context, { count: 2 });
  return [
    rectanglePiece('back', 'Back', bank.boardPartId, widthM, heightM, context, {
      shapes: [-1, 1].map((side) =>
        labelled(
          circle(widthM / 2 + side * widthM * 0.2, heightM / 2, 0.003, 'drill'),
          'bracket bolt, 6 mm',
        ),
      ),
    }),
    ...(bank.lipM > 0
      ? [
          wall('long-wall', 'Long wall', Math.max(widthM, heightM)),
          wall('short-wall', 'Short wall', Math.min(widthM, heightM)),
        ]
      : []),
  ];
}

/** What is worked out once and told in several places. */
function partsOf(bank: TubeBank, context: FormContext) {
  const { tube, longM, upright, diameterM, rowsM, backWidthM, backHeightM } = layout(bank, context);
  const spread = tubeSpread(tube);
  const z = bank.standoffM + diameterM / 2;
  const points = rowsM.flatMap((across) => {
    const [a, b] = rowEnds(upright, across, longM);
    return tubePoints([a[0], a[1], z], [b[0], b[1], z], spread, [0, 0, 1]);
  });
  const tubes = bank.tubeCount * bank.linkRun;
  const ballasts = ballastCount(tube, tubes, bank.ballastPartId, context);
  const pieces = boardsOf(bank, backWidthM, backHeightM, context);
  const cordM = bank.tailLengthM + bank.tubeCount * bank.pitchM;
  return {
    bank,
    context,
    tube,
    longM,
    diameterM,
    rowsM,
    backWidthM,
    backHeightM,
    spread,
    z,
    points,
    tubes,
    ballasts,
    pieces,
    cordM,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(bank: TubeBank, context: FormContext): ResolvedBuild {
  const parts = partsOf(bank, context);
  const { tube, diameterM, rowsM, backWidthM, backHeightM, spread, z, points, tubes, pieces } =
    parts;
  return completeBuild(
    {
      ...unitLamps(
        tubeUnit(tube, partOf(context, bank.ballastPartId, 'ballast')),
        tube,
        tubes,
        bank.level,
        spread,
        points,
      ),
      surfaces: [
        {
          kind: 'rectangle',
          widthM: backWidthM,
          lengthM: backHeightM,
          heightM: 0,
          reflectance: FINISHES[bank.finish].reflectance,
        },
      ],
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...wiringSlots(bank),
        ...ballastOf(bank, context),
        loads: rowsM.map((_, k) => ({
          ref: `seat-${k}`,
          apparentVa: tubeVa(tube, partOf(context, bank.ballastPartId, 'ballast')) * bank.linkRun,
          cordM: k ? bank.pitchM : bank.tailLengthM,
        })),
      },
      pieces,
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM: backWidthM - 2 * bank.edgeM, heightM: backHeightM - 2 * bank.edgeM },
      array: { spacingM: rowsM.length > 1 ? bank.pitchM : Infinity, emitterWidthM: diameterM },
      frontM: z + diameterM / 2,
      folded: {
        widthM: backWidthM,
        heightM: backHeightM,
        depthM:
          Math.max(bank.lipM, z + diameterM / 2) +
          (partOf(context, bank.boardPartId, 'sheet')?.thicknessM ?? BOARD_M),
      },
    },
    fittingsKg(parts),
    context,
  );
}

function needsOf({ context, bank, tubes, ballasts, cordM }: Parts): ResolvedBuild['needs'] {
  return [
    ...fromUnit(bank.unitId, tubes, 'piece', 'the lamps'),
    ...fromPart(bank.ballastPartId, ballasts, 'piece', 'one for every so many tubes'),
    ...starterNeeds(bank, tubes, context),
    ...hardware('pipe-clip', 2 * tubes, 'two a tube'),
    ...hardware('screw', 2 * tubes + (bank.lipM > 0 ? LIP_SCREWS : 0), 'clips and walls'),
    ...hardware('strain-relief', 1, 'where the tail enters'),
    ...(bank.bracket === 'yes'
      ? [...hardware('spigot', 1, 'bracket'), ...hardware('bolt', 2, 'bracket')]
      : []),
    ...mainsNeeds(bank, cordM),
  ];
}

function stepsOf({ tube, tubes }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(tubes),
    markOut('the housing'),
    cutBoard('back and walls', 25),
    step(
      'mount',
      'housing',
      'Put the housing together and finish it',
      'A bright back sends the rear light forwards',
      'glue, screws, roller',
      35,
      'square; the finish dry',
    ),
    step(
      'mount',
      'clip-tubes',
      'Clip the tubes in',
      'Hold them near their ends',
      'screwdriver',
      3 * tubes,
      'no tube under strain',
      tube?.technology === 'fluorescent'
        ? 'Tubes contain mercury. If one breaks: air the room 15 minutes, gather with card and tape, hand it in.'
        : [],
    ),
  ];
}

function factsOf({
  longM,
  backWidthM,
  backHeightM,
  tubes,
  ballasts,
}: Parts): ResolvedBuild['facts'] {
  return [
    fact('tubes', 'Tubes in all', tubes, 'rows × end to end', 'count'),
    ...(ballasts
      ? [fact('ballasts', 'Ballasts', ballasts, 'tubes / tubes a ballast', 'count')]
      : []),
    fact('run', 'Length of a row', longM, 'tube length × end to end'),
    fact('back-w', 'Back, width', backWidthM, 'tubes and edges'),
    fact('back-h', 'Back, height', backHeightM, 'tubes and edges'),
  ];
}

function findingsOf({ bank, context, tube }: Parts): ResolvedBuild['findings'] {
  return [
    ...stopsFor('tube-bank', problems(bank, context), 'seat-0'),
    ...notChosen('tube-bank', [
      ['tube', tube, 'unitId', 'seat-0', 'Choose a tube or bar, and size, light and load follow.'],
      ['board', bank.boardPartId, 'boardPartId', 'board', 'Choose the sheet of the housing.'],
      ...mainsOpen(bank),
    ]),
    ...tubeFindings('tube-bank', bank, bank.linkRun, context),
  ];
}

/** Everything that is not cut, kg. */
function fittingsKg({ bank, context, tube, tubes, ballasts, cordM }: Parts): number {
  return (
    tubes * (tube?.massKg ?? TUBE_KG) +
    ballasts * (partOf(context, bank.ballastPartId, 'ballast')?.massKg ?? BALLAST_KG) +
    cordMassKg(bank, cordM, context)
  );
}
