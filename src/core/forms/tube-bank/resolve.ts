import type { FormContext } from '../form';
import { sendsBack } from '../kit/cavities';
import { fact, completeBuild } from '../kit/build';
import { partOf } from '../kit/lookup';
import { notChosen, stopsFor } from '../kit/findingWriters';
import { unitLamps } from '../kit/lamps';
import {
  bolts,
  cordMassKg,
  fromPart,
  fromUnit,
  hardware,
  mainsNeeds,
  mainsOpen,
  screws,
  wiringSlots,
} from '../kit/needs';
import type { UnitOf } from '../../units/unit';
import { checkLamps, cutBoard, markOut, step } from '../kit/steps';
import {
  ballastCount,
  ballastOf,
  holderNeeds,
  tubeWires,
  tubeFindings,
  tubePoints,
  tubeSpread,
  tubeUnit,
  tubeVa,
  starterNeeds,
} from '../kit/tubes';
import { GEAR_APART_M } from '../../electrics/leads';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type TubeBank } from './parameters';
import { layout, rowEnds, problems } from './layout';
import { boardsOf, BRACKET_BOLT } from './pieces';
import { BALLAST_KG, BOARD_M, TUBE_KG } from '../kit/typical';

/** What the two ends of a link of cord take [common practice]. */
const STRIP_M = 0.03;
/** A screw holds in a board's edge from this on. */
const INTO_EDGE_M = 0.02;
/** Four a wall. */
const LIP_SCREWS = 16;
/** The bracket's plate that its bolts go through. */
const BRACKET_M = 0.004;
/** Base of a tube clip or holder that its screws go through [typ]. */
const CLIP_BASE_M = 0.004;

/** What is worked out once and told in several places. */
function partsOf(bank: TubeBank, context: FormContext) {
  const laid = layout(bank, context);
  const { tube, longM, upright, diameterM, rowsM, backWidthM, backHeightM } = laid;
  const spread = tubeSpread(tube);
  const z = bank.standoffM + diameterM / 2;
  const points = rowsM.flatMap((across) => {
    const [a, b] = rowEnds(upright, across, longM);
    return tubePoints([a[0], a[1], z], [b[0], b[1], z], spread, [0, 0, 1]);
  });
  const tubes = bank.tubeCount * bank.linkRun;
  const ballasts = ballastCount(tube, tubes, bank.ballastPartId, context);
  const pieces = boardsOf(bank, laid, context);
  // A cord from each tube's end to the next one's, with what its ends take.
  const linkM = bank.pitchM + 2 * STRIP_M;
  const cordM = bank.tailLengthM + linksM(tube, bank, linkM, context);
  const thickness = partOf(context, bank.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
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
    linkM,
    thickness,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(bank: TubeBank, context: FormContext): ResolvedBuild {
  const parts = partsOf(bank, context);
  const { tube, diameterM, rowsM, backWidthM, backHeightM, spread, z, points, tubes, pieces } =
    parts;
  const { linkM, thickness } = parts;
  return completeBuild(
    {
      ...unitLamps(
        tubeUnit(tube, partOf(context, bank.ballastPartId, 'ballast')),
        tube,
        tubes,
        bank,
        spread,
        points,
      ),
      surfaces: [
        {
          kind: 'rectangle',
          widthM: backWidthM,
          lengthM: backHeightM,
          heightM: 0,
          ...sendsBack(context.finish(bank.finish)),
        },
      ],
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...wiringSlots(bank),
        ...ballastOf(bank, context),
        loads: rowsM.map((_, k) => ({
          ref: `seat-${k}`,
          apparentVa: tubeVa(tube, partOf(context, bank.ballastPartId, 'ballast')) * bank.linkRun,
          cordM: k ? linkM : bank.tailLengthM,
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
      built: {
        widthM: backWidthM,
        heightM: backHeightM,
        depthM: Math.max(bank.lipM, z + diameterM / 2) + thickness,
      },
    },
    fittingsKg(parts),
    context,
  );
}

/** Cord of the mains along the tubes: each fed at both ends has one on either side; gear stands together. */
function linksM(
  tube: UnitOf<'tube'> | null,
  bank: TubeBank,
  linkM: number,
  context: FormContext,
): number {
  const each = Math.max(0, bank.tubeCount - 1);
  if (bank.ballastPartId !== null) {
    const gear = ballastCount(tube, bank.tubeCount, bank.ballastPartId, context);
    return Math.max(0, gear - 1) * GEAR_APART_M;
  }
  return (tube?.fedAt === 'both' ? 2 * each : each) * linkM;
}

function needsOf(parts: Parts): ResolvedBuild['needs'] {
  const { context, bank, tube, tubes, ballasts, cordM, thickness } = parts;
  const stackM = CLIP_BASE_M + thickness;
  return [
    ...fromUnit(bank.unitId, tubes, 'piece', 'the lamps', 'lamps-in'),
    ...fromPart(bank.ballastPartId, ballasts, 'piece', 'one for every so many tubes', 'wire-mains'),
    ...tubeWires(bank, parts.longM, context),
    ...holderNeeds(tube, tubes, { stackM, step: 'clip-tubes' }),
    ...starterNeeds(bank, tubes, context),
    ...hardware('pipe-clip', 2 * tubes, 'two a tube', 'clip-tubes'),
    ...screws(2 * tubes, stackM, 'one a clip', 'clip-tubes'),
    ...(bank.lipM > 0
      ? [
          // Driven through the back into the walls' edges.
          ...screws(LIP_SCREWS, thickness + INTO_EDGE_M, 'back to walls', 'housing'),
          ...hardware('glue', 1, 'edges of the walls', 'housing'),
        ]
      : []),
    ...(bank.bracket === 'yes'
      ? [
          ...hardware('spigot', 1, 'bracket', 'bracket'),
          ...bolts(BRACKET_BOLT, 2, thickness + BRACKET_M, 'bracket to back', 'bracket'),
        ]
      : []),
    ...mainsNeeds(bank, cordM),
  ];
}

function stepsOf({ bank, context, tube, tubes }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(tubes),
    markOut('the housing'),
    cutBoard('back and walls', 25, partOf(context, bank.boardPartId, 'sheet')),
    step(
      'mount',
      'housing',
      'Put the housing together and finish it',
      'A bright back sends the rear light forwards',
      'glue, screws, roller',
      35,
      'square; the finish dry',
    ),
    ...(bank.bracket === 'yes'
      ? [
          step(
            'mount',
            'bracket',
            'Bolt the bracket across the back',
            'It carries the bank on its stand',
            'drill, 6.6 mm bit, spanner',
            15,
            'it holds twice the bank’s weight',
            'Drilled before anything is wired.',
          ),
        ]
      : []),
    step(
      'mount',
      'clip-tubes',
      'Screw clips and holders on, try the tubes in them',
      'Hold them near their ends; they come out again for the wiring',

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
