import type { FormContext } from '../form';
import { mouthMatter } from '../../light/mouth';
import { fact, completeBuild } from '../kit/build';
import { layerOf, layerParts, partOf } from '../kit/lookup';
import { look, notChosen, stopsFor, typicalLayers } from '../kit/findingWriters';
import { unitLamps } from '../kit/lamps';
import {
  bolts,
  cordMassKg,
  fromPart,
  hardware,
  mainsNeeds,
  mainsOpen,
  wiringSlots,
} from '../kit/needs';
import { roundCavity, sendsBack, wallOf } from '../kit/cavities';
import {
  addLayers,
  checkTape,
  cutBoard,
  cutDiscs,
  joinTape,
  layTape,
  step,
  tryTape,
} from '../kit/steps';
import {
  dotsOf,
  feedJoints,
  rowJoints,
  tapeCordM,
  tapeFacts,
  tapeLoads,
  tapeNeeds,
  tapeRun,
  ringSpans,
  tapeUnit,
} from '../kit/tape';
import { tapeLayingFindings } from '../kit/tapeLayingFindings';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { CLAMP_M, layoutPan, panProblems, RIM_WALL_M, wallM } from './layout';
import { type StripPan } from './parameters';
import { points, directShare } from './rays';
import { panPieces } from './pieces';
import { FOIL_WIDTH_M, JUMPER_M, RUN_ENDS_M, TAPE_KG_PER_M } from '../kit/typical';

/** Round the discs. */
const CLIPS = 8;
/** A baking pan of some 36 cm [typ; from memory]. */
const PAN_KG = 0.6;

/** What is worked out once and told in several places. */
function partsOf(pan: StripPan, context: FormContext) {
  const layout = layoutPan(pan, context);
  const { rows } = layout;
  const { strip, unit } = tapeUnit(pan, rows.usedM, context);
  const layers = layerParts(pan, context);
  const turns = rows.rowsM.length;
  const { jumpers, joints } =
    pan.clampGapM > 0
      ? rowJoints(pan.feed, turns)
      : { jumpers: 0, joints: feedJoints(pan.feed, turns) };
  const height = pan.depthM + Math.max(0, layers.length - 1) * pan.layerSpacingM;
  const mouthM2 = Math.PI * layout.radiusM ** 2;
  const rimM2 = layout.circumferenceM * height;
  const needs =
    pan.panPartId === null ? [] : fromPart(pan.panPartId, 1, 'piece', 'the pan', 'finish-inside');
  const lamps = unitLamps(
    unit,
    strip,
    rows.usedM > 0 ? 1 : 0,
    pan,
    { class: 'lambert' },
    points(pan, layout),
  );
  return {
    pan,
    context,
    layout,
    rows,
    strip,
    layers,
    joints,
    jumpers,
    height,
    mouthM2,
    rimM2,
    needs,
    lamps,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(pan: StripPan, context: FormContext): ResolvedBuild {
  const parts = partsOf(pan, context);
  const { rows, strip, height, lamps } = parts;
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
      enclosure: enclosureOf(parts),
      dots: pan.tapeOn === 'base' ? dotsOf(strip, pan.rowPitchM, height) : null,
      lampsAt: { drawing: 'tape', field: 'stripId' },
      wiring: { ...wiringSlots(pan), loads: tapeLoads(pan, rows.usedM, context) },
      tape: tapeRun(pan, rows, context, ringSpans(pan.diameterM, rows.rowsM.length, pan.rowPitchM)),
      pieces: panPieces(pan, context),
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM: pan.diameterM, heightM: pan.diameterM, round: true },
      array: { spacingM: Infinity, emitterWidthM: pan.diameterM },
      frontM: height,
      built: builtOf(parts),
    },
    fittingsKg(parts),
    context,
  );
}

/** Over the rim's outside, from its bottom to its last disc. */
function builtOf({ pan, context, height }: Parts): ResolvedBuild['built'] {
  const wall = wallM(pan, context);
  const across = pan.diameterM + 2 * wall;
  return { widthM: across, heightM: across, depthM: height + wall };
}

function mouthOf({
  pan,
  context,
  layout,
  layers,
  height,
  mouthM2,
  rimM2,
  lamps,
}: Parts): ResolvedBuild['mouth'] {
  return {
    shape: 'disc',
    widthM: pan.diameterM,
    heightM: pan.diameterM,
    heightOverBackM: height,
    layers: layers.map(layerOf),
    cavity: {
      areaM2: 2 * mouthM2 + rimM2,
      mouthM2,
      ...sendsBack(context.finish(pan.finish)),
    },
    room: roundCavity(
      {
        baseRadiusM: layout.radiusM,
        mouthRadiusM: layout.radiusM,
        depthM: height,
        wall: wallOf(context.finish(pan.finish)),
        mouth: mouthMatter(layers.map(layerOf)),
      },
      lamps.emitters,
    ),
    directShare: directShare(pan, layout),
  };
}

function enclosureOf({ layers, mouthM2, rimM2 }: Parts): ResolvedBuild['enclosure'] {
  return {
    areaM2: mouthM2 + rimM2,
    resistanceM2KPerW: 0,
    closed: layers.length > 0,
    limitC: layers.length ? Math.min(...layers.map(({ limitC }) => limitC)) : null,
    ref: 'pan',
    field: 'diameterM',
  };
}

