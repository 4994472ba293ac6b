import { mouthMatter, stackLayers } from '../../light/mouth';
import { FINISHES } from '../../materials/finish';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { layerOf, layerParts, partOf } from '../kit/lookup';
import { look, notChosen, stopsFor, typicalLayers } from '../kit/findingWriters';
import { exactMm } from '../../quantity';
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
import { clothPiece, rectanglePiece, stickPiece } from '../kit/pieces';
import { boxCavity, wallOf } from '../kit/cavities';
import { circle, labelled } from '../../drawing/shapes';
import { checkLamps, cutBoard, addLayers, markOut, step } from '../kit/steps';
import {
  ballastCount,
  ballastOf,
  tubeFindings,
  tubePoints,
  tubeSpread,
  tubeTooLong,
  tubeUnit,
  tubeVa,
  starterNeeds,
} from '../kit/tubes';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type Bounce } from './parameters';
import { layout, problems } from './layout';
import { FOAM_CORE_M, TUBE_KG } from '../kit/typical';

/** Drape that is clipped behind the board, a side; the sewn edge of it. */
const HEM_M = 0.05;
const SEWN_M = 0.02;
/** Round tubes send a third straight at the drape, shaded ones nothing [typ]. */
const STRAIGHT_SHARE = 0.35;
/** Three a side. */
const CLIPS = 12;
/** Foam core wider than this bends under its tubes [common practice]. */
const BENDS_M = 0.9;

/** A tube in a clip-on shade sends its light to one side [typ]. */
const SHADED = { class: 'lambert' } as const;

/** The white board with the holes of the clips that hold its tubes. */
function boardOf(bounce: Bounce, longM: number, y: number, context: FormContext) {
  const clipsAt = Array.from(
    { length: bounce.clips },
    (_, k) => -longM / 2 + bounce.clipInM + ((longM - 2 * bounce.clipInM) * k) / (bounce.clips - 1),
  );
  return rectanglePiece(
    'white-board',
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
}

/** What is worked out once and told in several places. */
function partsOf(bounce: Bounce, context: FormContext) {
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
  const board = boardOf(bounce, longM, y, context);
  const drape = {
    w: bounce.widthM + 2 * bounce.drapeOutM + 2 * HEM_M,
    h: bounce.heightM + 2 * bounce.drapeOutM + 2 * HEM_M,
  };
  const cordM = bounce.tailLengthM + bounce.heightM;
  const lamps = unitLamps(
    tubeUnit(tube, partOf(context, bounce.ballastPartId, 'ballast')),
    tube,
    tubes,
    bounce.level,
    spread,
    points,
  );
  return {
    bounce,
    context,
    tube,
    longM,
    diameterM,
    y,
    tubes,
    ballasts,
    layers,
    faceM2,
    sidesM2,
    board,
    drape,
    cordM,
    lamps,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(bounce: Bounce, context: FormContext): ResolvedBuild {
  const parts = partsOf(bounce, context);
  const { tube, diameterM, tubes, cordM, lamps } = parts;
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
      enclosure: enclosureOf(parts),
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...wiringSlots(bounce),
        ...ballastOf(bounce, context),
        loads: [0, 1].map((k) => ({
          ref: `seat-${k}`,
          apparentVa:
            tubeVa(tube, partOf(context, bounce.ballastPartId, 'ballast')) * bounce.linkRun,
          cordM: k ? bounce.heightM : bounce.tailLengthM,
        })),
      },
      pieces: piecesOf(parts),
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM: bounce.widthM, heightM: bounce.heightM },
      array: { spacingM: Infinity, emitterWidthM: diameterM },
      frontM: bounce.drapeOutM,
      built: { widthM: bounce.widthM, heightM: bounce.heightM, depthM: bounce.drapeOutM },
      folded: {
        widthM: bounce.widthM,
        heightM: bounce.heightM,
        depthM:
          bounce.standoffM +
          diameterM +
          bounce.sheets * (partOf(context, bounce.boardPartId, 'sheet')?.thicknessM ?? FOAM_CORE_M),
      },
    },
    tubes * (tube?.massKg ?? TUBE_KG) + cordMassKg(bounce, cordM, context),
    context,
  );
}

