import { mouthMatter, stackLayers } from '../../light/mouth';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { layerOf, layerParts, partOf } from '../kit/lookup';
import { look, notChosen, stopsFor, typicalLayers } from '../kit/findingWriters';
import { exactMm } from '../../quantity';
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
import { clothPiece, stickPiece } from '../kit/pieces';
import { boxCavity, sendsBack, wallOf } from '../kit/cavities';
import { addLayers, checkLamps, cutBoard, markOut, step, sticks } from '../kit/steps';
import {
  ballastCount,
  ballastOf,
  holderNeeds,
  tubeWires,
  tubeFindings,
  tubePoints,
  tubeSpread,
  tubeTooLong,
  tubeUnit,
  tubeVa,
  starterNeeds,
} from '../kit/tubes';
import { GEAR_APART_M } from '../../electrics/leads';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type Bounce } from './parameters';
import { layout, problems } from './layout';
import { boardOf, CLIP_BOLT } from './pieces';
import { FOAM_CORE_M, TUBE_KG } from '../kit/typical';

/** Drape that is clipped behind the board, a side; the sewn edge of it. */
const HEM_M = 0.05;
const SEWN_M = 0.02;
/** Round tubes send a third straight at the drape, shaded ones nothing [typ]. */
const STRAIGHT_SHARE = 0.35;
/** Three a side. */
const CLIPS = 12;
/** One at each corner. */
const RODS = 4;
const INTO_ROD_M = 0.02;
const SCREWS_A_BAR = 4;
/** The base of a tube holder [typ]. */
const HOLDER_M = 0.004;
/** What the two ends of a link of cord take [common practice]. */
const STRIP_M = 0.03;
/** Foam core wider than this bends under its tubes [common practice]. */
const BENDS_M = 0.9;

/** A tube in a clip-on shade sends its light to one side [typ]. */
const SHADED = { class: 'lambert' } as const;

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
  // Along one end of the board from tube to tube; along both where they are fed so.
  const linkM = bounce.heightM + 2 * STRIP_M;
  const cordM =
    bounce.tailLengthM +
    (bounce.ballastPartId !== null ? 0 : tube?.fedAt === 'both' ? 2 : 1) * linkM +
    Math.max(0, ballasts - 1) * GEAR_APART_M;
  const thickness =
    bounce.sheets * (partOf(context, bounce.boardPartId, 'sheet')?.thicknessM ?? FOAM_CORE_M);
  const lamps = unitLamps(
    tubeUnit(tube, partOf(context, bounce.ballastPartId, 'ballast')),
    tube,
    tubes,
    bounce,
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
    linkM,
    thickness,
    lamps,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(bounce: Bounce, context: FormContext): ResolvedBuild {
  const parts = partsOf(bounce, context);
  const { layers, tube, diameterM, tubes, cordM, linkM, thickness, lamps } = parts;
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
          cordM: k ? linkM : bounce.tailLengthM,
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
      built: {
        widthM: bounce.widthM,
        heightM: bounce.heightM,
        depthM: (layers.length ? bounce.drapeOutM : bounce.standoffM + diameterM / 2) + thickness,
      },
      folded: {
        widthM: bounce.widthM,
        heightM: bounce.heightM,
        // Tubes and rods come off and lie on the board.
        depthM: Math.max(bounce.standoffM + diameterM / 2, diameterM) + thickness,
      },
    },
    tubes * (tube?.massKg ?? TUBE_KG) + cordMassKg(bounce, cordM, context),
    context,
  );
}

