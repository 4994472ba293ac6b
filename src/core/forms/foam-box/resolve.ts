import type { FormContext } from '../form';
import { mouthMatter } from '../../light/mouth';
import { fact, completeBuild } from '../kit/build';
import { layerOf, layerParts, partOf } from '../kit/lookup';
import { look, notChosen, stopsFor, typicalLayers } from '../kit/findingWriters';
import { exactMm } from '../../quantity';
import { bulbLamps, bulbLoads, bulbMassKg, bulbNeeds, bulbsOf } from '../kit/lamps';
import { cordMassKg, fromPart, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import { boxCavity, sendsBack, wallOf } from '../kit/cavities';
import { socketFindings, socketHolder } from '../kit/sockets';
import { pyramidThings, sheetBurns, wallResistance } from '../kit/things';
import { checkLamps, cutBoard, addLayers, markOut, step } from '../kit/steps';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { boxProblems, globeOf, layoutBox } from './layout';
import { type FoamBox } from './parameters';
import { seatsOf, directShare } from './rays';
import { boxPieces } from './pieces';
import { FOAM_CORE_M, FOIL_WIDTH_M } from '../kit/typical';

/** Polystyrene softens, board scorches [typ; docs/model/power.md]. */
const FOAM_C = 70;
const BOARD_C = 120;
/** From holder to holder in one hole. */
const CLUSTER_LINK_M = 0.1;
/** Tape, glue and clips of a box [typ; from memory]. */
const GLUE_KG = 0.1;
/** Three a side. */
const CLIPS = 12;
/** A box shallower than this share of its front shows its lamps as spots [common practice]. */
const SHALLOW = 0.4;

/** What is worked out once and told in several places. */
function partsOf(box: FoamBox, context: FormContext) {
  const layout = layoutBox(box);
  const seats = seatsOf(box);
  const layers = layerParts(box, context);
  const walls =
    (box.frontWidthM + layout.backWidthM) * layout.topSlantM +
    (box.frontHeightM + layout.backHeightM) * layout.sideSlantM;
  const backM2 = layout.backWidthM * layout.backHeightM;
  const frontM2 = box.frontWidthM * box.frontHeightM;
  const seams =
    4 * Math.hypot(layout.topSlantM, (box.frontWidthM - layout.backWidthM) / 2) +
    2 * (layout.backWidthM + layout.backHeightM);
  const sheet = partOf(context, box.boardPartId, 'sheet');
  const limits = [
    ...layers.map(({ limitC }) => limitC),
    ...(sheet?.burns === 'no' ? [] : [sheet?.burns === 'foam' ? FOAM_C : BOARD_C]),
  ];
  const lamps = bulbLamps(box.groups, seats, context);
  return {
    box,
    context,
    layout,
    seats,
    layers,
    walls,
    backM2,
    frontM2,
    seams,
    sheet,
    limits,
    lamps,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(box: FoamBox, context: FormContext): ResolvedBuild {
  const parts = partsOf(box, context);
  const { layout, seats, sheet, lamps } = parts;
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
      enclosure: enclosureOf(parts),
      lampsAt: { drawing: 'seat-0', field: 'groups' },
      wiring: {
        ...wiringSlots(box),
        ...socketHolder(box, context),
        loads: bulbLoads(box.groups, seats, (k) => (k ? CLUSTER_LINK_M : box.tailLengthM), context),
      },
      pieces: boxPieces(box, layout, context),
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM: box.frontWidthM, heightM: box.frontHeightM },
      frontM: layout.depthM,
      things: pyramidThings(
        [layout.backWidthM, layout.backHeightM],
        [box.frontWidthM, box.frontHeightM],
        layout.depthM,
        {
          name: 'wall of the box',
          burns: sheetBurns(box.boardPartId, context),
          ref: 'box',
          field: 'boardPartId',
        },
      ),
      built: {
        widthM: box.frontWidthM,
        heightM: box.frontHeightM,
        // A bulb may stand out of an open front.
        depthM:
          Math.max(layout.depthM, box.lampInM + globeOf(box, context) / 2) +
          (sheet?.thicknessM ?? FOAM_CORE_M),
      },
      folded: {
        widthM: Math.max(box.frontWidthM, layout.topSlantM),
        heightM: Math.max(box.frontHeightM, layout.sideSlantM),
        depthM: 6 * (sheet?.thicknessM ?? FOAM_CORE_M),
      },
    },
    bulbMassKg(box.groups, seats, context) + cordMassKg(box, box.tailLengthM, context) + GLUE_KG,
    context,
  );
}

function mouthOf({
  box,
  context,
  layout,
  layers,
  walls,
  backM2,
  frontM2,
  lamps,
}: Parts): ResolvedBuild['mouth'] {
  return {
    shape: 'rectangle',
    widthM: box.frontWidthM,
    heightM: box.frontHeightM,
    heightOverBackM: layout.depthM,
    layers: layers.map(layerOf),
    cavity: {
      areaM2: frontM2 + backM2 + walls,
      mouthM2: frontM2,
      ...sendsBack(context.finish(box.finish)),
    },
    room: boxCavity(
      {
        back: [layout.backWidthM, layout.backHeightM],
        front: [box.frontWidthM, box.frontHeightM],
        depthM: layout.depthM,
        backMatter: wallOf(context.finish(box.finish)),
        sideMatter: wallOf(context.finish(box.finish)),
        mouth: mouthMatter(layers.map(layerOf)),
      },
      lamps.emitters,
    ),
    directShare: directShare(box, layout),
  };
}