function mouthOf({ bounce, layers, faceM2, sidesM2, lamps }: Parts): ResolvedBuild['mouth'] {
  return {
    shape: 'rectangle',
    widthM: bounce.widthM,
    heightM: bounce.heightM,
    heightOverBackM: bounce.drapeOutM,
    layers: layers.map(layerOf),
    // The drape's sides are wall that mostly lets go: what leaves by them is spill.
    cavity: {
      areaM2: 2 * faceM2 + sidesM2,
      mouthM2: faceM2,
      reflectance:
        (faceM2 * FINISHES[bounce.finish].reflectance +
          sidesM2 * stackLayers(layers.map(layerOf)).backReflectance) /
        (faceM2 + sidesM2),
    },
    room: boxCavity(
      {
        back: [bounce.widthM, bounce.heightM],
        front: [bounce.widthM, bounce.heightM],
        depthM: bounce.drapeOutM,
        backMatter: wallOf(FINISHES[bounce.finish]),
        sideMatter: mouthMatter(layers.map(layerOf)),
        mouth: mouthMatter(layers.map(layerOf)),
        names: { back: 'board', side: 'drape’s side' },
      },
      lamps.emitters.map((emitter) => ({
        ...emitter,
        spread: bounce.facing === 'in' ? SHADED : emitter.spread,
        axis: bounce.facing === 'in' ? ([0, 0, -1] as const) : emitter.axis,
      })),
    ),
    directShare: bounce.facing === 'round' ? STRAIGHT_SHARE : 0,
  };
}

function enclosureOf({ layers, faceM2, sidesM2 }: Parts): ResolvedBuild['enclosure'] {
  return {
    areaM2: 2 * faceM2 + sidesM2,
    resistanceM2KPerW: 0,
    closed: layers.length > 0,
    limitC: layers.length ? Math.min(...layers.map(({ limitC }) => limitC)) : null,
    ref: 'board',
    field: 'drapeOutM',
  };
}

function piecesOf({ bounce, layers, board, drape }: Parts): ResolvedBuild['pieces'] {
  return [
    board,
    ...(bounce.stiffenerPartId
      ? [stickPiece('stiffener', 'Stiffener', bounce.stiffenerPartId, bounce.widthM, 2)]
      : []),
    ...layers.map((layer, k) =>
      clothPiece(`drape-${k + 1}`, `Drape ${k + 1}`, layer.id, drape.w, drape.h, {
        hemM: SEWN_M,
        markOut: ['Corners darted, clipped to the back.'],
      }),
    ),
  ];
}

function needsOf({
  context,
  bounce,
  tubes,
  ballasts,
  layers,
  cordM,
}: Parts): ResolvedBuild['needs'] {
  return [
    ...fromUnit(bounce.unitId, tubes, 'piece', 'the lamps'),
    ...fromPart(bounce.ballastPartId, ballasts, 'piece', 'for the tubes'),
    ...starterNeeds(bounce, tubes, context),
    ...hardware('pipe-clip', 2 * bounce.clips, 'hold the tubes'),
    ...hardware('clip', layers.length ? CLIPS : 0, 'hold the drape'),
    ...hardware('glue', bounce.sheets > 1 ? bounce.sheets - 1 : 0, 'between the sheets'),
    ...mainsNeeds(bounce, cordM),
  ];
}

function stepsOf({ tubes, layers }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(tubes),
    markOut('the clips'),
    cutBoard('the board', 20),
    step(
      'mount',
      'glue-and-clips',
      'Glue sheets, screw stiffener and clips',
      'A flat board bounces evenly',
      'glue, screwdriver',
      30,
      'no bow; clips clear of the control ends',
    ),
    ...addLayers(layers.length),
  ];
}

function factsOf({ bounce, longM, y, tubes, drape }: Parts): ResolvedBuild['facts'] {
  return [
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
  ];
}

function findingsOf({ bounce, context, tube, longM, layers }: Parts): ResolvedBuild['findings'] {
  return [
    ...stopsFor('covered-bounce', problems(bounce, context), 'board'),
    ...notChosen('covered-bounce', [
      ['tube', tube, 'unitId', 'seat-0', 'Choose a tube, and light and load follow.'],
      ['board', bounce.boardPartId, 'boardPartId', 'board', 'Choose the white board.'],
      ...mainsOpen(bounce),
    ]),
    ...tubeFindings('covered-bounce', bounce, bounce.linkRun, context),
    ...tubeTooLong('covered-bounce', tube && { ...tube, lengthM: longM }, bounce.widthM, 'widthM'),
    ...typicalLayers('covered-bounce', layers),
    ...(layers.length === 0
      ? [
          look(
            'light',
            'covered-bounce.bare',
            'No drape',
            'Bare tubes show at the edges; cloth over the whole makes one even face, one to two stops below bare tubes.',
            { field: 'layer1PartId', drawing: 'board' },
          ),
        ]
      : []),
    ...(!bounce.stiffenerPartId && bounce.widthM > BENDS_M && bounce.sheets === 1
      ? [
          look(
            'geometry',
            'covered-bounce.bow',
            'One thin sheet bows',
            'Glue two sheets or add a stiffener.',
            { field: 'stiffenerPartId', drawing: 'board' },
          ),
        ]
      : []),
  ];
}