function needsOf({
  pan,
  context,
  rows,
  layers,
  joints,
  jumpers,
  needs,
  mouthM2,
  rimM2,
}: Parts): ResolvedBuild['needs'] {
  return [
    ...needs,
    ...tapeNeeds(pan, rows, joints, RUN_ENDS_M + JUMPER_M * (jumpers || joints), context),
    ...hardware('clip', layers.length ? CLIPS : 0, 'hold the discs', 'fit-layers'),
    ...(pan.clampGapM > 0
      ? [
          ...hardware('pipe-clamp', 1, 'in the gap of the rim', 'fit-clamp'),
          ...bolts('M6', 2, 2 * RIM_WALL_M + CLAMP_M, 'clamp to rim', 'fit-clamp'),
        ]
      : []),
    ...(pan.finish === 'foil' || pan.finish === 'foil-crumpled'
      ? hardware('foil', (mouthM2 + rimM2) / FOIL_WIDTH_M, 'lining', 'finish-inside')
      : []),
    ...mainsNeeds(pan, tapeCordM(pan, rows.usedM, context)),
  ];
}

function stepsOf({ pan, context, rows, layers, joints }: Parts): ResolvedBuild['steps'] {
  return [
    checkTape(rows.usedM),
    ...(pan.panPartId === null
      ? [
          cutBoard(
            layers.length > 1 ? 'base, rim and spacers' : 'base and rim',
            25,
            partOf(context, pan.boardPartId, 'sheet'),
            true,
          ),
        ]
      : layers.length > 1
        ? [cutBoard('the spacer ring', 10, partOf(context, pan.boardPartId, 'sheet'))]
        : []),
    ...cutDiscs(layers.length),
    step(
      'finish',
      'finish-inside',
      'Clean and finish the inside',
      'Every bounce loses what the wall keeps',
      'rag, paint or foil',
      30,
      'no bare metal edge, dry',
      'A pan’s cut edge is sharp: file it.',
    ),
    ...(pan.clampGapM > 0
      ? [
          step(
            'mount',
            'fit-clamp',
            'Bolt the clamp into the gap of the rim',
            'It carries the pan on its stand',
            'drill, 6.6 mm bit, spanner',
            15,
            'no bolt stands into the tape’s way; it holds twice the pan’s weight',
            'Clamp sheet metal before drilling: it spins.',
          ),
        ]
      : []),
    layTape(rows.usedM, rows.rowsM.length, pan.tapeOn === 'base' ? 'flat' : 'edge'),
    joinTape(joints),
    tryTape(rows.rowsM.length),
    ...addLayers(layers.length),
  ];
}

function factsOf({ pan, layout, rows, strip }: Parts): ResolvedBuild['facts'] {
  return [
    fact('circumference', 'Rim circumference', layout.circumferenceM, 'π · Ø'),
    ...(layout.turnsPerReel === null
      ? []
      : [
          fact(
            'turns',
            'Turns from one reel',
            Math.floor(layout.turnsPerReel * 100) / 100,
            'reel / (π · Ø − gap)',
            'turns',
          ),
        ]),
    ...tapeFacts(rows, strip, pan.tapeOn === 'rim' ? 'turn' : 'circle'),
    fact('pitch', 'Row pitch', pan.rowPitchM, 'centre to centre, as chosen'),
    fact('gap', 'Gap left for the clamp', pan.clampGapM, 'off every row'),
    fact('disc', 'Diffusion disc Ø', pan.diameterM + 2 * pan.tabM, 'Ø + 2 × tab'),
  ];
}

function findingsOf({
  pan,
  context,
  layout,
  rows,
  strip,
  layers,
}: Parts): ResolvedBuild['findings'] {
  return [
    ...stopsFor('strip-pan', panProblems(pan, context), 'pan'),
    ...notChosen('strip-pan', [
      ['tape', strip, 'stripId', 'tape', 'Choose a tape, and turns, light, load and cost follow.'],
      ...mainsOpen(pan),
    ]),
    ...tapeLayingFindings(
      'strip-pan',
      pan,
      rows,
      { radiusM: layout.radiiM.at(-1) ?? layout.radiusM },
      pan.finish === 'tinned-steel' || pan.finish === 'foil-tape',
      context,
    ),
    ...typicalLayers('strip-pan', layers),
    ...(layers.length === 0 && pan.tapeOn === 'base'
      ? [
          look(
            'light',
            'strip-pan.bare',
            'Bare diodes towards the subject',
            'Every diode shows as a dot in the eyes and dazzles: put a layer in front, or the tape on the rim.',
            { field: 'layer1PartId', drawing: 'pan' },
          ),
        ]
      : []),
  ];
}

/** The tin itself, as its record says or as tins of its kind are. */
function panKg({ panPartId }: StripPan, context: FormContext): number {
  if (panPartId === null) return 0;
  return partOf(context, panPartId, 'hardware')?.massKg ?? PAN_KG;
}

/** Everything that is not cut, kg. */
function fittingsKg({ pan, context, rows, strip }: Parts): number {
  return (
    rows.usedM * (strip?.massKgPerM ?? TAPE_KG_PER_M) +
    cordMassKg(pan, tapeCordM(pan, rows.usedM, context), context) +
    panKg(pan, context)
  );
}