function enclosureOf({
  box,
  context,
  layers,
  walls,
  backM2,
  limits,
}: Parts): ResolvedBuild['enclosure'] {
  return {
    areaM2: walls + backM2,
    resistanceM2KPerW: wallResistance(box.boardPartId, context),
    closed: layers.length > 0,
    limitC: limits.length ? Math.min(...limits) : null,
    ref: 'box',
    field: 'depthM',
  };
}

function needsOf({
  box,
  context,
  seats,
  layers,
  walls,
  backM2,
  seams,
}: Parts): ResolvedBuild['needs'] {
  return [
    ...bulbNeeds(box.groups, seats, context),
    ...fromPart(box.socketPartId, seats.length, 'piece', 'one for each bulb', 'fit-holder'),
    ...hardware('hinge-tape', seams * 2, 'seams, inside and out', 'tape-box'),
    ...(box.finish === 'foil' || box.finish === 'foil-crumpled'
      ? [
          ...hardware('foil', (walls + backM2) / FOIL_WIDTH_M, 'lining', 'line'),
          ...hardware('spray-glue', 1, 'under the foil', 'line'),
        ]
      : []),
    ...hardware('clip', layers.length ? CLIPS : 0, 'hold the layers', 'fit-layers'),
    ...mainsNeeds(box, box.tailLengthM + (seats.length - 1) * CLUSTER_LINK_M),
  ];
}

function stepsOf({ box, context, seats, layers }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(seats.length),
    markOut('five panels', 25),
    cutBoard('the panels and the hole', 30, partOf(context, box.boardPartId, 'sheet')),
    step(
      'finish',
      'line',
      'Line the inside',
      'Before it is a box: flat is easy',
      'spray glue or tape',
      25,
      'no loose foil near the lamp',
      [
        'Foil conducts: keep it 3 cm from every terminal.',
        'Spray glue is a flammable vapour: air the room, no flame, no switch, no brush motor near it; dry through before anything is plugged in.',
      ],
    ),
    step(
      'mount',
      'tape-box',
      'Tape the box together',
      'Seams first outside, then inside',
      'fabric tape',
      25,
      'square at the front, no light from the seams',
    ),
    step(
      'mount',
      'fit-holder',
      'Press the lamp holder into the hole',
      'Its rim grips the edge of the board',
      'hands, knife',
      5 * seats.length,
      'it does not turn when a bulb is screwed in; no bare terminal on either side',
    ),
    ...addLayers(layers.length),
  ];
}

function factsOf({ box, layout }: Parts): ResolvedBuild['facts'] {
  return [
    fact('depth', 'Depth', layout.depthM, box.shapeBy === 'inset' ? '√(wing² − inset²)' : 'as set'),
    fact(
      'slant-top',
      'Slant of top and bottom',
      layout.topSlantM,
      '√(depth² + ((front − back)/2)²)',
    ),
    fact('slant-side', 'Slant of the sides', layout.sideSlantM, '√(depth² + ((front − back)/2)²)'),
    fact('dihedral', 'Angle between panels', layout.dihedralRad, 'acos(−sin a · sin b)', 'angle'),
    fact('mitre', 'Mitre of the edges', layout.mitreRad, 'half of it', 'angle'),
    fact(
      'fold',
      'Fold of top and bottom at the back plate',
      layout.topFoldRad,
      '90° + atan((front − back)/2/depth), heights',
      'angle',
    ),
    fact(
      'fold-side',
      'Fold of the sides at the back plate',
      layout.sideFoldRad,
      '90° + atan((front − back)/2/depth), widths',
      'angle',
    ),
  ];
}

function findingsOf({ box, context, layout, layers }: Parts): ResolvedBuild['findings'] {
  return [
    ...stopsFor('foam-box', boxProblems(box, context), 'box'),
    ...notChosen('foam-box', [
      [
        'bulb',
        !bulbsOf(box.groups, context).includes(null),
        'groups',
        'seat-0',
        'Choose an LED bulb, and the light follows.',
      ],
      ['board', box.boardPartId, 'boardPartId', 'box', 'Choose the board the panels are cut from.'],
      [
        'socket',
        box.socketPartId,
        'socketPartId',
        'seat-0',
        'Choose a socket that clamps into the back plate.',
      ],
      ...mainsOpen(box),
    ]),
    ...socketFindings('foam-box', box, context),
    ...typicalLayers('foam-box', layers),
    ...(layers.length === 0
      ? [
          look(
            'light',
            'foam-box.open',
            'No layer in front',
            'The bulb shows as a hot spot and throws a hard shadow: clip a layer on.',
            { field: 'layer1PartId', drawing: 'box' },
          ),
        ]
      : []),
    ...(layout.depthM < Math.min(box.frontWidthM, box.frontHeightM) * SHALLOW && layers.length
      ? [
          look(
            'light',
            'foam-box.shallow',
            'A hot middle',
            `Only ${exactMm(layout.depthM)} deep for a front ${exactMm(Math.min(box.frontWidthM, box.frontHeightM))} across: the middle is brighter. Deeper, or a second layer.`,
            { field: 'depthM', drawing: 'box' },
          ),
        ]
      : []),
  ];
}