function mouthOf({
  bounce,
  context,
  layers,
  faceM2,
  sidesM2,
  lamps,
}: Parts): ResolvedBuild['mouth'] {
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
        (faceM2 * context.finish(bounce.finish).reflectance +
          sidesM2 * stackLayers(layers.map(layerOf)).backReflectance) /
        (faceM2 + sidesM2),
      origin: sendsBack(context.finish(bounce.finish)).origin,
    },
    room: boxCavity(
      {
        back: [bounce.widthM, bounce.heightM],
        front: [bounce.widthM, bounce.heightM],
        depthM: bounce.drapeOutM,
        backMatter: wallOf(context.finish(bounce.finish)),
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
      ? [
          stickPiece('stiffener', 'Stiffener', bounce.stiffenerPartId, bounce.widthM, 2, [
            'Across the back, a quarter of the height from either edge.',
          ]),
        ]
      : []),
    ...layers.map((layer, k) =>
      clothPiece(`drape-${k + 1}`, `Drape ${k + 1}`, layer.id, drape.w, drape.h, {
        hemM: SEWN_M,
        lit: true,
        markOut: ['Corners darted, clipped to the back.'],
      }),
    ),
    ...(layers.length
      ? [
          stickPiece('drape-rod', 'Drape rod', bounce.rodPartId, bounce.drapeOutM, RODS, [
            'One at each corner of the board, upright on its face: the drape lies over their capped ends.',
          ]),
        ]
      : []),
  ];
}

function needsOf({
  context,
  bounce,
  tube,
  longM,
  tubes,
  ballasts,
  layers,
  cordM,
  thickness,
}: Parts): ResolvedBuild['needs'] {
  const stick = partOf(context, bounce.stiffenerPartId, 'stick');
  return [
    ...fromUnit(bounce.unitId, tubes, 'piece', 'the lamps', 'lamps-in'),
    ...fromPart(bounce.ballastPartId, ballasts, 'piece', 'for the tubes', 'wire-mains'),
    ...tubeWires(bounce, longM, context, 2),
    ...holderNeeds(tube, tubes, { stackM: HOLDER_M + thickness, step: 'glue-and-clips' }),
    ...starterNeeds(bounce, tubes, context),
    ...hardware('pipe-clip', bounce.clips * tubes, `${bounce.clips} a tube`, 'glue-and-clips'),
    ...bolts(
      CLIP_BOLT,
      bounce.clips * tubes,
      bounce.standoffM + thickness,
      'clips through the board, over a stand-off',
      'glue-and-clips',
    ),
    ...hardware(
      'stand-off',
      bounce.clips * tubes,
      'holds a clip off the board',
      'glue-and-clips',
      exactMm(bounce.standoffM),
    ),
    ...(stick
      ? screws(
          2 * SCREWS_A_BAR,
          thickness + stick.diameterM,
          'board to stiffeners',
          'glue-and-clips',
        )
      : []),
    ...(layers.length
      ? [
          ...hardware('clip', CLIPS, 'hold the drape', 'fit-layers'),
          ...hardware('cap', RODS, 'over the rods’ ends', 'drape-rods'),
          ...screws(RODS, thickness + INTO_ROD_M, 'through the board into each rod', 'drape-rods'),
        ]
      : []),
    ...hardware('spray-glue', bounce.sheets > 1 ? 1 : 0, 'between the sheets', 'glue-and-clips'),
    ...mainsNeeds(bounce, cordM),
  ];
}

function stepsOf({ bounce, context, tubes, layers }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(tubes),
    markOut('the clips'),
    cutBoard('the board', 20, partOf(context, bounce.boardPartId, 'sheet')),
    ...(bounce.stiffenerPartId || layers.length
      ? [
          sticks(
            'rods and stiffeners',
            (bounce.stiffenerPartId ? 2 : 0) + (layers.length ? RODS : 0),
          ),
        ]
      : []),
    step(
      'mount',
      'glue-and-clips',
      'Glue sheets, screw stiffener and clips',
      'A flat board bounces evenly',
      'glue, screwdriver',
      30,
      'no bow; clips clear of the control ends',
    ),
    ...(layers.length
      ? [
          step(
            'mount',
            'drape-rods',
            'Stand the rods on the board’s corners',
            'They hold the drape off the tubes',
            'screwdriver, square',
            15,
            'upright, capped, none nearer to a tube than a hand',
            { pieces: ['drape-rod'] },
          ),
        ]
      : []),
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
